import { RUN } from './scripts/lib/run-asked.mjs';

export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/scripts', '<rootDir>/demo'],
  testMatch: ['**/*.test.ts'],
  // HarfBuzz is an ES module with a wait at its top: it is imported as one, at run time, and not turned into CommonJS.
  transform: {
    '^.+\\.(tsx?|m?js)$': [
      '@swc/jest',
      {
        jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' },
        module: { type: 'commonjs', ignoreDynamic: true },
      },
    ],
  },
  transformIgnorePatterns: [
    'node_modules/(?!(@noble/hashes|delaunator|robust-predicates|culori|css-tree|source-map-js|d3-ease)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  globals: { RUN },
  setupFiles: ['<rootDir>/scripts/lib/jest-setup.cjs'],
  // Looked up through the test's sandbox each time, Math would take most of the time of numerical tests.
  sandboxInjectedGlobals: ['Math', 'Float64Array', 'Uint8Array', 'Int32Array'],
  testTimeout: RUN.isLong ? 3_600_000 : 240_000,
  // Each works through files of its own; one more than there are cores, as some wait for what they started.
  maxWorkers: 3,
};
