import { z } from '../quantity/z'
import { corners, gapPlaces, lengthUnits, roundings, sceneNames, sizings } from './choices'
import { idSchema, nameSchema, stripSchema, supplyPartSchema } from './parts'

export const planFormat = 'glow-tally plan'
export const planVersion = 1

/** Lines in one plan, at most; a longer list is refused with a message that says so. */
export const mostLines = 2_000

/** A line of the pad as it was typed, and what hangs on it. One line, one run. */
const lineSchema = z.strictObject({
  id: idSchema,
  text: z.string().max(500, 'a line holds at most 500 characters'),
  /** Letters that its pieces are named by, A1, A2 …; kept for good, since they are written on the strip. */
  tag: z
    .string()
    .regex(/^[A-Z]{1,3}$/, 'one to three capital letters')
    .optional(),
  /** The run's own strip; without one it takes the plan's. */
  stripId: idSchema.optional(),
  /** The supply that feeds it; without one it takes the plan's first. */
  supplyId: idSchema.optional(),
})

/** Where power comes from: a part, or `auto` for the smallest that will do. */
const supplySlotSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  part: z.union([z.literal('auto'), idSchema]),
})

/** The schools that practitioners differ on (handbook 5); every sum says which was used. */
const rulesSchema = z.strictObject({
  rounding: z.enum(roundings),
  /** At a corner: cut and joined by a jumper, or folded on. */
  corners: z.enum(corners),
  /** Where the dark rest of a piece lies, seen from the end where the wire enters. */
  gap: z.enum(gapPlaces),
  sizing: z.enum(sizings),
  /** Share of a supply that is kept free, 0–0.5. */
  headroom: z.number().min(0).max(0.5),
})

export const planSchema = z.strictObject({
  format: z.literal(planFormat),
  version: z.literal(planVersion),
  name: nameSchema,
  units: z.enum(lengthUnits),
  lines: z.array(lineSchema).max(mostLines),
  defaults: z.strictObject({ stripId: idSchema }),
  supplies: z.array(supplySlotSchema).min(1).max(50),
  scene: z.strictObject({
    shown: z.enum(sceneNames),
    /** Brightness of the scene `level`, 0–1. */
    level: z.number().min(0).max(1),
  }),
  /** Brightness that the program never exceeds, 0–1. */
  limit: z.number().positive().max(1),
  rules: rulesSchema,
  /** Rests of strip in the drawer that this plan may use up. */
  offcuts: z
    .array(z.strictObject({ id: idSchema, stripId: idSchema, lengthMm: z.number().positive() }))
    .max(200),
  /** The user's own parts that this plan uses. */
  own: z.strictObject({
    strips: z.array(stripSchema).max(500),
    supplies: z.array(supplyPartSchema).max(500),
  }),
})

/** The document: small, immutable, everything else is worked out from it. */
export type Plan = Readonly<z.infer<typeof planSchema>>
export type Line = Plan['lines'][number]
export type Offcut = Plan['offcuts'][number]
export type SupplySlot = Plan['supplies'][number]
export type Rules = Plan['rules']

/** A plan with nothing on its pad but one empty line to type on. */
export function emptyPlan(name: string, lineId: string): Plan {
  return {
    format: planFormat,
    version: planVersion,
    name,
    units: 'mm',
    lines: [{ id: lineId, text: '' }],
    defaults: { stripId: 'pixels-5v-60-low' },
    supplies: [{ id: 'supply-a', name: 'Supply A', part: 'auto' }],
    scene: { shown: 'full-white', level: 0.4 },
    limit: 1,
    rules: {
      rounding: 'inside',
      corners: 'jump',
      gap: 'far',
      sizing: 'full-white',
      headroom: 0.2,
    },
    offcuts: [],
    own: { strips: [], supplies: [] },
  }
}
