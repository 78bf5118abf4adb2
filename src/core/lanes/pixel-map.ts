import { pointOf } from '../cut/pads'
import type { Point } from '../measure/geometry'
import { placer, placesOf, type Layout } from '../measure/layout'
import type { Lane, LaneRun } from './lanes'

/** A pixel of the program, and where it is. */
export interface MappedPixel {
  readonly lane: string
  /** On its lane, from 0: as the program counts. */
  readonly number: number
  readonly run: string
  /** In its run, from 0; -1 for an extra one before it. */
  readonly inRun: number
  /** On the drawing, mm. */
  readonly at: Point
  readonly isLit: boolean
}

/** Every pixel of the lanes in the order of the data. */
export function pixelMap(lanes: readonly Lane[], layout: Layout): MappedPixel[] {
  const places = placesOf(layout)
  return lanes.flatMap((lane) =>
    lane.runs.flatMap((laneRun): MappedPixel[] => {
      const { entry, first, extra, dark, start } = laneRun
      const place = places.get(entry.run.id)
      if (place === undefined) return []
      const put = placer(entry.run, place)
      const common = { lane: lane.name, run: entry.run.name }
      const before = Array.from({ length: extra }, (_, index) => ({
        ...common,
        number: first - extra + index,
        inRun: -1,
        at: start,
        isLit: false,
      }))
      const own = pointsOf(laneRun).map((point, inRun) => ({
        ...common,
        number: first + inRun,
        inRun,
        at: put(point),
        isLit: !dark.some(([from, to]) => inRun >= from && inRun < to),
      }))
      return [...before, ...own]
    }),
  )
}

/** Middles of a run's pixels in the order of the data, in its own mm. */
function pointsOf({ entry, isAgainstArrow }: LaneRun): Point[] {
  const { light } = entry.strip
  const perCut = light.kind === 'pixels' ? light.perCut : 1
  const points = entry.pieces.flatMap((piece) =>
    Array.from({ length: piece.pixels }, (_, index) =>
      pointOf(entry, piece, (index + 0.5) / perCut),
    ),
  )
  return isAgainstArrow ? points.toReversed() : points
}
