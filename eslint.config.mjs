import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';

export default tseslint.config(
  { ignores: ['.next/**', '.data/**', 'node_modules/**', 'next-env.d.ts', '**/*.cjs'] },
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
    },
  },
  {
    // The core has no clock, no chance and no surroundings: the same document gives the same list everywhere.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'process',
        'performance',
        'setTimeout',
        'setInterval',
        'fetch',
        'crypto',
        'console',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Take a seed from the document.' },
        { object: 'Date', property: 'now', message: 'The core has no clock.' },
      ],
    },
  },
);
