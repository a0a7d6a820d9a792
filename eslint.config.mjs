import tseslint from 'typescript-eslint';
import hooks from 'eslint-plugin-react-hooks';
import regexp from 'eslint-plugin-regexp';

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
      // What is named only to be left out of the rest is used by that.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      eqeqeq: 'error',
    },
  },
  {
    // What only types tell: promises that nobody waits for or that stand where none is looked for, casts that say nothing, cases left out.
    files: ['src/**/*.{ts,tsx}', 'demo/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    // Expressions over input take time that grows as the input does, and no faster.
    files: ['**/*.{ts,tsx,mjs}'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { ignorePartial: false, report: 'potential' }],
    },
  },
  {
    // What belongs to one piece must not outlive its page: state lives in stores, jobs and closures.
    files: ['src/editor/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "Program > VariableDeclaration[kind='let']",
          message: 'Keep it in a store, a job or a closure.',
        },
        {
          selector: "Program > ExportNamedDeclaration > VariableDeclaration[kind='let']",
          message: 'Keep it in a store, a job or a closure.',
        },
      ],
    },
  },
  {
    // The core has no clock, no chance and no surroundings: the same document gives the same list everywhere.
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts', 'src/core/testing/**'],
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
