/** The arrows of the house: app → core, server → core, e2e → the screen only; inside core only upwards in this list. */
const CORE = [
  'units',
  'optics',
  'handheld',
  'exposure',
  'light',
  'streets',
  'kit',
  'stop',
  'metering',
  'setup',
  'walk',
  'day',
  'plan',
  'outing',
  'log',
  'formats',
  'stand-ins',
];

const coreOrder = CORE.slice(0, -1).map((folder, k) => ({
  name: `core-${folder}-looks-up-only`,
  comment: `core/src/${folder} may use only the folders listed before it`,
  severity: 'error',
  from: { path: `^core/src/${folder}/`, pathNot: '\\.spec\\.ts$' },
  to: { path: `^core/src/(${CORE.slice(k + 1).join('|')})/` },
}));

export default {
  forbidden: [
    ...coreOrder,
    {
      name: 'core-stands-alone',
      comment: 'core has no interface, no server and no Node or browser modules in it',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.spec\\.ts$' },
      to: { path: ['^(app|server|e2e)/', '^node_modules/(@angular|rxjs|dexie|d3-|express)'] },
    },
    {
      name: 'core-without-node',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.spec\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-folders-by-their-index',
      comment: 'a core folder is imported through its index',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^core/src/([^/]+)/', pathNot: ['^core/src/$1/', '/index\\.ts$'] },
    },
    {
      name: 'features-by-their-index',
      comment: 'a feature of the app is imported through its index',
      severity: 'error',
      from: { path: '^app/src/app/', pathNot: '^app/src/app/features/' },
      to: { path: '^app/src/app/features/', pathNot: '/index\\.ts$' },
    },
    {
      name: 'feature-internals-are-its-own',
      severity: 'error',
      from: { path: '^app/src/app/features/([^/]+)/' },
      to: { path: '^app/src/app/features/([^/]+)/', pathNot: ['^app/src/app/features/$1/', '/index\\.ts$'] },
    },
    {
      name: 'charts-have-no-services',
      comment: 'charts: inputs in, events out',
      severity: 'error',
      from: { path: '^app/src/app/(charts|ui|wording)/' },
      to: { path: '^app/src/app/(features|state|data|workers|shell)/' },
    },
    {
      name: 'state-below-features',
      severity: 'error',
      from: { path: '^app/src/app/(state|data|workers)/' },
      to: { path: '^app/src/app/(features|shell|charts)/' },
    },
    { name: 'server-is-thin', severity: 'error', from: { path: '^server/' }, to: { path: '^(app|e2e)/' } },
    { name: 'e2e-sees-the-screen-only', severity: 'error', from: { path: '^e2e/' }, to: { path: '^(app|core|server)/' } },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: { pathNot: '\\.worker\\.ts$' },
      to: { couldNotResolve: true, pathNot: '^(@roam-dial/core|geojson$)' },
    },
  ],
  options: {
    doNotFollow: { path: ['node_modules', 'dist'] },
    exclude: { path: ['/dist/', '\\.spec\\.ts$'] },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'default'],
      extensions: ['.ts', '.mts', '.js', '.mjs', '.json'],
    },
  },
};
