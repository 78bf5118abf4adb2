import type { NodeObject } from '../plan/plan'
import { boxAround, type Point } from './geometry'

/** The lights under something whose middle is at a place, mm: a round one by its diameter, a square one by its side. Its edge counts. */
export function covered(
  lights: readonly Point[],
  { shape, mm }: NodeObject,
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
 * The least and the most lights that something covers, wherever its middle lies between the outermost of them: tried at 41 × 41 places and
 * over every light, so that what lasts for less than a step may be missed.
 */
export function coverRange(
  lights: readonly Point[],
  object: NodeObject,
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
export const sureWithinMm = ({ shape, mm }: NodeObject): number =>
  shape === 'round' ? mm / Math.SQRT2 : mm
