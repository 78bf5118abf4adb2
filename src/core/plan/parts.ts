import { z } from '../quantity/z'
import { pinAbilities } from './choices'

const notNegative = z.number().nonnegative()

/**
 * A figure above 0. Smaller ones than `least` are slips of the keyboard; older plans may hold one, and `readPlan` brings it to the least.
 */
const atLeast = (least: number): z.ZodNumber => z.number().min(least)
export const idSchema = z.string().regex(/^[\w-]{1,64}$/, 'letters, digits, - and _ only')
export const nameSchema = z
  .string()
  .trim()
  .min(1, 'a name is missing')
  .max(120, 'at most 120 characters')

/** Nothing above this is planned (handbook 0). */
export const highestVolts = 60
const voltsSchema = atLeast(0.5).max(highestVolts, 'at most 60 V: extra-low voltage only')

/** One colour of a pixel: full current at its knee and above, nothing at its off voltage and below. */
const channelSchema = z.strictObject({
  name: z.string().min(1).max(40),
  fullMa: atLeast(0.001).max(2_000),
  kneeV: atLeast(0.1).max(highestVolts),
  offV: notNegative.max(highestVolts),
})

/** One colour of a plain strip: a resistor behind a forward drop. */
const plainChannelSchema = z.strictObject({
  name: z.string().min(1).max(40),
  wattsPerM: atLeast(0.001).max(200),
  forwardV: notNegative.max(highestVolts),
  /** Of a white: its colour temperature, K. */
  kelvin: atLeast(1_000).max(20_000).optional(),
})

const pixelLightSchema = z.strictObject({
  kind: z.literal('pixels'),
  perM: atLeast(0.1).max(1_000),
  perCut: z.int().min(1).max(100),
  channels: z.array(channelSchema).min(1).max(6),
  /** What each pixel draws while dark, mA. */
  idleMa: notNegative.max(100),
  bitsPerPixel: z.int().min(8).max(96),
  data: z.enum(['one-wire', 'clocked']),
  /** Order in which its chip takes the colours, by their first letters; without one as is usual for its kind of data. */
  order: z
    .string()
    .regex(/^[A-Z]{1,6}$/, 'capital letters, one for each colour')
    .optional(),
  /** What its chip works on where that is less than the strip's volts: a 12 V pixel makes its own 5 V. */
  chipV: atLeast(0.5).max(highestVolts).optional(),
  /** Below this its chip no longer works reliably, V; 0.7 × its volts where not said. */
  leastV: atLeast(0.1).max(highestVolts).optional(),
})

const plainLightSchema = z.strictObject({
  kind: z.literal('plain'),
  ledsPerM: atLeast(0.1).max(2_000),
  channels: z.array(plainChannelSchema).min(1).max(6),
})

const soldLengthSchema = z.strictObject({
  lengthMm: atLeast(10).max(1_000_000),
  price: notNegative.max(100_000),
})

export const stripSchema = z
  .strictObject({
    id: idSchema,
    name: nameSchema,
    volts: voltsSchema,
    light: z.discriminatedUnion('kind', [pixelLightSchema, plainLightSchema]),
    cutPitchMm: atLeast(1).max(5_000),
    /** W/m as printed by its maker. */
    nameplateWPerM: atLeast(0.001).max(500),
    lumensPerM: notNegative.max(20_000),
    widthMm: atLeast(0.1).max(200),
    isSealed: z.boolean(),
    /** Resistance of each rail's copper, Ω/m. */
    railOhmPerM: atLeast(0.00001).max(10),
    /** Smallest radius it takes: bent flat, and in its own plane (`null` where it does not). */
    flatRadiusMm: atLeast(0.1).max(10_000),
    edgeRadiusMm: atLeast(0.1).max(10_000).nullable(),
    /** Every so often reels are soldered together at the factory, mm. */
    spliceMm: atLeast(10).max(1_000_000),
    reels: z.array(soldLengthSchema).min(1).max(20),
    /** Lengths that are sold with wires and plugs on them. */
    prewired: z.array(soldLengthSchema).max(20),
    /** Pixel nodes on wire: how many to a string. Its cut pitch is the wire from node to node. */
    nodesPerString: z.int().min(1).max(10_000).optional(),
    /** Its figures come from readings on the strip itself. */
    isMeasured: z.boolean().optional(),
  })
  .superRefine(({ cutPitchMm, spliceMm, reels, prewired }, context) => {
    const short = (path: (string | number)[], name: string): void => {
      context.addIssue({
        code: 'custom',
        path,
        message: `${name}: at least from one cut mark to the next`,
        params: { nearest: cutPitchMm },
      })
    }
    if (spliceMm < cutPitchMm) short(['spliceMm'], 'Factory splice')
    for (const [index, { lengthMm }] of reels.entries())
      if (lengthMm < cutPitchMm) short(['reels', index, 'lengthMm'], 'Reel')
    for (const [index, { lengthMm }] of prewired.entries())
      if (lengthMm < cutPitchMm) short(['prewired', index, 'lengthMm'], 'Length with plugs')
  })
