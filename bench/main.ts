import { buildBench } from './build'
import { buyBench } from './buy'
import { feedBench } from './feed'
import { glowBench } from './glow'
import { handsBench } from './hands'
import { mendBench } from './mend'
import { outlineBench } from './outline'
import { packingBench } from './packing'
import { scaleBench } from './scale'
import { shelfBench } from './shelf'
import { soakBench } from './soak'
import { stallsBench } from './stalls'
import { startBench } from './start'
import { tallyBench } from './tally'
import { typingBench } from './typing'

/** Each prints figures and ratios of one run; none of them fails, since machines differ. */
const benches = {
  tally: tallyBench,
  scale: scaleBench,
  buy: buyBench,
  build: buildBench,
  glow: glowBench,
  mend: mendBench,
  packing: packingBench,
  feed: feedBench,
  outline: outlineBench,
  typing: typingBench,
  hands: handsBench,
  stalls: stallsBench,
  shelf: shelfBench,
  start: startBench,
  soak: soakBench,
}

const wanted = process.argv.slice(2)
for (const [name, bench] of Object.entries(benches)) {
  if (wanted.length > 0 && !wanted.includes(name)) continue
  console.log(`\n— ${name}`)
  await bench()
}
