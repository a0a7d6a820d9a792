export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src', '<rootDir>/scripts', '<rootDir>/demo'],
  testMatch: ['**/*.test.ts'],
  transform: {
    '^.+\\.tsx?$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript', tsx: true }, target: 'es2022' } }],
  },
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  testTimeout: 240_000,
};