export type Strip = z.infer<typeof stripSchema>

const supplyKinds = [
  'usb-port',
  'usb-c',
  'brick',
  'enclosed',
  'computer',
  'board-pin',
  'boosted-cell',
  'power-bank',
  'battery',
] as const

/** Cells of one chemistry; names of `parts/chemistries`. */
const batterySchema = z.strictObject({
  chemistry: z.string().min(1).max(40),
  /** What a cell holds as printed, Ah, where it is not the chemistry's usual. */
  ah: atLeast(0.001).max(1_000).optional(),
  inSeries: z.int().min(1).max(40),
  inParallel: z.int().min(1).max(100),
  /** The light, or the board, goes out below this, V at the terminals. */
  cutoffV: atLeast(0.1).max(highestVolts),
})

export const supplyPartSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  kind: z.enum(supplyKinds),
  volts: voltsSchema,
  ratedA: atLeast(0.001).max(1_000),
  /** Share of what it takes in that comes out, 0–1. */
  efficiency: atLeast(0.01).max(1),
  standbyW: notNegative.max(100),
  price: notNegative.max(100_000),
  /** What it lives on, where it is cells; behind a converter where its kind is `boosted-cell`. */
  battery: batterySchema.optional(),
  /** A power bank's energy, and the current below which it switches itself off. */
  bank: z
    .strictObject({ wattHours: atLeast(0.01).max(2_000), sleepsBelowA: notNegative.max(5) })
    .optional(),
  /** A linear regulator between its source and its pin: what goes in, and what it can burn. */
  regulator: z
    .strictObject({
      inV: atLeast(0.5).max(highestVolts),
      limitA: atLeast(0.001).max(50),
      limitW: atLeast(0.001).max(50),
    })
    .optional(),
})
export type SupplyPart = z.infer<typeof supplyPartSchema>

/** One pin of a board. */
const pinSchema = z.strictObject({
  name: z.string().min(1).max(20),
  can: z.array(z.enum(pinAbilities)).min(1),
  /** Volts of its high where they are not the board's: an output with a buffer behind it. */
  highV: atLeast(0.5).max(highestVolts).optional(),
})

export const boardSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Logic high, V. */
  highV: atLeast(0.5).max(highestVolts),
  pins: z.array(pinSchema).min(1).max(200),
  /** What one pin gives, and what all of them and its sensor pads give together, A. */
  pinA: atLeast(0.0001).max(10),
  allA: atLeast(0.0001).max(50),
  memoryBytes: atLeast(1).max(1e9),
  /** How it reckons: bits at a time, and millions of steps a second. */
  speed: z
    .strictObject({ bits: z.union([z.literal(8), z.literal(32)]), mhz: atLeast(1).max(5_000) })
    .optional(),
  /** What it runs on without a regulator of its own, V. */
  supplyV: atLeast(0.5).max(highestVolts),
  /** Its raw input and the linear regulator behind it. */
  raw: z
    .strictObject({
      fromV: atLeast(0.5).max(highestVolts),
      toV: atLeast(0.5).max(highestVolts),
      limitA: atLeast(0.001).max(50),
      limitW: atLeast(0.001).max(50),
    })
    .optional(),
  /** What it draws itself, and in bursts, A. */
  drawA: notNegative.max(10),
  burstA: notNegative.max(10).optional(),
  price: notNegative.max(100_000),
  /** Noted of it by its user: that it disturbs the timing of pixels, and how. */
  quirk: z.string().max(200).optional(),
})
export type Board = z.infer<typeof boardSchema>

