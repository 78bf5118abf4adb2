import type { CutStripRun } from '../cut/cut'
import { listed } from '../quantity/listed'
import type { Step } from './step'

/** So many like runs are worth a sample: one is built whole and timed before the batch. */
const worthSample = 4

/**
 * Of each kind of like runs, where there are many, the first is the sample: same strip, and as many groups in each piece.
 *
 * @returns the sample of each such run, itself among them
 */
export function samplesOf(cutRuns: readonly CutStripRun[]): ReadonlyMap<string, string> {
  const alike = new Map<string, string[]>()
  for (const { run, strip, pieces } of cutRuns) {
    const placed = pieces.filter((piece) => piece.groups > 0)
    if (placed.length === 0) continue
    const key = `${strip.id} ${placed.map(({ groups }) => String(groups)).join(' ')}`
    listed(alike, key).push(run.id)
  }
  return new Map(
    [...alike.values()].flatMap((runs) =>
      runs.length < worthSample ? [] : runs.map((run) => [run, runs[0] ?? run] as const),
    ),
  )
}

/**
 * How much longer or shorter than reckoned work at the samples took, by run and by what is in hand in a stretch of the work: minutes of all
 * steps of the sample that were timed, over what they are reckoned with.
 *
 * @param timed minutes that were logged, by the ids of steps that are done
 */
export function samplePace(
  steps: readonly Step[],
  samples: ReadonlyMap<string, string>,
  timed: ReadonlyMap<string, number>,
): (step: Step) => number | undefined {
  const sums = new Map<string, { timed: number; reckoned: number }>()
  const keyOf = (sample: string, { phase }: Step): string => `${phase} ${sample}`
  for (const step of steps) {
    const minutes = timed.get(step.id) ?? 0
    if (minutes <= 0 || step.minutes <= 0) continue
    const key = keyOf(step.place, step)
    const sum = sums.get(key) ?? { timed: 0, reckoned: 0 }
    sums.set(key, { timed: sum.timed + minutes, reckoned: sum.reckoned + step.minutes })
  }
  return (step) => {
    const sample = samples.get(step.place)
    if (sample === undefined || sample === step.place) return undefined
    const sum = sums.get(keyOf(sample, step))
    return sum === undefined ? undefined : sum.timed / sum.reckoned
  }
}
