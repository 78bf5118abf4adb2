import { z } from '../quantity/z'
import { furnitureKinds } from './choices'
import { lengthSchema, placeSchema, pointSchema, shareSchema } from './measures'
import { idSchema } from './parts'

export const furnitureSchema = z.strictObject({
  id: idSchema,
  kind: z.enum(furnitureKinds),
  name: z.string().max(60),
  place: placeSchema,
  widthMm: lengthSchema,
  heightMm: lengthSchema,
})

/** A photo or sketch under the drawing. */
export const photoSchema = z.strictObject({
  /** The picture itself, as a data address of a JPEG or PNG. */
  data: z
    .string()
    .max(3_000_000, 'the picture is larger than 3 MB')
    .regex(/^data:image\/(?:jpeg|png|webp);base64,[\w+/=]*$/, 'a JPEG, PNG or WebP picture'),
  widthPx: z.int().min(1).max(10_000),
  heightPx: z.int().min(1).max(10_000),
  at: pointSchema,
  mmPerPx: z.number().min(0.0001).max(10_000),
  opacity: shareSchema,
})
