import type { Lights } from '../plan/plan'

/** A pin of a matrix part whose pins stand in a circle. */
export interface CirclePin {
  /** From 1 at the mark, clockwise seen from the side that the part counts from. */
  readonly number: number
  readonly kind: 'row' | 'column'
  /** Which row or column, from 1. */
  readonly of: number
  /** R1, C3. */
  readonly label: string
  /** Clockwise from the mark, as seen from the top and from the bottom, where the part is turned over: degrees. */
  readonly topDegrees: number
  readonly bottomDegrees: number
}

/** Which row or column each pin takes, rows before columns, from 0: as it was set, or in that order where it does not fit the matrix. */
export function circleOrder(rows: number, columns: number, set: Lights['circle']): number[] {
  const count = rows + columns
  const isOrder =
    set?.length === count && new Set(set).size === count && set.every((line) => line < count)
  return isOrder ? [...set] : Array.from({ length: count }, (_, index) => index)
}

/** The pins of a matrix part around its circle. The first stands half a step past the mark, the last half a step before it. */
export function pinCircle(
  rows: number,
  columns: number,
  set: Lights['circle'],
  countsFrom: NonNullable<Lights['countsFrom']> = 'top',
): CirclePin[] {
  return circleOrder(rows, columns, set).map((line, index, all): CirclePin => {
    const degrees = ((index + 0.5) * 360) / all.length
    const topDegrees = countsFrom === 'top' ? degrees : 360 - degrees
    const [kind, of] =
      line < rows ? (['row', line + 1] as const) : (['column', line - rows + 1] as const)
    return {
      number: index + 1,
      kind,
      of,
      label: `${kind === 'row' ? 'R' : 'C'}${String(of)}`,
      topDegrees,
      bottomDegrees: 360 - topDegrees,
    }
  })
}

/** The order with what two pins take changed over. */
export function swapped(order: readonly number[], a: number, b: number): number[] {
  const [lineA, lineB] = [order[a], order[b]]
  return order.map((line, index) =>
    index === a ? (lineB ?? line) : index === b ? (lineA ?? line) : line,
  )
}
