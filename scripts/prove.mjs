// `npm run prove [TIMES]`: the properties over random plans and inputs, with TIMES as many cases as in the tests and another seed in every
// run; the first lines say which seed, to see a failure again.
import { install, run } from './lib.mjs'

install()
const times = Number(process.argv[2] ?? 250)
const seed = process.env.FC_SEED ?? String(Date.now() % 1_000_000)
const files = process.argv.slice(3)
if (!(times >= 1)) {
  console.error('npm run prove [TIMES] [FILE …]: TIMES is a number of at least 1')
  process.exit(2)
}
console.log(`Seed ${seed}: see it again with FC_SEED=${seed} npm run prove -- ${String(times)}`)
const isGood = run('npx', ['vitest', 'run', '--testTimeout=36000000', ...files], {
  env: { PROVE: String(times), FC_SEED: seed },
})
process.exit(isGood ? 0 : 1)
