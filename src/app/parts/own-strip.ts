import { highestVolts, nameSchema, type Strip } from '../../core/plan/parts'
import { usualStripFacts } from '../../core/plan/upgrade'
import { z } from '../../core/quantity/z'

const number = (what: string, most: number) =>
  z
    .number({ error: `${what}?` })
    .positive('more than 0')
    .max(most, `at most ${String(most)}`)

/** What is asked for a strip of the user's own; the rest takes typical values. */
export const ownStripSchema = z.object({
  name: nameSchema,
  kind: z.enum(['pixels', 'plain']),
  volts: number('Volts', highestVolts),
  perM: number('How many to the metre', 1_000),
  /** Of each colour, for pixels. */
  channelMa: number('Milliamperes', 2_000),
  colours: z.enum(['rgb', 'rgbw']),
  wattsPerM: number('Watts to the metre', 200),
  cutPitchMm: number('Cut pitch', 5_000),
})
export type OwnStrip = z.output<typeof ownStripSchema>

export const ownStripStart: OwnStrip = {
  name: '',
  kind: 'pixels',
  volts: 5,
  perM: 60,
  channelMa: 20,
  colours: 'rgb',
  wattsPerM: 18,
  cutPitchMm: 16.7,
}

const channelNames = { rgb: ['red', 'green', 'blue'], rgbw: ['red', 'green', 'blue', 'white'] }

/** Knee and off voltage of a colour at 5 V, as a share of the strip's volts (handbook 4). */
const kneeShare: Readonly<Record<string, readonly [knee: number, off: number]>> = {
  red: [0.5, 0.34],
  green: [0.7, 0.52],
  blue: [0.72, 0.54],
  white: [0.72, 0.54],
}

/** The strip that was described. */
export function stripFrom(own: OwnStrip, id: string): Strip {
  const { volts, perM, wattsPerM, cutPitchMm } = own
  const isPixels = own.kind === 'pixels'
  // A pixel strip is cut between pixels: the pitch follows from the density and cannot disagree with it.
  const perCut = Math.max(1, Math.round((cutPitchMm * perM) / 1000))
  return {
    id,
    name: own.name,
    volts,
    light: isPixels
      ? {
          kind: 'pixels',
          perM,
          perCut,
          channels: channelNames[own.colours].map((name) => {
            const [knee, off] = kneeShare[name] ?? [0.7, 0.5]
            return { name, fullMa: own.channelMa, kneeV: knee * volts, offV: off * volts }
          }),
          idleMa: 0.7,
          bitsPerPixel: own.colours === 'rgb' ? 24 : 32,
          data: 'one-wire',
        }
      : {
          kind: 'plain',
          ledsPerM: perM,
          channels: [{ name: 'white', wattsPerM, forwardV: 0.72 * volts }],
        },
    cutPitchMm: isPixels ? (perCut * 1000) / perM : cutPitchMm,
    nameplateWPerM: wattsPerM,
    lumensPerM: 0,
    widthMm: 10,
    isSealed: false,
    railOhmPerM: 0.085,
    ...usualStripFacts,
    prewired: [],
    reels: [{ lengthMm: 5000, price: 0 }],
  }
}
