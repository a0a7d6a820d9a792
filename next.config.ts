import type { NextConfig } from 'next';
import { ANSWER_HEADERS, DATA_POLICY } from './src/answer-headers';

const config: NextConfig = {
  headers: async () => [
    {
      source: '/:path*',
      headers: Object.entries(ANSWER_HEADERS).map(([key, value]) => ({ key, value })),
    },
    {
      source: '/api/:path*',
      headers: [{ key: 'Content-Security-Policy', value: DATA_POLICY }],
    },
  ],
  // The server answers this machine alone, where packing what is unpacked beside it costs both more than it spares.
  compress: false,
  compiler: { styledComponents: true },
  // `npm test` checks types; who starts the application does not wait for them.
  typescript: { ignoreBuildErrors: true },
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
