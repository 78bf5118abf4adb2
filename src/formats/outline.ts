import { messageOf } from '../core/quantity/message-of'
import { boxAround, courseMm, distance, type Point } from '../core/measure/geometry'
import type { Trace } from '../core/plan/plan'

/** What an outline file holds: courses in its own units, and what a unit seems to be. */
export interface Outline {
  readonly courses: readonly (readonly Point[])[]
  /** mm a unit, where the file says so. */
  readonly mmPerUnit: number | undefined
}

export type OutlineResult =
  | { readonly ok: true; readonly outline: Outline }
  | { readonly ok: false; readonly message: string }

/** A file with more points than this is not an outline that a strip follows. */
const mostPoints = 60_000
/** Nor one that draws farther out than this, in its own units. */
const farthest = 1e7

/** A file that cannot be an outline; the message is for people. */
export class NoOutline extends Error {}

/** Gathers courses, and gives up on a file as soon as it holds too many points or numbers that are none. */
export class Courses {
  readonly all: Point[][] = []
  private points = 0

  add(course: Point[]): void {
    this.points += course.length
    if (this.points > mostPoints)
      throw new NoOutline(
        `The outline has more than ${String(mostPoints)} points. Simplify it in the program that drew it`,
      )
    for (const [x, y] of course)
      if (!(Math.abs(x) <= farthest && Math.abs(y) <= farthest))
        throw new NoOutline(
          'A place in the file is no number, or farther out than anything can be: save it anew in the program that drew it',
        )
    this.all.push(course)
  }
}

/** Reads a file by `read`, and turns whatever goes wrong on the way into a message. */
export function outlineBy(
  kind: string,
  read: (courses: Courses) => number | undefined,
): OutlineResult {
  const courses = new Courses()
  try {
    return outlineOf(courses.all, read(courses), kind)
  } catch (error) {
    if (error instanceof NoOutline) return { ok: false, message: error.message }
    const isDeep = error instanceof RangeError
    const why = isDeep ? 'it is nested too deep' : messageOf(error)
    return { ok: false, message: `The ${kind} file cannot be read: ${why}` }
  }
}

/** Courses that a plan keeps at most; what is drawn of them is made simpler first. */
const mostCourses = 500

/** Ends nearer than this, as a share of the outline's size, are one place. */
const touching = 1e-6

/** Checks what was read from a file and joins courses that meet. */
function outlineOf(
  courses: readonly (readonly Point[])[],
  mmPerUnit: number | undefined,
  kind: string,
): OutlineResult {
  const lit = courses.filter((course) => course.length > 1 && courseMm(course) > 0)
  if (lit.length === 0)
    return {
      ok: false,
      message: `The ${kind} file holds no outline: no line, arc, curve or polyline`,
    }
  const joined = joinedCourses(lit)
  if (joined.length > mostCourses)
    return {
      ok: false,
      message: `The file holds ${String(joined.length)} separate lines; at most ${String(mostCourses)}. Leave in it what is to be lit`,
    }
  return { ok: true, outline: { courses: joined, mmPerUnit } }
}

/** Courses whose ends meet become one; CAD files often hold an outline as loose lines. */
function joinedCourses(courses: readonly (readonly Point[])[]): Point[][] {
  const box = boxAround(courses.flat())
  const near = Math.max(box.width, box.height) * touching
  const key = ([x, y]: Point): string =>
    `${String(Math.round(x / near / 4))},${String(Math.round(y / near / 4))}`
  const joined: Point[][] = []
  const byEnd = new Map<string, Point[]>()
  for (const course of courses) {
    const [first, last] = [course[0], course.at(-1)]
    if (first === undefined || last === undefined) continue
    const before = byEnd.get(key(first))
    if (before?.at(-1) !== undefined) {
      byEnd.delete(key(first))
      for (const point of course.slice(1)) before.push(point)
      byEnd.set(key(last), before)
      continue
    }
    const own = [...course]
    joined.push(own)
    if (distance(first, last) > near) byEnd.set(key(last), own)
  }
  return joined
}

/** The outline as a plan keeps it: in mm, with true lengths, and no more points than its drawing needs. */
export function traceOf({ courses }: Outline, mmPerUnit: number, source: string): Trace {
  const box = boxAround(courses.flat())
  const tolerance = (Math.max(box.width, box.height) * mmPerUnit) / 4_000
  return {
    source: source.slice(0, 200),
    courses: courses.map((course) => {
      const points = course.map(([x, y]): Point => [x * mmPerUnit, y * mmPerUnit])
      return {
        lengthMm: courseMm(points),
        points: simplified(points, tolerance).map(([x, y]): [number, number] => [
          Math.round(x * 1000) / 1000,
          Math.round(y * 1000) / 1000,
        ]),
      }
    }),
  }
}

/**
 * Leaves out points that lie nearer than `tolerance` to the line between those that stay (Douglas and Peucker 1973). With a stack of its
 * own: a spiral would go too deep for the other kind.
 */
export function simplified(points: readonly Point[], tolerance: number): Point[] {
  const keep = new Uint8Array(points.length)
  keep[0] = 1
  keep[points.length - 1] = 1
  const waiting: [number, number][] = [[0, points.length - 1]]
  for (let range = waiting.pop(); range !== undefined; range = waiting.pop()) {
    const [from, to] = range
    let [farthest, at] = [tolerance, -1]
    for (let index = from + 1; index < to; index += 1) {
      const away = distanceToLine(points[index], points[from], points[to])
      if (away > farthest) [farthest, at] = [away, index]
    }
    if (at < 0) continue
    keep[at] = 1
    waiting.push([from, at], [at, to])
  }
  return points.filter((_, index) => keep[index] === 1)
}

function distanceToLine(
  point: Point | undefined,
  from: Point | undefined,
  to: Point | undefined,
): number {
  if (point === undefined || from === undefined || to === undefined) return 0
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  const size = dx * dx + dy * dy
  const t =
    size === 0
      ? 0
      : Math.max(0, Math.min(1, ((point[0] - from[0]) * dx + (point[1] - from[1]) * dy) / size))
  return distance(point, [from[0] + t * dx, from[1] + t * dy])
}
