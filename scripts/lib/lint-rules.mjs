/**
 * Rules of lint that hold of this project alone.
 * @type {import('eslint').ESLint.Plugin}
 */
export default {
  meta: { name: 'obelus' },
  rules: {
    /** No `let` at the top of a module. */
    'no-module-state': {
      create: (context) => ({
        VariableDeclaration(node) {
          const { type, parent } = node.parent;
          const isAtTop =
            type === 'Program' || (type === 'ExportNamedDeclaration' && parent.type === 'Program');
          if (node.kind === 'let' && isAtTop)
            context.report({ node, message: 'Keep it in a store, a job or a closure.' });
        },
      }),
    },
  },
};
