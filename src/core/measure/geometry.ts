/** A place on the drawing in mm: x to the right, y down. */
export type Point = readonly [x: number, y: number]

/** The sides of an upright rectangle around something, in mm. */
export interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

const radians = (degrees: number): number => (degrees * Math.PI) / 180

/** Length of a circle, mm. */
export const ringMm = (diameterMm: number): number => Math.PI * diameterMm

/** Length of a part of a circle, mm. */
export const arcMm = (radiusMm: number, degrees: number): number => radiusMm * radians(degrees)

/** Length of a strip wound around a pole, mm: each turn is the diagonal of circumference and pitch. */
export const helixMm = (diameterMm: number, pitchMm: number, turns: number): number =>
  turns * Math.hypot(Math.PI * diameterMm, pitchMm)

export const distance = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay)

/** From `start` in a direction; 0° is to the right, 90° down. */
export function step([x, y]: Point, degrees: number, mm: number): Point {
  return [x + mm * Math.cos(radians(degrees)), y + mm * Math.sin(radians(degrees))]
}

/**
 * Points along an arc, close enough together that no chord strays more than a thousandth of the radius.
 *
 * @param fromDegrees where it starts, seen from the centre; 0° is to the right, 90° down
 * @param degrees how far it goes, clockwise on the drawing; negative the other way
 */
export function arcPoints(
  centre: Point,
  radiusMm: number,
  fromDegrees: number,
  degrees: number,
): Point[] {
  // A chord over angle a strays r (1 − cos(a/2)): 5° strays 0.00095 r.
  const chords = Math.max(1, Math.ceil(Math.abs(degrees) / 5))
  return Array.from({ length: chords + 1 }, (_, index) =>
    step(centre, fromDegrees + (degrees * index) / chords, radiusMm),
  )
}

export function boxAround(points: Iterable<Point>): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const [x, y] of points) {
    left = Math.min(left, x)
    top = Math.min(top, y)
    right = Math.max(right, x)
    bottom = Math.max(bottom, y)
  }
  return left > right
    ? { x: 0, y: 0, width: 0, height: 0 }
    : { x: left, y: top, width: right - left, height: bottom - top }
}

/** Turns a point clockwise on the drawing around another. */
export function turned([x, y]: Point, [cx, cy]: Point, degrees: number): Point {
  if (degrees === 0) return [x, y]
  const [sin, cos] = [Math.sin(radians(degrees)), Math.cos(radians(degrees))]
  const [dx, dy] = [x - cx, y - cy]
  return [cx + dx * cos - dy * sin, cy + dx * sin + dy * cos]
}

/** The way along right angles from one point to another, mm. */
export const squareWay = ([ax, ay]: Point, [bx, by]: Point): number =>
  Math.abs(bx - ax) + Math.abs(by - ay)

/** Length of a course of straight bits, mm. */
export const courseMm = (points: readonly Point[]): number =>
  points.reduce((sum, point, index) => {
    const before = points[index - 1]
    return before === undefined ? sum : sum + distance(before, point)
  }, 0)

/**
 * What of a course lies between two shares of its length.
 *
 * @param from share at which it begins, 0–1
 * @param to share at which it ends, `from`–1
 * @returns points of the part, at least two
 */
export function partOf(points: readonly Point[], from: number, to: number): Point[] {
  if (from <= 0 && to >= 1) return [...points]
  const total = courseMm(points)
  const part: Point[] = [pointAlong(points, from)]
  let gone = 0
  for (const [index, point] of points.entries()) {
    const before = points[index - 1]
    if (before !== undefined) gone += distance(before, point)
    if (gone > from * total && gone < to * total) part.push(point)
  }
  part.push(pointAlong(points, to))
  return part
}

/** The point half way along a course, or of an arc one of its own points near there. */
export function middleOf(points: readonly Point[]): Point {
  const [first = [0, 0], last = first]: (Point | undefined)[] = [points[0], points.at(-1)]
  if (points.length === 2) return [(first[0] + last[0]) / 2, (first[1] + last[1]) / 2]
  return points[Math.floor(points.length / 2)] ?? first
}

/** The point at a share of a course's length, 0–1. */
export function pointAlong(points: readonly Point[], share: number): Point {
  let left = courseMm(points) * share
  for (const [index, point] of points.entries()) {
    const before = points[index - 1]
    if (before === undefined) continue
    const bit = distance(before, point)
    if (left <= bit && bit > 0) {
      const t = Math.max(0, left) / bit
      return [before[0] + (point[0] - before[0]) * t, before[1] + (point[1] - before[1]) * t]
    }
    left -= bit
  }
  return points.at(-1) ?? [0, 0]
}

/**
 * Smallest radius at which a course bends, mm; infinite for straight ones. Points of an arc lie on it, so that three neighbours give its
 * radius; turns of more than 40° between two bits are corners, not bends.
 */
export function tightestRadiusMm(points: readonly Point[]): number {
  let tightest = Infinity
  for (let index = 2; index < points.length; index += 1) {
    const [a, b, c] = [points[index - 2], points[index - 1], points[index]]
    if (a === undefined || b === undefined || c === undefined) continue
    const cross = Math.abs((b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]))
    const [ab, bc, ca] = [distance(a, b), distance(b, c), distance(c, a)]
    const isCorner = ca < Math.cos(radians(20)) * (ab + bc)
    if (cross > 1e-9 * ab * bc && !isCorner)
      tightest = Math.min(tightest, (ab * bc * ca) / (2 * cross))
  }
  return tightest
}