/** Colours that an LED of several has, each on a leg of its own. */
const legColours = ['red', 'green', 'blue', 'white', 'warm white'] as const

const tintSchema = z.string().regex(/^#[\da-f]{6}$/, 'a colour such as #ffa000')

/** An LED of two or three colours: one leg that they have in common, and one a colour. */
const legsSchema = z.strictObject({
  common: z.enum(['minus', 'plus']),
  colours: z
    .array(
      z.strictObject({
        name: z.enum(legColours),
        /** Forward volts. */
        volts: voltsSchema,
        mA: atLeast(0.001).max(10_000),
        tint: tintSchema,
      }),
    )
    .min(2)
    .max(3),
})
export type LightLegs = z.infer<typeof legsSchema>
export type LegColour = LightLegs['colours'][number]

const lightFields = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** `led`: its resistor is worked out; `fixed`: it has one in it, and takes the volts it is made for. */
  kind: z.enum(['led', 'fixed']),
  /** Of an LED its forward volts (of several colours the highest), otherwise the volts that it is made for. */
  volts: voltsSchema,
  /** Of several colours the most that one takes. */
  mA: atLeast(0.001).max(10_000),
  /** LEDs in one of them. */
  leds: z.int().min(1).max(1_000),
  /** How it looks, all its colours lit. */
  tint: tintSchema,
  /** The hole that it goes into, mm. */
  holeMm: atLeast(0.1).max(1_000),
  price: notNegative.max(100_000),
  /** A lead of its own with a plug: how long, how thick the plug, and how many may hang on one lead of the source. */
  lead: z
    .strictObject({
      lengthMm: atLeast(1).max(100_000),
      plugMm: atLeast(0.1).max(200),
      mostOnLead: z.int().min(1).max(1_000),
    })
    .optional(),
  legs: legsSchema.optional(),
})

/** A single light: a bare LED that needs a resistor, or one that is made for its volts. */
export const lightPartSchema = lightFields.superRefine(({ kind, volts, mA, legs }, context) => {
  if (legs === undefined) return
  const wrong = (path: (string | number)[], message: string): void => {
    context.addIssue({ code: 'custom', path, message })
  }
  const { colours } = legs
  if (kind !== 'led') wrong(['legs'], 'only a bare LED has a leg for each colour')
  if (new Set(colours.map(({ name }) => name)).size < colours.length)
    wrong(['legs', 'colours'], 'each colour once')
  if (volts !== Math.max(...colours.map((one) => one.volts)))
    wrong(['volts'], 'the forward volts of the colour that takes the most')
  if (mA !== Math.max(...colours.map((one) => one.mA)))
    wrong(['mA'], 'the current of the colour that takes the most')
})
export type LightPart = z.infer<typeof lightPartSchema>

/** How an aluminium profile looks from its end. */
export const profileShapes = ['bar', 'u', 'deep', 'corner', 'round'] as const

/** An aluminium profile that a strip lies in, or a bar that it is stuck to. */
export const profileSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  shape: z.enum(profileShapes),
  /** Between its walls, mm: strip and sleeve must fit. */
  innerWidthMm: atLeast(1).max(500),
  /** From the strip to its cover, mm; 0 of a bar, which takes none. */
  depthMm: notNegative.max(500),
  /** Width of all its faces that meet the air, mm: what gives off heat (handbook 3, warmth). */
  exposedMm: z.strictObject({
    /** Screwed or glued flat to something. */
    screwed: atLeast(1).max(2_000),
    /** Hung free. */
    free: atLeast(1).max(2_000),
  }),
  /** An angled one has end caps that fit one end only. */
  beam: z.enum(['straight', 'angled']),
  /** Of an angled one: the end, seen from the front, whose cap lets the wire through. */
  wireEnd: z.enum(['left', 'right']).optional(),
  /** The smallest radius that it is bent to along its length, mm; without one it is straight. */
  bendRadiusMm: atLeast(1).max(100_000).optional(),
  /** Bars as they are sold. */
  bars: z.array(soldLengthSchema).min(1).max(20),
  /** Of a metre of cover, sold in the same lengths. */
  coverPricePerM: notNegative.max(10_000),
  /** Of one end cap. */
  capPrice: notNegative.max(10_000),
})
export type Profile = z.infer<typeof profileSchema>
