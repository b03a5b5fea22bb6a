/** The arrows between the folders (docs/architecture.md). They run one way. */
const within = (path) => ({ path: `^${path}/` });

/** Rules for folders below another, each of which knows only those before it. */
const inOrder = (top, rooms) =>
  rooms.slice(0, -1).map((room, index) => ({
    name: `${top}-${room.replaceAll('/', '-')}-knows-only-what-stands-before-it`,
    severity: 'error',
    from: within(`${top}/${room}`),
    to: { path: `^${top}/(${rooms.slice(index + 1).join('|')})/` },
  }));

const CORE = [
  'layered',
  'markup',
  'type',
  'theme',
  'layout',
  'elements/valuetypes',
  'elements/content',
  'elements/properties',
  'elements/kinds',
  'site',
  'values',
  'edits/log',
  'edits/values',
  'edits/placement',
  'edits/views',
  'edits/structure',
  'edits/pages',
  'edits/theme',
  'edits/review',
  'compile',
  'starts',
  'checks',
  'exchange',
];
const WEB = [
  'ui',
  'state',
  'page',
  'checks',
  'site',
  'values',
  'workbench/text',
  'workbench/content',
  'workbench/editors',
  'workbench/block',
  'workbench/walk',
  'workbench/ledger/columns',
  'workbench/ledger/content',
  'workbench/ledger/theme',
  'workbench/ledger/outline',
  'workbench/ledger/table',
  'workbench/desk',
  'workbench/add',
];

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'Modules that need each other are one idea; types too.',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-needs-nothing',
      severity: 'error',
      from: within('core'),
      to: { path: '^(api|server|web|cli|demo|test|scripts|benchmarks)/' },
    },
    { name: 'core-has-no-node', severity: 'error', from: within('core'), to: { dependencyTypes: ['core'] } },
    {
      name: 'core-has-no-interface',
      severity: 'error',
      from: within('core'),
      to: { path: 'node_modules/(react|@mui|express|drizzle-orm|@electric-sql)' },
    },
    {
      name: 'core-through-its-index',
      severity: 'error',
      comment: 'core/index.ts is what the program uses of it; tests of a part import that part.',
      from: { pathNot: '^(core|test|scripts|benchmarks)/' },
      to: { path: '^core/', pathNot: '^core/index\\.ts$' },
    },
    ...inOrder('core', CORE),
    ...inOrder('web', WEB),
    {
      name: 'api-needs-core',
      severity: 'error',
      from: within('api'),
      to: { path: '^(server|web|cli|demo|test)/' },
    },
    {
      name: 'server-needs-api-core',
      severity: 'error',
      from: within('server'),
      to: { path: '^(web|cli|test)/' },
    },
    {
      name: 'web-needs-api-core',
      severity: 'error',
      from: within('web'),
      to: { path: '^(server|cli|demo|test)/' },
    },
    {
      name: 'cli-needs-core-store-media',
      severity: 'error',
      from: within('cli'),
      to: { path: '^(web|demo|test|server/(http|host))/' },
    },
    {
      name: 'demo-needs-core',
      severity: 'error',
      from: within('demo'),
      to: { path: '^(api|server|web|cli|test)/' },
    },
    {
      name: 'screens-stand-alone',
      severity: 'error',
      from: { path: '^web/(sites|pages|views|shelf|type|messages|publications|workbench)/' },
      to: {
        path: '^web/(sites|pages|views|shelf|type|messages|publications|workbench)/',
        pathNot: '^web/$1/',
      },
    },
    {
      name: 'state-knows-no-screen',
      severity: 'error',
      from: { path: '^web/(state|ui)/' },
      to: { path: '^web/(sites|pages|views|shelf|type|messages|publications|workbench)/' },
    },
    { name: 'no-orphans', severity: 'error', from: { orphan: true, pathNot: '(\\.d\\.ts|\\.cjs)$' }, to: {} },
    { name: 'not-to-unresolvable', severity: 'error', from: {}, to: { couldNotResolve: true } },
    {
      name: 'no-dev-in-product',
      severity: 'error',
      from: { path: '^(core|api|server|web|cli|demo)/' },
      to: { dependencyTypes: ['npm-dev'], dependencyTypesNot: ['type-only'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'node', 'default', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
