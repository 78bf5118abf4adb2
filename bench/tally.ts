import { fixSearch } from '../src/core/choose/fixes'
import { tally } from '../src/core/tally'
import { engineOf } from '../src/core/worked'
import { demoPlan } from '../src/testing/demo-plan'
import { largePlan, median } from './plans'

/** Time of a whole tally, and how it grows with the plan: read anew each time, as after opening. Then what the trials for possible fixes take. */
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
  trialsBench()
}

function trialsBench(): void {
  const whole: number[] = []
  const trials: number[] = []
  for (let round = 0; round < 9; round += 1) {
    const plan = structuredClone(demoPlan('bay-window-nook'))
    let last = performance.now()
    const took = (): number => {
      const [start, now] = [last, performance.now()]
      last = now
      return now - start
    }
    tally(plan)
    whole.push(took())
    for (const step of fixSearch(engineOf(plan))) if (step === 'trial') trials.push(took())
  }
  const [one, all] = [median(trials), median(whole)]
  console.log(
    `the nook: ${String(trials.length / whole.length)} trials for its fixes, of ${one.toFixed(1)} ms each: ${(one / all).toFixed(2)} × a whole tally`,
  )
}
