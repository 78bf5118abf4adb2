import { boxAround, partOf, type Box, type Point } from '../../core/measure/geometry'
import { cornersOfBox, placer, type Layout } from '../../core/measure/layout'
import type { Splitter } from '../../core/route/plugs'
import type { MeasuredRun } from '../../core/measure/measure'
import type { Furniture, Place } from '../../core/plan/plan'
import { Kept } from '../../core/quantity/kept'
import { hueAt } from './hues'
import { pathOf } from './view'

/** How near a pointer has to be to a run to be on it, px. */
export const nearRunPx = 11
/** How large a single light is drawn, and one of those that are scattered, px. */
export const [lightPx, scatteredPx] = [5, 8]

/** A run as it is drawn, in mm of the bench. */
export interface DrawnRun {
  readonly run: MeasuredRun
  readonly place: Place
  readonly hue: string
  readonly lit: readonly (readonly [fromMm: number, toMm: number])[]
  /** Its whole course, and what of it is lit. */
  readonly course: string
  readonly litCourse: string
  readonly lights: readonly Point[]
  readonly box: Box
  /** Where the wire enters, and the way the strip goes from there, degrees. */
  readonly start: Point | undefined
  readonly heading: number
}

const origin: Place = { x: 0, y: 0, degrees: 0 }
const unlit: DrawnRun['lit'] = []

// What did not change is drawn from the same object, so that the page need not look at it again.
const kept = new Kept<MeasuredRun, DrawnRun>()

/**
 * Runs where the layout has them, each with what of it is lit.
 *
 * @param before what was drawn last: most runs are still in their places
 */
export function drawnRuns(
  runs: readonly MeasuredRun[],
  { placed }: Layout,
  litOf: ReadonlyMap<string, DrawnRun['lit']>,
  before: readonly DrawnRun[] = [],
): DrawnRun[] {
  return runs.map((run, index) => {
    const place = placed[index]?.place ?? origin
    const hue = hueAt(index)
    const lit = litOf.get(run.id) ?? unlit
    const last = before[index]
    if (last?.run === run && last.place === place && last.lit === lit) return last
    const inputs = [hue, lit, place.x, place.y, place.degrees]
    return kept.get(run, inputs, () => drawOne(run, place, hue, lit))
  })
}

function drawOne(run: MeasuredRun, place: Place, hue: string, lit: DrawnRun['lit']): DrawnRun {
  const at = placer(run, place)
  const courses = run.segments.map(({ points }) => points.map(at))
  const litCourses = courses.map((points, index) => {
    const { lengthMm = 1 } = run.segments[index] ?? {}
    const [from, to] = lit[index] ?? [0, lengthMm]
    return to - from < 1e-6 ? [] : partOf(points, from / lengthMm, to / lengthMm)
  })
  const lights = run.lights.map(at)
  const first = courses[0]
  const [start, next] = [first?.[0], first?.[1]]
  return {
    run,
    place,
    hue,
    lit,
    course: courses.map(pathOf).join(''),
    litCourse: litCourses.map(pathOf).join(''),
    lights,
    box: boxAround([...courses.flat(), ...lights]),
    start,
    heading:
      start === undefined || next === undefined
        ? 0
        : (Math.atan2(next[1] - start[1], next[0] - start[0]) * 180) / Math.PI,
  }
}

/** The leads of lights that are plugged together: each to its splitter, and these one to the next. */
export const plugPath = (
  leads: readonly { readonly splitters: readonly Splitter[] }[],
  lights: readonly Point[],
): string =>
  leads
    .flatMap(({ splitters }) => [
      pathOf(splitters.map(({ at }) => at)),
      ...splitters.flatMap(({ at, lights: plugged }) =>
        plugged.map(({ light }) => pathOf([at, lights[light] ?? at])),
      ),
    ])
    .join('')

/** The upright box around a piece of furniture. */
export const furnitureBox = ({ place, widthMm, heightMm }: Furniture): Box =>
  boxAround(cornersOfBox(place, widthMm, heightMm))
