import { candidatesFor, compare } from '../src/core/choose/compare'
import { tally } from '../src/core/tally'
import { worked } from '../src/core/worked'
import { demoPlan } from '../src/testing/demo-plan'
import { largePlan, median } from './plans'

/** The bill once the wires are known, against the tally that it ends; and the nook with every light that fits it. */
export function buyBench(): void {
  const timed = (runs: number): number =>
    median(
      Array.from({ length: 9 }, () => {
        const results = worked(largePlan(runs))
        const known = [results.joints, results.reels, results.bars, results.sheets]
        const start = performance.now()
        const { lines } = results.receipt
        const took = performance.now() - start
        return known.length > 0 && lines.length > 0 ? took : NaN
      }),
    )
  timed(300)
  // 60 wires of a kind are the most of which the cheapest spools are looked for.
  const [small, most, large] = [timed(30), timed(60), timed(300)]
  console.log(`the bill of 300 runs: ${large.toFixed(1)} ms once the wires are known`)
  console.log(`the bill of 60 runs: ${most.toFixed(1)} ms`)
  console.log(`10 × the runs take ${(large / small).toFixed(1)} × the time`)
  const plan = demoPlan('bay-window-nook')
  tally(plan)
  const start = performance.now()
  const count = [...compare(plan, candidatesFor(plan))].length
  const seconds = (performance.now() - start) / 1000
  console.log(`${String(count)} lights of the nook compared in ${seconds.toFixed(1)} s`)
}
