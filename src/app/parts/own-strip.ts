import { highestVolts, nameSchema, stripSchema, type Strip } from '../../core/plan/parts'
import { usualStripFacts } from '../../core/plan/strip-facts'
import { z } from '../../core/quantity/z'
import { amount, checkPart } from './amount'

const pixelColours = {
  rgb: ['red', 'green', 'blue'],
  rgbw: ['red', 'green', 'blue', 'white'],
} as const
const plainColours = {
  white: ['white'],
  'two-white': ['warm white', 'cool white'],
  rgb: ['red', 'green', 'blue'],
  colour: ['colour'],
} as const

/** What is asked for a strip of the user's own: the short form, and all other figures that sums use, which start at typical values. */
const fields = z.object({
  name: nameSchema,
  kind: z.enum(['pixels', 'plain']),
  volts: amount('Volts', highestVolts),
  perM: amount('How many to the metre', 1_000),
  cutPitchMm: amount('Cut pitch', 5_000),
  wattsPerM: amount('Watts to the metre', 200),
  /** Of pixels: of each colour. */
  channelMa: amount('Milliamperes', 2_000),
  colours: z.enum(['rgb', 'rgbw']),
  idleMa: amount('Idle current', 100, 0),
  data: z.enum(['one-wire', 'clocked']),
  chipV: amount('The chip’s own volts', highestVolts).optional(),
  leastV: amount('The chip’s least volts', highestVolts).optional(),
  /** Of plain strips. */
  plainColours: z.enum(['white', 'two-white', 'rgb', 'colour']),
  forwardV: amount('Forward volts', highestVolts, 0).optional(),
  /** Of a single white, K. */
  kelvin: amount('Colour temperature', 20_000, 1_000).optional(),
  lumensPerM: amount('Lumens to the metre', 20_000, 0),
  widthMm: amount('Width', 200),
  railOhmPerM: amount('Copper', 10),
  isSealed: z.enum(['no', 'yes']),
  flatRadiusMm: amount('Smallest bend', 10_000),
  spliceMm: amount('Factory splice', 1_000_000),
  reelMm: amount('Reel', 1_000_000),
  reelPrice: amount('Price', 100_000, 0),
})
export type OwnStrip = z.output<typeof fields>

/** Which field of the form a part of the strip comes from, where they differ. */
const fieldOf: Readonly<Record<string, keyof OwnStrip>> = {
  'light.perCut': 'cutPitchMm',
  'light.perM': 'perM',
  'light.ledsPerM': 'perM',
  nameplateWPerM: 'wattsPerM',
  'reels.0.lengthMm': 'reelMm',
}

/** … checked as the plan checks it: what the form takes the plan takes too. */
export const ownStripSchema = fields.superRefine((own, context) => {
  if (own.kind === 'plain' && own.forwardV !== undefined && own.forwardV >= own.volts)
    context.addIssue({
      code: 'custom',
      path: ['forwardV'],
      message: 'Forward volts: less than the strip’s volts',
    })
  checkPart(
    stripSchema,
    stripFrom(own, 'own'),
    context,
    (path) => fieldOf[path.join('.')] ?? path.at(-1),
  )
})

export const ownStripStart: OwnStrip = {
  name: '',
  kind: 'pixels',
  volts: 5,
  perM: 60,
  channelMa: 20,
  colours: 'rgb',
  wattsPerM: 18,
  cutPitchMm: 16.7,
  idleMa: 0.7,
  data: 'one-wire',
  plainColours: 'white',
  lumensPerM: 0,
  widthMm: 10,
  railOhmPerM: 0.085,
  isSealed: 'no',
  flatRadiusMm: usualStripFacts.flatRadiusMm,
  spliceMm: usualStripFacts.spliceMm,
  reelMm: 5000,
  reelPrice: 0,
}

/** Knee and off voltage of a colour, as a share of the strip's volts (handbook 4). */
const kneeShare: Readonly<Record<string, readonly [knee: number, off: number]>> = {
  red: [0.5, 0.34],
  green: [0.7, 0.52],
  blue: [0.72, 0.54],
  white: [0.72, 0.54],
}

/** Forward volts of a plain strip, as a share of its volts. *Typical.* */
const forwardShare = 0.72

/** The strip that was described. */
export function stripFrom(own: OwnStrip, id: string): Strip {
  const { volts, perM, wattsPerM, cutPitchMm } = own
  const isPixels = own.kind === 'pixels'
  // A pixel strip is cut between pixels: the pitch follows from the density and cannot disagree with it.
  const perCut = Math.max(1, Math.round((cutPitchMm * perM) / 1000))
  const plain = plainColours[own.plainColours]
  return {
    id,
    name: own.name,
    volts,
    light: isPixels
      ? {
          kind: 'pixels',
          perM,
          perCut,
          channels: pixelColours[own.colours].map((name) => {
            const [knee, off] = kneeShare[name] ?? [0.7, 0.5]
            return { name, fullMa: own.channelMa, kneeV: knee * volts, offV: off * volts }
          }),
          idleMa: own.idleMa,
          bitsPerPixel: own.colours === 'rgb' ? 24 : 32,
          data: own.data,
          ...(own.chipV !== undefined && { chipV: own.chipV }),
          ...(own.leastV !== undefined && { leastV: own.leastV }),
        }
      : {
          kind: 'plain',
          ledsPerM: perM,
          channels: plain.map((name) => ({
            name,
            wattsPerM: wattsPerM / plain.length,
            forwardV: own.forwardV ?? forwardShare * volts,
            ...(own.kelvin !== undefined && own.plainColours === 'white' && { kelvin: own.kelvin }),
          })),
        },
    cutPitchMm: isPixels ? (perCut * 1000) / perM : cutPitchMm,
    nameplateWPerM: wattsPerM,
    lumensPerM: own.lumensPerM,
    widthMm: own.widthMm,
    isSealed: own.isSealed === 'yes',
    railOhmPerM: own.railOhmPerM,
    ...usualStripFacts,
    flatRadiusMm: own.flatRadiusMm,
    spliceMm: own.spliceMm,
    prewired: [],
    reels: [{ lengthMm: own.reelMm, price: own.reelPrice }],
  }
}
