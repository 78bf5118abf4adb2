import { nameSchema, profileSchema, profileShapes, type Profile } from '../../core/plan/parts'
import { z } from '../../core/quantity/z'
import { amount, checkPart } from './amount'

const fields = z.object({
  name: nameSchema,
  shape: z.enum(profileShapes),
  innerWidthMm: amount('Width inside', 500),
  /** Of a bar nothing: it takes no cover. */
  depthMm: amount('Depth to the cover', 500, 0),
  screwedMm: amount('Exposed, screwed flat', 2_000),
  freeMm: amount('Exposed, hung free', 2_000),
  beam: z.enum(['straight', 'angled']),
  wireEnd: z.enum(['left', 'right']),
  bendRadiusMm: amount('Bends to', 100_000).optional(),
  barMm: amount('Bar', 20_000),
  barPrice: amount('Price of a bar', 10_000, 0),
  coverPricePerM: amount('Cover', 10_000, 0),
  capPrice: amount('End cap', 10_000, 0),
})
export type OwnProfile = z.output<typeof fields>

/** The field of the form that a figure of the profile comes from. */
const fieldOf: Readonly<Record<string, keyof OwnProfile>> = {
  screwed: 'screwedMm',
  free: 'freeMm',
  lengthMm: 'barMm',
  price: 'barPrice',
}

/** What is asked for a profile of the user's own, checked as the plan checks it. */
export const ownProfileSchema = fields.superRefine((own, context) => {
  if (own.shape !== 'bar' && own.depthMm === 0)
    context.addIssue({
      code: 'custom',
      path: ['depthMm'],
      message: 'Depth to the cover: more than 0, or choose a flat bar',
    })
  if (own.freeMm < own.screwedMm)
    context.addIssue({
      code: 'custom',
      path: ['freeMm'],
      message: 'Exposed, hung free: at least what is exposed when it is screwed flat',
    })
  checkPart(profileSchema, profileFrom(own, 'own'), context, (path) => {
    const last = String(path.at(-1))
    return fieldOf[last] ?? last
  })
})

/** The form as it starts from a profile. */
export const ownProfileStart = (like: Profile): OwnProfile => ({
  name: '',
  shape: like.shape,
  innerWidthMm: like.innerWidthMm,
  depthMm: like.depthMm,
  screwedMm: like.exposedMm.screwed,
  freeMm: like.exposedMm.free,
  beam: like.beam,
  wireEnd: like.wireEnd ?? 'left',
  bendRadiusMm: like.bendRadiusMm,
  barMm: like.bars[0]?.lengthMm ?? 1000,
  barPrice: like.bars[0]?.price ?? 0,
  coverPricePerM: like.coverPricePerM,
  capPrice: like.capPrice,
})

/** The profile that was described. */
export function profileFrom(own: OwnProfile, id: string): Profile {
  const { name, shape, innerWidthMm, beam, wireEnd, bendRadiusMm, coverPricePerM, capPrice } = own
  return {
    id,
    name,
    shape,
    innerWidthMm,
    depthMm: shape === 'bar' ? 0 : own.depthMm,
    exposedMm: { screwed: own.screwedMm, free: own.freeMm },
    beam,
    ...(beam === 'angled' && { wireEnd }),
    ...(bendRadiusMm !== undefined && { bendRadiusMm }),
    bars: [{ lengthMm: own.barMm, price: own.barPrice }],
    coverPricePerM,
    capPrice,
  }
}
