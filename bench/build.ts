import { readingsAfter } from '../src/core/build/readings'
import { jointsUpTo } from '../src/core/build/connected'
import { scheduleOf } from '../src/core/build/order'
import { worked } from '../src/core/worked'
import { largePlan, median } from './plans'

/** The steps and their order once the joints are known, and the meter's figures in the middle of a build. */
export function buildBench(): void {
  const timed = (runs: number): { readonly steps: number; readonly ms: number } => {
    let steps = 0
    const ms = median(
      Array.from({ length: 5 }, () => {
        const results = worked(largePlan(runs))
        const known = [results.joints, results.nodes, results.supplies]
        const start = performance.now()
        const schedule = scheduleOf(results)
        const took = performance.now() - start
        steps = schedule.steps.length
        return known.length > 0 ? took : NaN
      }),
    )
    return { steps, ms }
  }
  timed(300)
  const [small, large] = [timed(30), timed(300)]
  console.log(`${String(large.steps)} steps of 300 runs in order: ${large.ms.toFixed(1)} ms`)
  console.log(`10 × the runs take ${(large.ms / small.ms).toFixed(1)} × the time`)
  const results = worked(largePlan(300))
  const { steps } = scheduleOf(results)
  const step = steps.filter(({ kind }) => kind === 'test')[Math.floor(steps.length / 20)]
  if (step === undefined) return
  const start = performance.now()
  const { readings } = readingsAfter(results, jointsUpTo(steps, step.id), step)
  const took = performance.now() - start
  console.log(`${String(readings.length)} readings after ${step.id}: ${took.toFixed(1)} ms`)
}
