import { readLine, type JottedRun } from '../../core/measure/jot'
import type { Point } from '../../core/measure/geometry'
import type { MeasuredRun } from '../../core/measure/measure'
import { withDimension } from '../../core/measure/rewrite'

/** A place of a run that is dragged to change one of its measures. */
export interface Handle {
  /** Index among the run's dimensions. */
  readonly dimension: number
  /** In the run's own mm. */
  readonly point: Point
  /** How the place moves with the measure: mm a mm. */
  readonly along: Point
}

const pointsOf = (run: Pick<JottedRun, 'segments' | 'lights'>): readonly Point[] => [
  ...run.segments.flatMap(({ points }) => points),
  ...run.lights,
]

/**
 * One handle for each length of a run, found by changing the length a little and looking which place moves most: whatever the shape, the
 * handle sits where a hand expects it, and dragging it does what it looks like.
 */
export function handlesOf(run: MeasuredRun): Handle[] {
  const before = pointsOf(run)
  if (before.length > 20_000) return []
  return run.dimensions.flatMap((measure, dimension): Handle[] => {
    if (measure.kind === 'degrees' || measure.kind === 'count') return []
    const step = Math.max(0.1, measure.value * 0.01)
    const changed = readLine(
      withDimension(run.line.text, run.dimensions, dimension, measure.value + step),
      { trace: run.line.trace, pixelMm: run.pixelMm },
    )
    if (changed.kind !== 'run') return []
    const after = pointsOf(turnedLike(run, changed))
    const moves: Handle[] = []
    let farthest = 1e-6
    for (const [index, [x, y]] of before.entries()) {
      const [nextX = x, nextY = y] = after[index] ?? []
      const along: Point = [(nextX - x) / step, (nextY - y) / step]
      const size = Math.hypot(...along)
      if (size > farthest * 1.001) {
        farthest = size
        moves.length = 0
      }
      if (size > farthest * 0.999) moves.push({ dimension, point: [x, y], along })
    }
    // Of places that move alike the one in their middle: the top of an arch, not its foot.
    const best = moves[Math.floor(moves.length / 2)]
    return best === undefined ? [] : [best]
  })
}

const turnedLike = (run: MeasuredRun, changed: JottedRun): Pick<JottedRun, 'segments' | 'lights'> =>
  run.line.isTurned === true
    ? {
        segments: changed.segments
          .map((segment) => ({ ...segment, points: segment.points.toReversed() }))
          .toReversed(),
        lights: changed.lights.toReversed(),
      }
    : changed

/** The measure after its handle was dragged by so many mm, in the run's own directions. */
export function draggedTo({ along: [ax, ay] }: Handle, value: number, [dx, dy]: Point): number {
  return value + (dx * ax + dy * ay) / (ax * ax + ay * ay)
}
