import { z } from '../quantity/z'
import {
  corners,
  eSeriesNames,
  fixings,
  gapPlaces,
  lowLogics,
  roundings,
  sizings,
  usePlaces,
} from './choices'
import { shareSchema } from './measures'

/** The schools that practitioners differ on (handbook 5); every sum says which was used. */
export const rulesSchema = z.strictObject({
  rounding: z.enum(roundings),
  /** At a corner: cut and joined by a jumper, or folded on. */
  corners: z.enum(corners),
  /** Where the dark rest of a piece lies, seen from the end where the wire enters. */
  gap: z.enum(gapPlaces),
  sizing: z.enum(sizings),
  /** Share of a supply that is kept free, 0–0.5. */
  headroom: z.number().min(0).max(0.5),
  /** A piece may be joined of two, and what a join is worth. */
  joins: z.strictObject({ areAllowed: z.boolean(), price: z.number().min(0).max(10_000) }),
  /** Share by which a wire is longer than its way on the drawing. */
  slack: shareSchema,
  /** … and by so much at each of its ends, to strip and solder it, mm. */
  slackEndMm: z.number().min(0).max(1_000),
  /** Share of full brightness below which a light has faded. */
  keep: z.number().min(0.1).max(1),
  /** Minuses of all supplies are joined; their pluses never are. */
  joinsMinus: z.boolean(),
  lowLogic: z.enum(lowLogics),
  /** For LEDs: whose resistor, of which values, and how exact. */
  lightResistor: z.enum(['each', 'shared']),
  eSeries: z.enum(eSeriesNames),
  tolerance: z.number().min(0).max(0.5),
  /** Wires in the cable that bundles of single wires are bought as. */
  cableWires: z.int().min(2).max(50),
  /** Share of small parts that is bought on top: some break, some get lost. */
  spare: shareSchema,
  fixing: z.enum(fixings),
})

/** How the light is used: for batteries and for the meter. */
export const useSchema = z.strictObject({
  /** What a battery has to last, h. */
  batteryHours: z.number().min(0.01).max(10_000),
  /** Minutes of each scene in an hour of use; the rest is idle. */
  mix: z.strictObject({ fullWhite: z.number().min(0).max(60), level: z.number().min(0).max(60) }),
  hoursADay: z.number().min(0).max(24),
  /** Where care is due: on a body, with children, beside sockets or mains wiring. */
  where: z.array(z.enum(usePlaces)).max(usePlaces.length).optional(),
  pricePerKwh: z.number().min(0).max(100),
  /** A solar panel that charges its battery. */
  solar: z
    .strictObject({
      panelW: z.number().min(0).max(5_000),
      /** Peak sun hours: kWh/m² a day on the panel. */
      sunHours: z.number().min(0).max(24),
      chargeEfficiency: z.number().min(0.01).max(1),
      batteryWh: z.number().min(0).max(100_000),
      usableShare: z.number().min(0.01).max(1),
    })
    .optional(),
})
