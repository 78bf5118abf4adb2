import type { Box, Point } from './geometry'
import type { MeasuredRun } from './measure'

/** Where the drawing puts a run: its own 0,0 lies at `offset`, mm. */
export interface Placed {
  readonly id: string
  readonly offset: Point
}

export interface Layout {
  readonly placed: readonly Placed[]
  /** Everything, with room for names and dimensions, mm. */
  readonly box: Box
}

/**
 * Sets runs out like lines of type: side by side while a row has room, then on to the next row.
 *
 * @param aspect width over height of the place they should fill
 */
export function layOut(runs: readonly MeasuredRun[], aspect = 1): Layout {
  if (runs.length === 0)
    return { placed: [], box: { x: 0, y: 0, width: 1000, height: 1000 / aspect } }
  const widest = Math.max(...runs.map((run) => run.box.width), 1)
  // Room for a name above and a dimension below; in a plan of many runs they show only when near.
  const margin =
    Math.max(widest, ...runs.map((run) => run.box.height)) * (runs.length > 60 ? 0.05 : 0.14)
  // The row width that lets everything be drawn largest; the first of several equal ones, which is the narrowest.
  const widths = Array.from({ length: 14 }, (_, step) => (widest + margin) * 1.25 ** step)
  const layouts = widths.map((rowWidth) => inRows(runs, rowWidth, margin))
  const scaleOf = ({ box }: Layout): number => Math.min(aspect / box.width, 1 / box.height)
  return layouts.reduce((best, next) => (scaleOf(next) > scaleOf(best) * 1.001 ? next : best))
}

function inRows(runs: readonly MeasuredRun[], rowWidth: number, margin: number): Layout {
  const placed: Placed[] = []
  let [x, y, rowHeight, right] = [0, 0, 0, 0]
  for (const { id, box } of runs) {
    if (x > 0 && x + box.width > rowWidth) {
      y += rowHeight
      x = 0
      rowHeight = 0
    }
    placed.push({ id, offset: [x - box.x, y + margin - box.y] })
    right = Math.max(right, x + box.width)
    x += box.width + margin
    rowHeight = Math.max(rowHeight, box.height + margin * 1.6)
  }
  return { placed, box: { x: 0, y: 0, width: right, height: y + rowHeight } }
}
