const { readdirSync } = require('node:fs')
const { join } = require('node:path')

/**
 * Imports go down only: app, cli and server use formats and core; inside core a stage uses only the stages before it. The order is that of
 * docs/architecture.md. Every folder of the core is named here: a folder that is not stops the check.
 */
const order = [
  'quantity',
  'plan',
  'parts',
  'measure',
  'cut',
  'load',
  'lanes',
  'route',
  'feed',
  'signal',
  'wire',
  'build',
  'buy',
  'glow',
  'mend',
  'verdict',
  'roll',
  'choose',
  'sums',
]
/** Files of the core that are made of several stages, and the first stage that may use them. */
const above = { stages: 'choose', engine: 'choose', tally: 'sums' }

const core = join(__dirname, 'src/core')
const unknown = readdirSync(core, { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && !order.includes(entry.name))
  .map(({ name }) => name)
if (unknown.length > 0)
  throw new Error(
    `src/core/${unknown[0]} has no place in the order of the stages: .dependency-cruiser.cjs`,
  )

/** A stage may not import a later one, nor what is made of all of them. The sums may use any stage, and nothing uses them. */
const stageRules = order.map((stage, index) => {
  const later = order.slice(index + 1)
  const files = Object.entries(above)
    .filter(([, first]) => index < order.indexOf(first))
    .map(([file]) => file)
  const parts = [
    ...(later.length > 0 ? [`^src/core/(?:${later.join('|')})/`] : []),
    ...(files.length > 0 ? [`^src/core/(?:${files.join('|')})\\.ts$`] : []),
  ]
  return {
    name: `core-${stage}-uses-earlier-stages`,
    severity: 'error',
    from: { path: `^src/core/${stage}/`, pathNot: '\\.test\\.ts$' },
    to: { path: parts.length > 0 ? parts.join('|') : '^$' },
  }
})

module.exports = {
  forbidden: [
    ...stageRules,
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
      to: { path: 'node_modules/', pathNot: 'node_modules/(?:zod|immer|maxrects-packer)/' },
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
