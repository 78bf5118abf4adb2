import { boxAround, distance, type Box, type Point } from './geometry'
import { cornersOfBox } from './layout'
import type { MeasuredRun } from './measure'

/** What a sheet over or behind a run has to cover, before anything is wrapped round its edge. */
export interface SheetShape {
  /** Corner by corner, in the run's own mm; the last is joined to the first. */
  readonly outline: readonly Point[]
  readonly box: Box
}

/** Ends that lie so near each other meet, mm. */
const meetMm = 0.5

/**
 * What a run goes round: its own outline where that closes, else the rectangle around it. A line by itself has no area.
 *
 * @returns `undefined` where the run has no place of its own
 */
export function sheetShape({
  segments,
  lights,
}: Pick<MeasuredRun, 'segments' | 'lights'>): SheetShape | undefined {
  const points = segments.length > 0 ? segments.flatMap((one) => one.points) : lights
  const [first, last] = [points[0], points.at(-1)]
  if (first === undefined || last === undefined) return undefined
  const box = boxAround(points)
  const isClosed =
    segments.length > 0 &&
    segments.every(({ points: own }, index) => meets(segments.at(index - 1)?.points.at(-1), own[0]))
  return {
    outline: isClosed ? points : cornersOfBox({ ...box, degrees: 0 }, box.width, box.height),
    box,
  }
}

const meets = (a: Point | undefined, b: Point | undefined): boolean =>
  a !== undefined && b !== undefined && distance(a, b) <= meetMm
