import type { CutStripRun } from '../cut/cut'
import { listed } from '../quantity/listed'

/** So many like runs are worth a sample: one is built whole and timed before the batch. */
const worthSample = 4

/** Of each kind of like runs, where there are many, the first: same strip, and as many groups in each piece. */
export function sampleRuns(cuts: readonly CutStripRun[]): ReadonlySet<string> {
  const alike = new Map<string, string[]>()
  for (const { run, strip, pieces } of cuts) {
    const placed = pieces.filter((piece) => piece.cuts > 0)
    if (placed.length === 0) continue
    const key = `${strip.id} ${placed.map(({ cuts: groups }) => String(groups)).join(' ')}`
    listed(alike, key).push(run.id)
  }
  return new Set(
    [...alike.values()].flatMap((runs) => (runs.length < worthSample ? [] : runs.slice(0, 1))),
  )
}
