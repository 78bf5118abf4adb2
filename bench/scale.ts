import { Engine } from '../src/core/engine'
import { allStages } from '../src/core/late-stages'
import type { StageName } from '../src/core/derived'
import { shortRuns } from '../src/testing/short-runs'
import { median } from './plans'

const names = Object.keys(allStages) as StageName[]
const workAll = (engine: Engine): void => {
  for (const name of names) engine.get(name)
}
const timed = (work: () => void): number => {
  const start = performance.now()
  work()
  return performance.now() - start
}

/** How all stages grow from 10 to 2,000 short runs, and what an edit of one line among 2,000 takes. */
export function scaleBench(): void {
  workAll(new Engine(shortRuns(300), allStages))
  const perRun = [10, 100, 300, 1000, 2000].map((count) => {
    const times = Array.from({ length: count > 500 ? 3 : 7 }, () => {
      const plan = shortRuns(count)
      return timed(() => {
        workAll(new Engine(plan, allStages))
      })
    })
    const each = median(times) / count
    console.log(
      `${String(count)} runs: ${(each * count).toFixed(0)} ms, ${each.toFixed(2)} ms a run`,
    )
    return each
  })
  console.log(
    `a run among 2,000 takes ${((perRun.at(-1) ?? 0) / (perRun[1] ?? 1)).toFixed(1)} × one among 100`,
  )

  let plan = shortRuns(2000)
  const engine = new Engine(plan, allStages)
  const fresh = timed(() => {
    workAll(engine)
  })
  const edits = Array.from({ length: 5 }, (_, n) => {
    plan = {
      ...plan,
      lines: plan.lines.map((line, index) =>
        index === 1000 ? { ...line, text: `niche-1000 ${String(350 + n * 20)}` } : line,
      ),
    }
    return timed(() => {
      engine.follow(plan)
      workAll(engine)
    })
  })
  const figures = Array.from({ length: 5 }, (_, n) => {
    plan = {
      ...plan,
      lines: plan.lines.map((line, index) =>
        index === 1000 ? { ...line, text: `niche-1000 ${String(470 + n * 20)}` } : line,
      ),
    }
    return timed(() => {
      engine.follow(plan)
      engine.get('supplies')
    })
  })
  console.log(
    `one line of 2,000 edited: ${median(figures).toFixed(0)} ms to its figures, ${median(edits).toFixed(0)} ms to all stages, ${(fresh / median(edits)).toFixed(1)} × faster than afresh`,
  )
}
