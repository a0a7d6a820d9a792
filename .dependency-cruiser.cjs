// The arrows of the architecture. Data flows document -> evaluate -> draw list -> paint; nothing flows back.
/** Rooms of the core's large folders: each calls those before it. */
const ROOMS = {
  // From what a piece is to what people do to it.
  document: ['schema', 'read', 'parts', 'keys', 'kinds', 'at', 'settle', 'edits'],
  // From ink to lines, their order and hands, letters, and what writes itself.
  trace: ['skeleton', 'lines', 'order', 'hands', 'ink', 'letters', 'coverage', 'writing'],
};

/** @type {import('dependency-cruiser').IConfiguration} */
module.exports = {
  forbidden: [
    {
      name: 'core-is-pure',
      comment:
        'core imports nothing of the project outside itself, no Node and no React; of packages only pure computation.',
      severity: 'error',
      from: { path: '^src/core', pathNot: '(\\.test\\.ts$|^src/core/testing/)' },
      to: {
        pathNot:
          '^(src/core|node_modules/(@types/)?(zod|@noble/hashes|simplex-noise|delaunator|saxes|css-tree|css-select|css-what|culori)/)',
      },
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
      comment: 'Formats have a door each besides, so that a page loads the one it needs.',
      severity: 'error',
      from: { path: '^src/(server|editor|app|ui|workers)', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/.+', pathNot: '^src/core/([^/]+|formats/[^/]+)/index\\.ts$' },
    },
    ...Object.entries(ROOMS).flatMap(([folder, rooms]) => [
      {
        name: `rooms-of-${folder}-open-by-their-door`,
        comment: 'From outside a room only its index is imported; the door of the whole picks what leaves.',
        severity: 'error',
        from: { path: `^src/core/${folder}/([^/]+)/`, pathNot: '\\.test\\.ts$' },
        to: {
          path: `^src/core/${folder}/[^/]+/`,
          pathNot: [`^src/core/${folder}/$1/`, `^src/core/${folder}/[^/]+/index\\.ts$`],
        },
      },
      ...rooms.map((room, floor) => ({
        name: `${folder}-${room}-calls-downward`,
        comment: `A room calls those before it: ${rooms.join(', ')}.`,
        severity: 'error',
        from: { path: `^src/core/${folder}/${room}/`, pathNot: '\\.test\\.ts$' },
        to: { path: `^src/core/${folder}/(${[...rooms.slice(floor + 1), 'index\\.ts'].join('|')})` },
      })),
    ]),
    {
      name: 'editor-folders-open-by-their-door',
      comment: 'From outside a folder of the editor only its index is imported.',
      severity: 'error',
      from: { path: '^src/editor/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^src/editor/[^/]+/.+',
        pathNot: ['^src/editor/$1/', '^src/editor/[^/]+/index\\.ts$'],
      },
    },
    {
      name: 'workers-only-compute',
      severity: 'error',
      from: { path: '^src/workers' },
      to: { path: '^src/(server|editor|app|ui)' },
    },
    {
      name: 'player-only-plays',
      comment: 'What goes onto pages elsewhere holds the core and nothing else.',
      severity: 'error',
      from: { path: '^src/player' },
      to: { pathNot: '^src/(player|core)/' },
    },
    {
      name: 'contract-is-plain',
      comment: 'What server and page agree on imports neither of them.',
      severity: 'error',
      from: { path: '^src/contract' },
      to: { path: '^src/(server|editor|app|ui|workers)' },
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
