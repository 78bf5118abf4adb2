/**
 * Imports go down only: app, cli and server use formats and core; inside core a stage uses only stages before it. The order
 * is that of docs/architecture in the README.
 */
const stages = [
  'quantity',
  'plan',
  'parts',
  'measure',
  'cut',
  'load',
  'feed',
  'signal',
  'wire',
  'buy',
  'build',
  'glow',
]

/** A stage may not import a later one, nor what is made of all of them. */
const stageRules = stages.map((stage, index) => ({
  name: `core-${stage}-uses-earlier-stages`,
  severity: 'error',
  from: { path: `^src/core/${stage}/`, pathNot: '\\.test\\.ts$' },
  to: {
    path: `^src/core/(?:${[...stages.slice(index + 1), 'sums', 'verdict'].join('|')})/|^src/core/[^/]+\\.ts$`,
  },
}))

module.exports = {
  forbidden: [
    ...stageRules,
    {
      name: 'verdicts-do-not-know-the-tally',
      severity: 'error',
      from: { path: '^src/core/(?:verdict|sums)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/[^/]+\\.ts$' },
    },
    {
      name: 'verdicts-and-sums-apart',
      severity: 'error',
      from: { path: '^src/core/sums/' },
      to: { path: '^src/core/verdict/' },
    },
    {
      name: 'core-imports-core-only',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core/)|^demo/' },
    },
    {
      name: 'core-and-formats-without-node-or-vue',
      severity: 'error',
      from: { path: '^src/(?:core|formats)/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-knows-few-packages',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/', pathNot: 'node_modules/(?:zod|immer)/' },
    },
    {
      name: 'formats-use-core-only',
      severity: 'error',
      from: { path: '^src/formats/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core/|formats/)' },
    },
    {
      name: 'top-layers-apart',
      severity: 'error',
      from: { path: '^src/(app|cli|server)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?:app|cli|server)/', pathNot: '^src/$1/' },
    },
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.vue', '.js', '.json'] },
  },
}
