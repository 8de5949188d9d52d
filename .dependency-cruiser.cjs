/** Arrows point one way. In the core each room may look only at the rooms named for it. */
const ROOMS = {
  quantity: [],
  catalogue: ['quantity'],
  assembly: ['quantity', 'catalogue'],
  circuit: ['quantity', 'catalogue', 'assembly'],
  signal: ['quantity', 'catalogue', 'assembly', 'circuit'],
  wiring: ['quantity', 'catalogue', 'assembly', 'circuit', 'signal'],
  findings: ['quantity', 'catalogue', 'assembly', 'circuit', 'signal', 'wiring'],
  drawing: ['quantity', 'catalogue', 'assembly', 'wiring'],
  cutting: ['quantity', 'catalogue', 'assembly', 'wiring'],
  proving: ['quantity', 'catalogue', 'assembly', 'circuit', 'wiring'],
  kit: [
    'quantity',
    'catalogue',
    'assembly',
    'circuit',
    'wiring',
    'findings',
    'drawing',
    'cutting',
    'proving',
  ],
  bench: [
    'quantity',
    'catalogue',
    'assembly',
    'circuit',
    'wiring',
    'findings',
    'drawing',
    'cutting',
    'proving',
    'kit',
  ],
  formats: ['quantity', 'catalogue', 'assembly', 'wiring', 'findings'],
};

const notTest = { pathNot: '\\.test\\.ts$' };

module.exports = {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'The core knows nothing of servers, screens, Node or packages beyond the allow-list.',
      from: { path: '^src/core/', ...notTest },
      to: { pathNot: ['^src/core/', '^node_modules/yup/'] },
    },
    {
      name: 'server-below-pages',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(pages|islands|ui|workers|cli)/' },
    },
    {
      name: 'ui-below-islands',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(server|pages|islands)/' },
    },
    {
      name: 'islands-not-server',
      severity: 'error',
      from: { path: '^src/islands/' },
      to: { path: '^src/(server|pages)/', dependencyTypesNot: ['type-only'] },
    },
    ...Object.entries(ROOMS).map(([room, below]) => ({
      name: `arrow-${room}`,
      severity: 'error',
      from: { path: `^src/core/${room}/`, ...notTest },
      to: { path: '^src/core/', pathNot: [room, ...below].map((each) => `^src/core/${each}/`) },
    })),
    {
      name: 'by-the-door',
      severity: 'error',
      comment: 'A folder is entered by its index.',
      from: { path: '^src/core/([^/]+)/', ...notTest },
      to: { path: '^src/core/([^/]+)/.+', pathNot: ['^src/core/$1/', '^src/core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'by-the-door-from-outside',
      severity: 'error',
      from: { path: '^src/(?!core/)' },
      to: { path: '^src/core/', pathNot: '^src/core/[^/]+/index\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(css|astro)$' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
