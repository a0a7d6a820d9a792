// The arrows of the architecture. Data flows document -> evaluate -> draw list -> paint; nothing flows back.
/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment:
        'core imports nothing of the project outside itself, no Node and no React; of packages only pure computation.',
      severity: 'error',
      from: { path: '^src/core', pathNot: '(\\.test\\.ts$|^src/core/testing/)' },
      to: { pathNot: '^(src/core|node_modules/(@types/)?(zod|delaunator|saxes|css-tree|culori)/)' },
    },
    {
      name: 'editor-and-server-never-meet',
      comment: 'app joins them.',
      severity: 'error',
      from: { path: '^src/(editor|ui)' },
      to: { path: '^src/(server|app)' },
    },
    {
      name: 'server-shows-nothing',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^src/(editor|ui|app)' },
    },
    {
      name: 'ui-knows-no-piece',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/(editor|core)' },
    },
    {
      name: 'core-folders-open-by-their-door',
      comment: 'From outside a core folder only its index is imported.',
      severity: 'error',
      from: { path: '^src/core/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/[^/]+/', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'core-opens-by-its-doors',
      severity: 'error',
      from: { path: '^src/(server|editor|app|ui|workers)', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/.+', pathNot: '^src/core/[^/]+/index\\.ts$' },
    },
    {
      name: 'workers-only-compute',
      severity: 'error',
      from: { path: '^src/workers' },
      to: { path: '^src/(server|editor|app|ui)' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
};
