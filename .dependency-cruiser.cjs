const from = (path) => ({ path });
/** Imports run one way: core ← contract ← server | web; and within core from the lower floors up. */
const FLOORS = [
  'quantities',
  'numerics',
  'liquid',
  'masses',
  'ingredients',
  'yeast',
  'preservatives',
  'record',
  'float',
  'vessel',
  'must',
  'nitrogen',
  'tempo',
  'acid',
  'feed',
  'carbonate',
  'forecast',
  'watch',
  'stabilize',
  'sweeten',
  'bottle',
  'rounds',
  'check',
  'simulate',
];

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: from('^core/src'),
      to: { path: '^(contract|server|web|e2e|scripts)/|^node_modules/(?!fast-check|vitest)', dependencyTypesNot: ['core'] },
    },
    { name: 'core-has-no-io', severity: 'error', from: { path: '^core/src', pathNot: '\\.test\\.ts$' }, to: { dependencyTypes: ['core'] } },
    { name: 'contract-knows-core-only', severity: 'error', from: from('^contract/'), to: { path: '^(server|web|e2e)/' } },
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
    exclude: { path: '(dist|node_modules)/' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.mjs', '.js', '.vue'],
    },
  },
};
