import { emptyPlan } from '../src/core/plan/empty'
import { shortRuns } from '../src/testing/short-runs'
import type { Plan } from '../src/core/plan/plan'

/** Lines of a large plan: shelves of about 2.8 m, so that 300 of them hold some 50,000 pixels at 60/m. */
export const shelfLines = (count: number): string[] =>
  Array.from({ length: count }, (_, n) => `shelf-${String(n)} ${String(2560 + ((n * 37) % 480))}`)

/** Lines of a wall of small shelves: 2,000 of them hold some 100,000 pixels where 120 go to a metre. */
export const nicheLines = (count: number): string[] =>
  shortRuns(count).lines.map(({ text }) => text)

export const largePlan = (runs: number): Plan => ({
  ...emptyPlan('Large', 'x'),
  lines: shelfLines(runs).map((text, n) => ({ id: `l${String(n)}`, text })),
})

export const median = (values: readonly number[]): number => quantile(values, 1 / 2)

/** What a quarter of the values stays below: other programs on the same machine make the rest longer. */
export const quickQuarter = (values: readonly number[]): number => quantile(values, 1 / 4)

function quantile(values: readonly number[], share: number): number {
  const sorted = values.toSorted((a, b) => a - b)
  return sorted[Math.floor(sorted.length * share)] ?? NaN
}
