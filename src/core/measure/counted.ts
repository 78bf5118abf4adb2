import { formatLength, formatQuantity, type LengthUnits } from '../quantity/format'
import type { MeasuredRun } from './measure'

/** Pixels that a run was given by, and how long it is with its strip, mm; `undefined` where it was measured. */
function countOf({ segments }: MeasuredRun): { px: number; mm: number } | undefined {
  if (!segments.some(({ pixels }) => pixels !== undefined)) return undefined
  const sum = (of: (segment: MeasuredRun['segments'][number]) => number): number =>
    segments.reduce((all, segment) => all + of(segment), 0)
  return { px: sum(({ pixels }) => pixels ?? 0), mm: sum(({ lengthMm }) => lengthMm) }
}

/** What became of runs that are given by their pixels, once their strip is another: `ridge, 30 px: 500 mm is now 208 mm`. */
export function changedCounts(
  before: readonly MeasuredRun[],
  after: readonly MeasuredRun[],
  units: LengthUnits,
): string[] {
  const now = new Map(after.map((run) => [run.id, countOf(run)]))
  return before.flatMap((run) => {
    const [was, is] = [countOf(run), now.get(run.id)]
    if (was === undefined) return []
    if (is === undefined)
      return [`${run.name}: a strip without pixels has none to count, give it a length`]
    return Math.abs(was.mm - is.mm) < 0.05
      ? []
      : [
          `${run.name}, ${formatQuantity(was.px, 'px')}: ${formatLength(was.mm, units)} is now ${formatLength(is.mm, units)}`,
        ]
  })
}
