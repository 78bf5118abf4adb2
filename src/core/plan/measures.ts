import { z } from '../quantity/z'

/** Nothing on a drawing is farther away than this, mm. */
export const farthestMm = 1_000_000

const coordinate = z.number().min(-farthestMm).max(farthestMm)
/** A place on the drawing, or in a run's own outline, mm. */
export const pointSchema = z.tuple([coordinate, coordinate])
/** mm. */
export const lengthSchema = z.number().nonnegative().max(farthestMm)
/** Of a whole, 0–1. */
export const shareSchema = z.number().min(0).max(1)

/** Where the drawing puts something: its own 0,0, and how far it is turned clockwise. */
export const placeSchema = z.strictObject({
  x: coordinate,
  y: coordinate,
  degrees: z.number().min(-360).max(360),
})
