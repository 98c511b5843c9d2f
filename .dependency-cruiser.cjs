/** Arrows run one way: web → contract → core, server → contract → core. */
module.exports = {
  forbidden: [
    {
      name: 'core-stays-pure',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot: [
          '^core/',
          '^node_modules/(bezier-js|@types/bezier-js|d3-shape|@types/d3-shape|fraction\\.js|chrono-node|temporal-polyfill|ical\\.js)',
        ],
      },
    },
    ...[
      // Inside core each room knows those before it: lengths, the tape and its checks, panels, figures, garments, the sheet.
      ['units', ''],
      ['measures', 'units|text'],
      ['draft', 'units'],
      ['figure', 'units|measures'],
      ['net', 'units|measures'],
      ['checks', 'units|measures|net'],
      ['garment', 'units|measures|draft|figure|net|checks'],
      ['sheet', 'units|measures|dates|checks|draft|figure|garment'],
      ['alter', 'units|dates|draft|figure|garment|sheet|diary'],
      ['diary', 'dates'],
      ['care', ''],
      ['import', 'units|text|dates|measures|checks'],
      ['house', 'units|measures|checks|garment|thread'],
    ].map(([room, knows]) => ({
      name: `core-${room}-knows-the-rooms-before-it`,
      severity: 'error',
      from: { path: `^core/${room}/`, pathNot: '(\\.test|testing)\\.ts$' },
      to: { path: '^core/', pathNot: `^core/(${[room, knows].filter(Boolean).join('|')})/` },
    })),
    {
      name: 'contract-knows-core-only',
      severity: 'error',
      from: { path: '^contract/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: ['^contract/', '^core/', '^node_modules/zod'] },
    },
    {
      name: 'server-not-web',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|demo|e2e)/' },
    },
    {
      name: 'between-areas-only-sql',
      severity: 'error',
      from: {
        path: '^server/(alterations|auth|client-data|clients|design|diary|flat|garments|guide|house|imports|leaving|live|orders|photos|sessions|sheets|staff|tape)/',
        pathNot: '\\.test\\.ts$',
      },
      to: {
        path: '^server/(alterations|auth|client-data|clients|design|diary|flat|garments|guide|house|imports|leaving|orders|photos|sessions|sheets|staff|tape)/',
        pathNot: ['^server/$1/', '/(sql|made-sheet)\\.ts$'],
      },
    },
    {
      name: 'rooms-know-no-area',
      severity: 'error',
      from: { path: '^server/(db|doors|http|paper)/', pathNot: '\\.test\\.ts$' },
      to: {
        path: '^server/(alterations|auth|client-data|clients|design|diary|flat|garments|guide|house|imports|leaving|orders|photos|sessions|sheets|staff|tape)/',
      },
    },
    {
      name: 'web-not-server',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|demo|e2e)/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { pathNot: 'node_modules' } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(web|server)/dist' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default'],
    },
  },
};
