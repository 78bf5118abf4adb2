import type { NodeObject } from '../plan/plan'
import { boxAround, type Point } from './geometry'
import { listed } from '../quantity/listed'

/** Half of its size, mm, with a hair more: its edge counts. */
const reachOf = ({ mm }: NodeObject): number => mm / 2 + 1e-9

function isUnder(object: NodeObject, [lightX, lightY]: Point, [x, y]: Point): boolean {
  const [dx, dy, reach] = [Math.abs(lightX - x), Math.abs(lightY - y), reachOf(object)]
  return dx <= reach && dy <= reach && (object.shape === 'square' || Math.hypot(dx, dy) <= reach)
}

/** The lights under something whose middle is at a place, mm: a round one by its diameter, a square one by its side. */
export const covered = (lights: readonly Point[], object: NodeObject, at: Point): number[] =>
  lights.flatMap((light, index) => (isUnder(object, light, at) ? [index] : []))

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
  // Places by their x: for all of one x the same few lights are near.
  const tried = new Map<number, number[]>()
  const rows = Array.from({ length: tries + 1 }, (_, row) => y + (height * row) / tries)
  for (let column = 0; column <= tries; column += 1)
    tried.set(x + (width * column) / tries, [...rows])
  for (const [lightX, lightY] of lights) {
    listed(tried, lightX).push(lightY)
  }
  const reach = reachOf(object)
  let [least, most] = [Infinity, 0]
  for (const [atX, heights] of tried) {
    const near = lights.filter(([lightX]) => Math.abs(lightX - atX) <= reach)
    for (const atY of heights) {
      let count = 0
      for (const light of near) if (isUnder(object, light, [atX, atY])) count += 1
      least = Math.min(least, count)
      most = Math.max(most, count)
    }
  }
  return { least, most }
}

/** How close nodes of a square grid stand so that one is always covered, mm: the middle of four is the worst place. */
export const sureWithinMm = ({ shape, mm }: NodeObject): number =>
  shape === 'round' ? mm / Math.SQRT2 : mm
