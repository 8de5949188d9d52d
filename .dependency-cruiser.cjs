/** Arrows point one way. In the core each room may look only at the rooms named for it. */
const BELOW_MODEL = ['quantity', 'catalogue', 'assembly', 'situation'];
const BELOW_LEAD = [...BELOW_MODEL, 'circuit', 'model', 'signal', 'wiring'];
const BELOW_KIT = [...BELOW_LEAD, 'lead', 'findings', 'drawing', 'cutting', 'proving', 'fit', 'dressing'];
const ROOMS = {
  quantity: [],
  catalogue: ['quantity'],
  assembly: ['quantity', 'catalogue'],
  situation: ['quantity', 'catalogue', 'assembly'],
  fit: ['quantity', 'catalogue', 'assembly'],
  circuit: ['quantity'],
  model: [...BELOW_MODEL, 'circuit'],
  signal: [...BELOW_MODEL, 'circuit', 'model'],
  wiring: [...BELOW_MODEL, 'circuit', 'model', 'signal'],
  lead: BELOW_LEAD,
  described: [...BELOW_LEAD, 'lead'],
  findings: [...BELOW_LEAD, 'lead', 'fit'],
  drawing: [...BELOW_MODEL, 'wiring'],
  cutting: [...BELOW_MODEL, 'wiring'],
  drilling: BELOW_MODEL,
  heat: [...BELOW_MODEL, 'wiring'],
  dressing: [...BELOW_LEAD, 'lead', 'cutting', 'fit'],
  proving: [...BELOW_MODEL, 'circuit', 'model', 'wiring'],
  house: [...BELOW_MODEL, 'wiring', 'proving', 'bench'],
  kit: BELOW_KIT,
  optimum: ['quantity'],
  stock: ['quantity', 'optimum'],
  sweep: [...BELOW_MODEL, 'circuit', 'model', 'signal', 'optimum'],
  workbox: [...BELOW_KIT, 'kit', 'optimum'],
  // Kit never imports the bench, and the bench is handed no kit.
  bench: [...BELOW_KIT, 'heat'],
  vice: [...BELOW_KIT, 'kit', 'bench', 'drilling', 'sweep'],
  formats: [...BELOW_KIT, 'kit', 'workbox', 'stock', 'heat', 'bench', 'house', 'sweep'],
  front: [...BELOW_KIT, 'kit', 'bench', 'formats'],
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
      to: { pathNot: ['^src/core/', '^node_modules/(yup|dequal)/'] },
    },
    {
      name: 'server-below-pages',
      severity: 'error',
      from: { path: '^src/server/' },
      to: { path: '^src/(pages|islands|ui|workers|cli)/' },
    },
    {
      name: 'rows-know-no-service',
      severity: 'error',
      comment: 'Rows are below services, and both below addresses: http knows none of them.',
      from: { path: '^src/server/.+/rows\\.ts$' },
      to: { path: '^src/server/.+/(service|routes|bodies)\\.ts$' },
    },
    {
      name: 'services-know-no-http',
      severity: 'error',
      from: { path: '^src/server/.+/service\\.ts$' },
      to: { path: '^src/server/(http/|.+/routes\\.ts$)' },
    },
    {
      name: 'http-knows-nothing-stored',
      severity: 'error',
      from: { path: '^src/server/(http|db)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/server/.+/(rows|service|routes|bodies)\\.ts$' },
    },
    {
      name: 'devices-use-core-only',
      severity: 'error',
      comment: 'A stand-in for a device knows the core and its own wires.',
      from: { path: '^src/devices/', ...notTest },
      to: { path: '^src/', pathNot: ['^src/devices/', '^src/core/[^/]+/index\\.ts$'] },
    },
    {
      name: 'devices-are-for-server-and-shell',
      severity: 'error',
      from: { path: '^src/(core|pages|islands|ui|workers)/' },
      to: { path: '^src/devices/' },
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
