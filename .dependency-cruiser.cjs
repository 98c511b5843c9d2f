/** Arrows run one way: web → contract → core, server → contract → core. */

/** Inside a program each layer knows those before it and nothing else; whatever lies in no layer is refused. */
const layers = (root, names) => [
  ...names.map((name, i) => ({
    name: `${root}-${name.replace('|', '-')}-knows-the-layers-before-it`,
    severity: 'error',
    from: { path: `^${root}/(${name})/` },
    to: { path: `^${root}/`, pathNot: `^${root}/(${names.slice(0, i + 1).join('|')})/` },
  })),
  {
    name: `${root}-has-no-file-outside-its-layers`,
    severity: 'error',
    from: { path: `^${root}/`, pathNot: [`^${root}/(${names.join('|')})/`, '\\.config\\.tsx?$'] },
    to: {},
  },
];

module.exports = {
  forbidden: [
    {
      name: 'core-stays-pure',
      severity: 'error',
      // What tests judge by is not ours, and not the program's.
      from: { path: '^core/', pathNot: 'testing-judge\\.ts$' },
      to: {
        pathNot: [
          '^core/',
          '^node_modules/(bezier-js|@types/bezier-js|d3-shape|@types/d3-shape|fraction\\.js|chrono-node|temporal-polyfill|ical\\.js|clipper2-ts|polylabel|@types/polylabel)',
        ],
      },
    },
    ...[
      // Inside core each room knows those before it: lengths, the tape and its checks, panels, figures, garments, the sheet.
      ['units', ''],
      ['measures', 'units|text'],
      ['draft', 'units'],
      ['figure', 'units|measures'],
      ['expected-ranges', 'units|measures'],
      ['checks', 'units|measures|expected-ranges'],
      ['garment', 'dates|text|units|measures|draft|figure|expected-ranges|checks'],
      ['sheet', 'units|text|measures|dates|checks|draft|figure|garment'],
      ['alter', 'units|text|dates|draft|figure|garment|sheet|diary'],
      ['diary', 'dates'],
      ['care', ''],
      ['import', 'units|text|dates|measures|checks'],
      ['compare', 'units|measures|import|draft|figure|garment|sheet'],
      ['house', 'units|measures|checks|garment|thread'],
      ['pattern', 'units|draft|garment|sheet'],
      ['lay', 'units|draft|garment|sheet|pattern'],
    ].map(([room, knows]) => ({
      name: `core-${room}-knows-the-rooms-before-it`,
      severity: 'error',
      from: { path: `^core/${room}/`, pathNot: 'testing[\\w-]*\\.ts$' },
      to: { path: '^core/', pathNot: `^core/(${[room, knows].filter(Boolean).join('|')})/` },
    })),
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^contract/' },
      to: { pathNot: ['^contract/', '^core/', '^node_modules/zod'] },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|demo|e2e)/' },
    },
    {
      name: 'tools-know-no-tests-or-benchmarks',
      severity: 'error',
      from: { path: '^tools/' },
      to: { path: '^(benchmarks|e2e)/' },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e)/' },
    },
    ...layers('web', ['offline', 'shared', 'api', 'parts', 'places', 'app']),
    ...layers('server', ['db|paper', 'live', 'http', 'threads', 'records', 'areas', 'app']),
    ...['web/places', 'server/areas'].map((rooms) => ({
      name: `no-room-of-${rooms.replace('/', '-')}-knows-another`,
      severity: 'error',
      from: { path: `^${rooms}/([^/]+)/` },
      to: { path: `^${rooms}/`, pathNot: `^${rooms}/$1/` },
    })),
    ...['web/parts', 'server/records'].map((rooms) => ({
      name: `no-circle-among-the-rooms-of-${rooms.replace('/', '-')}`,
      severity: 'error',
      scope: 'folder',
      from: { path: `^${rooms}/` },
      to: { circular: true },
    })),
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { pathNot: 'node_modules' } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    // A test may know anything.
    exclude: { path: '(web|server)/dist|\\.test\\.tsx?$' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default'],
    },
  },
};
