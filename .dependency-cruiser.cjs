const from = (path) => ({ path });
/** All that core may import from outside itself. */
const CORE_MAY_USE = ['pure-rand', 'yalps'];
/** Imports run one way: core ← contract ← server | web; and within core from the lower floors up. */
const FLOORS = [
  'quantities',
  'numerics',
  'liquid',
  'masses',
  'ingredients',
  'yeast',
  'preservatives',
  'heat',
  'vessel',
  'record',
  'float',
  'must',
  'nitrogen',
  'course',
  'acid',
  'feed',
  'carbonate',
  'glass',
  'forecast',
  'watch',
  'clear',
  'stabilize',
  'sweeten',
  'bottle',
  'cellar',
  'rounds',
  'check',
  'simulate',
  'chalk',
];

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/src', pathNot: '\\.test\\.ts$|^core/src/testing/' },
      to: { pathNot: `^core/|^node_modules/(${CORE_MAY_USE.join('|')})/` },
    },
    { name: 'core-tests-alone', severity: 'error', from: from('^core/src'), to: { path: '^(tell|contract|server|web|e2e|scripts)/' } },
    {
      name: 'tell-knows-core-only',
      severity: 'error',
      from: { path: '^tell/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(contract|server|web|e2e)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'chalk-by-its-own-law',
      severity: 'error',
      comment: 'what ferments on the chalk floor follows another law than the forecast that is tried on it',
      from: { path: '^core/src/chalk/(law|deeds|run|scene|senses|troubles)\\.ts$' },
      to: { path: '^core/src/(course|forecast|glass|watch|simulate)/' },
    },
    { name: 'core-has-no-io', severity: 'error', from: { path: '^core/src', pathNot: '\\.test\\.ts$' }, to: { dependencyTypes: ['core'] } },
    { name: 'contract-knows-core-only', severity: 'error', from: from('^contract/'), to: { path: '^(tell|server|web|e2e)/' } },
    { name: 'server-not-web', severity: 'error', from: from('^server/'), to: { path: '^(web|e2e)/' } },
    { name: 'web-not-server', severity: 'error', from: from('^web/'), to: { path: '^(server|e2e)/' } },
    {
      name: 'features-apart',
      severity: 'error',
      comment: 'the demo alone writes through the stores of the others',
      from: { path: '^server/src/features/(?!demo)([^/]+)/' },
      to: { path: '^server/src/features/', pathNot: '^server/src/features/$1/' },
    },
    ...FLOORS.map((floor, i) => ({
      name: `core-floor-${floor}`,
      severity: 'error',
      from: { path: `^core/src/${floor}/`, pathNot: '\\.test\\.ts$' },
      to: { path: `^core/src/(${FLOORS.slice(i + 1).join('|') || 'none'})/` },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(web|server)/dist/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.mjs', '.js', '.vue'],
    },
  },
};
