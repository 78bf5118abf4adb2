import type { CutStripRun } from './cut'

// Results are immutable: what is looked up in a list is indexed once for that list.
const indexes = new WeakMap<readonly CutStripRun[], ReadonlyMap<string, CutStripRun>>()

/** The cut runs by the ids of their lines. */
export function entriesById(cuts: readonly CutStripRun[]): ReadonlyMap<string, CutStripRun> {
  const known = indexes.get(cuts)
  if (known !== undefined) return known
  const index = new Map(cuts.map((entry) => [entry.run.id, entry]))
  indexes.set(cuts, index)
  return index
}

/** The cut run of a line, in time that does not grow with their number. */
export const entryOf = (cuts: readonly CutStripRun[], id: string): CutStripRun | undefined =>
  entriesById(cuts).get(id)

/** The name of a run; empty where there is none. */
export const runName = (cuts: readonly CutStripRun[], id: string): string =>
  entryOf(cuts, id)?.run.name ?? ''
