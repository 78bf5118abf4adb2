import { distance, type Point } from '../../core/measure/geometry'
import { listed } from '../../core/quantity/listed'
import { areSame } from '../../core/quantity/same'
import { nearRunPx, type DrawnRun } from './run-drawing'
import { dotsPath } from './view'

/** How near a pointer has to be to a single light to be on it, px. */
const nearLightPx = 6

/** All runs of one hue, drawn at once. */
export interface HueLayer {
  readonly hue: string
  readonly entries: readonly DrawnRun[]
  /** Their whole courses, and what of them is lit. */
  readonly course: string
  readonly litCourse: string
  /** Their single lights; those that are scattered are larger. */
  readonly lights: string
  readonly scattered: string
}

/**
 * Runs by hue, each hue with its paths: a page draws six of them, however many runs there are.
 *
 * @param before what was drawn last: a hue in which nothing changed stays as it is
 */
export function hueLayers(
  drawn: readonly DrawnRun[],
  before: readonly HueLayer[] = [],
): HueLayer[] {
  const byHue = new Map<string, DrawnRun[]>()
  for (const entry of drawn) listed(byHue, entry.hue).push(entry)
  return [...byHue].map(([hue, entries]) => {
    const last = before.find((layer) => layer.hue === hue)
    if (last !== undefined && areSame(last.entries, entries)) return last
    const dots = (isScattered: boolean): string =>
      dotsPath(
        entries
          .filter(({ run }) => (run.shape === 'scatter') === isScattered)
          .flatMap(({ lights }) => lights),
      )
    return {
      hue,
      entries,
      course: entries.map(({ course }) => course).join(''),
      litCourse: entries.map(({ litCourse }) => litCourse).join(''),
      lights: dots(false),
      scattered: dots(true),
    }
  })
}

/**
 * The run that is drawn at a place, the topmost first.
 *
 * @param at mm of the bench
 * @param mmPerPx how much of it a pixel of the screen is
 * @param isOnCourse whether a place is on a path of that width, mm
 */
export function entryAt(
  entries: readonly DrawnRun[],
  [x, y]: Point,
  mmPerPx: number,
  isOnCourse: (course: string, at: Point, widthMm: number) => boolean,
): DrawnRun | undefined {
  const reach = nearRunPx * mmPerPx
  return entries.findLast(({ box, course, lights }) => {
    const isAround =
      x >= box.x - reach &&
      x <= box.x + box.width + reach &&
      y >= box.y - reach &&
      y <= box.y + box.height + reach
    return (
      isAround &&
      (isOnCourse(course, [x, y], 2 * reach) || lightAt(lights, [x, y], mmPerPx) !== undefined)
    )
  })
}

/** Which single light is at a place, if any. */
export function lightAt(lights: readonly Point[], at: Point, mmPerPx: number): number | undefined {
  const index = lights.findIndex((light) => distance(light, at) <= nearLightPx * mmPerPx)
  return index < 0 ? undefined : index
}
