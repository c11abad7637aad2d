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
  'sight',
  'setup',
  'walk',
  'day',
  'plan',
  'outing',
  'log',
  'formats',
  'stand-ins',
];

/** The app, from what knows nothing of it up to what holds all of it: a folder uses only those before it. */
const APP = [
  'base',
  'words',
  'workers',
  'storage',
  'reading',
  'state',
  'ui',
  'fields',
  'drawing',
  'stand-ins',
  'shared',
  'rooms',
  'shell',
];
/** What the app keeps, topic by topic, in the same way. */
const STATE = [
  'workspace',
  'device',
  'selection',
  'kit',
  'light',
  'sight',
  'card',
  'walk',
  'plan',
  'log',
  'outing',
  'pictures',
  'returns',
  'app',
];

const inOrder = (name, root, folders) =>
  folders.slice(0, -1).map((folder, k) => ({
    name: `${name}-${folder}-looks-up-only`,
    comment: `${root}${folder} may use only the folders listed before it`,
    severity: 'error',
    from: { path: `^${root}${folder}/`, pathNot: '\\.spec\\.ts$' },
    to: { path: `^${root}(${folders.slice(k + 1).join('|')})/` },
  }));

const coreOrder = inOrder('core', 'core/src/', CORE);
const appOrder = inOrder('app', 'app/src/app/', APP);
const stateOrder = inOrder('state', 'app/src/app/state/', STATE);

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
    ...appOrder,
    ...stateOrder,
    {
      name: 'rooms-know-no-other-room',
      comment: 'what two rooms show is in shared/, words/, fields/ or drawing/',
      severity: 'error',
      from: { path: '^app/src/app/rooms/([^/]+)/', pathNot: '\\.spec\\.ts$' },
      to: { path: '^app/src/app/rooms/', pathNot: '^app/src/app/rooms/$1/' },
    },
    {
      name: 'drawings-and-fields-have-no-services',
      comment: 'inputs in, events out',
      severity: 'error',
      from: { path: '^app/src/app/(ui|fields|drawing|words)/' },
      to: { path: '^app/src/app/(workers|storage|reading|state)/' },
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
