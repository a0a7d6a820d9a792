import type { NextConfig } from 'next';

const config: NextConfig = {
  compiler: { styledComponents: true },
  // These load native code or resolve modules at run time; the bundler must leave them alone.
  serverExternalPackages: [
    '@napi-rs/canvas',
    'sharp',
    'harfbuzzjs',
    'wawoff2',
    'sequelize',
    'pg',
    'pg-boss',
    'umzug',
  ],
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
