import { tally } from '../src/core/tally'
import { largePlan, median } from './plans'

/** Time of a whole tally, and how it grows with the plan: read anew each time, as after opening. */
export function tallyBench(): void {
  const timed = (runs: number): number => {
    const times = Array.from({ length: 15 }, () => {
      const plan = largePlan(runs)
      const start = performance.now()
      tally(plan)
      return performance.now() - start
    })
    return median(times)
  }
  timed(300)
  const [small, large] = [timed(30), timed(300)]
  const { pixels } = tally(largePlan(300)).totals
  console.log(`300 runs, ${String(pixels)} pixels: ${large.toFixed(1)} ms`)
  console.log(`10 × the runs take ${(large / small).toFixed(1)} × the time`)
}
