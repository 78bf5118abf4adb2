import { boxAround, type Point } from './geometry'

/** Something that is laid on lights: a round one by its diameter, a square one by its side, mm. */
export interface LaidObject {
  readonly shape: 'round' | 'square'
  readonly mm: number
}

/** The lights that something covers whose middle is at a place: those under it, its edge counted. */
export function covered(
  lights: readonly Point[],
  { shape, mm }: LaidObject,
  [x, y]: Point,
): number[] {
  const reach = mm / 2 + 1e-9
  return lights.flatMap(([lightX, lightY], index) => {
    const [dx, dy] = [Math.abs(lightX - x), Math.abs(lightY - y)]
    const isUnder = shape === 'round' ? Math.hypot(dx, dy) <= reach : Math.max(dx, dy) <= reach
    return isUnder ? [index] : []
  })
}

/** Places to each side that something is tried at. */
const tries = 40

/**
 * The least and the most lights that something covers, wherever its middle lies between the outermost of them. Tried at 41 × 41 places
 * and over every light and gap: with few lights the answer is exact for all that is wider than a step.
 */
export function coverRange(
  lights: readonly Point[],
  object: LaidObject,
): { readonly least: number; readonly most: number } {
  if (lights.length === 0) return { least: 0, most: 0 }
  const { x, y, width, height } = boxAround(lights)
  let [least, most] = [Infinity, 0]
  const lay = (at: Point): void => {
    const count = covered(lights, object, at).length
    least = Math.min(least, count)
    most = Math.max(most, count)
  }
  for (let row = 0; row <= tries; row += 1)
    for (let column = 0; column <= tries; column += 1)
      lay([x + (width * column) / tries, y + (height * row) / tries])
  for (const light of lights) lay(light)
  return { least, most }
}

/** How close nodes of a square grid stand so that one is always covered, mm: the middle of four is the worst place. */
export const sureWithinMm = ({ shape, mm }: LaidObject): number =>
  shape === 'round' ? mm / Math.SQRT2 : mm
