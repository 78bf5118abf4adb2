import type { CutStripRun } from './cut'

// Results are immutable: what is looked up in a list is indexed once for that list.
const indexes = new WeakMap<readonly CutStripRun[], ReadonlyMap<string, CutStripRun>>()

/** The cut runs by the ids of their lines. */
export function entriesById(cutRuns: readonly CutStripRun[]): ReadonlyMap<string, CutStripRun> {
  const known = indexes.get(cutRuns)
  if (known !== undefined) return known
  const index = new Map(cutRuns.map((entry) => [entry.run.id, entry]))
  indexes.set(cutRuns, index)
  return index
}

/** The cut run of a line, in time that does not grow with their number. */
export const entryOf = (cutRuns: readonly CutStripRun[], id: string): CutStripRun | undefined =>
  entriesById(cutRuns).get(id)

/** The name of a run; empty where there is none. */
export const runName = (cutRuns: readonly CutStripRun[], id: string): string =>
  entryOf(cutRuns, id)?.run.name ?? ''
