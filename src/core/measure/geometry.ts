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
