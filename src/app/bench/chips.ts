import type { MeasuredRun } from '../../core/measure/measure'
import { middleOf } from './view'

/** A dimension on the drawing: where it stands, px from the run's origin, and for how many equal parts. */
export interface Chip {
  /** Index among the run's segments; -1 for single lights. */
  readonly at: number
  readonly dimension: number
  readonly times: number
  readonly x: number
  readonly y: number
}

/** Space between a line and its dimension, px. */
const clear = 21
/** A part drawn shorter than this carries no chip of its own, px. */
const shortest = 46

/** One chip for each dimension; for each part where few are equal and there is room. */
export function chipsOf(run: MeasuredRun, scale: number): Chip[] {
  if (run.segments.length === 0)
    return [
      {
        at: -1,
        dimension: 0,
        times: 1,
        x: (run.box.x + run.box.width / 2) * scale,
        y: (run.box.y + run.box.height) * scale + clear,
      },
    ]
  const byDimension = new Map<number, number[]>()
  for (const [index, { dimension }] of run.segments.entries())
    byDimension.set(dimension, [...(byDimension.get(dimension) ?? []), index])
  return [...byDimension].flatMap(([dimension, indices]) => {
    const isEach =
      run.shape === 'edge' &&
      indices.length <= 4 &&
      indices.every((index) => (run.segments[index]?.lengthMm ?? 0) * scale >= shortest)
    // Of an arch's legs the right one: the left stands close to the name.
    const shown = isEach ? indices : run.shape === 'arch' ? indices.slice(-1) : indices.slice(0, 1)
    return shown.map((at) => chipAt(run, at, dimension, isEach ? 1 : indices.length, scale))
  })
}

function chipAt(
  run: MeasuredRun,
  at: number,
  dimension: number,
  times: number,
  scale: number,
): Chip {
  const { box, shape } = run
  const points = run.segments[at]?.points ?? []
  if (shape === 'ring' || shape === 'arch') {
    const left = Math.min(...points.map(([x]) => x))
    const right = Math.max(...points.map(([x]) => x))
    const isLeg = points.length === 2
    const [x, y] = isLeg ? middleOf(points) : [(left + right) / 2, box.y + box.height / 2]
    return { at, dimension, times, x: x * scale, y: y * scale }
  }
  if (shape === 'rows') {
    // Beside their ends: under each other there is no room below.
    const right = Math.max(...points.map(([x]) => x))
    return {
      at,
      dimension,
      times,
      x: right * scale + clear * 1.3,
      y: (points[0]?.[1] ?? 0) * scale,
    }
  }
  const [x, y] = middleOf(points)
  const isUpright = points.length === 2 && points[0]?.[0] === points[1]?.[0]
  return {
    at,
    dimension,
    times,
    // On an upright line the chip stands on the line itself: beside it another run may be close.
    x: x * scale,
    y: y * scale + (isUpright ? 0 : clear),
  }
}
