import type { Box } from '../../core/measure/geometry'

/** Where something snapped to: a line of the drawing, mm. */
export interface Guide {
  readonly axis: 'x' | 'y'
  readonly at: number
}

export interface Snapped {
  readonly dx: number
  readonly dy: number
  readonly guides: readonly Guide[]
}

const linesOf = (start: number, size: number): number[] => [start, start + size / 2, start + size]

/**
 * Moves a box by about `dx`, `dy` so that an edge or its middle meets that of another, where one is near; otherwise to round measures.
 *
 * @param near how near is near, mm
 * @param step the round measure that it moves by otherwise, mm
 */
export function snapMove(
  box: Box,
  [dx, dy]: readonly [number, number],
  others: readonly Box[],
  { near, step }: { readonly near: number; readonly step: number },
): Snapped {
  const along = (
    start: number,
    size: number,
    by: number,
    targets: readonly number[],
  ): [number, number?] => {
    let best: { shift: number; at: number } | undefined
    for (const line of linesOf(start + by, size))
      for (const at of targets) {
        const shift = at - line
        if (Math.abs(shift) <= near && Math.abs(shift) < Math.abs(best?.shift ?? Infinity))
          best = { shift, at }
      }
    if (best !== undefined) return [by + best.shift, best.at]
    return [Math.round((start + by) / step) * step - start]
  }
  const [x, xAt] = along(
    box.x,
    box.width,
    dx,
    others.flatMap((other) => linesOf(other.x, other.width)),
  )
  const [y, yAt] = along(
    box.y,
    box.height,
    dy,
    others.flatMap((other) => linesOf(other.y, other.height)),
  )
  return {
    dx: x,
    dy: y,
    guides: [
      ...(xAt === undefined ? [] : [{ axis: 'x' as const, at: xAt }]),
      ...(yAt === undefined ? [] : [{ axis: 'y' as const, at: yAt }]),
    ],
  }
}

/** A length to the nearest round measure, never below one of them. */
export const snapLength = (mm: number, step: number): number =>
  Math.max(step, Math.round(mm / step) * step)
