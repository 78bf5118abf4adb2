import type { Strip } from '../plan/parts'

// Figures are typical starting values (handbook 4); a user changes them by adding a strip of their own.

type Channels = Extract<Strip['light'], { kind: 'pixels' }>['channels']

/** Red, green and blue of a 5 V pixel: knee and off voltages of handbook 4. */
const rgb5 = (fullMa: number): Channels => [
  { name: 'red', fullMa, kneeV: 2.5, offV: 1.7 },
  { name: 'green', fullMa, kneeV: 3.5, offV: 2.6 },
  { name: 'blue', fullMa, kneeV: 3.6, offV: 2.7 },
]

/** Three LEDs of a colour in series, as in 12 V pixels. */
const rgb12: Channels = [
  { name: 'red', fullMa: 20, kneeV: 6.9, offV: 5.4 },
  { name: 'green', fullMa: 20, kneeV: 9.6, offV: 8 },
  { name: 'blue', fullMa: 20, kneeV: 9.9, offV: 8.2 },
]

/** Rail copper, Ω/m: 2 oz and 1 oz/ft², 3 mm wide (handbook 3). */
const heavyCopper = 0.085
const lightCopper = 0.17

/** Half a metre and a metre with plugs at both ends, at a metre's price of the longest reel and what the plugs add. */
function prewired(reels: Strip['reels']): Strip['prewired'] {
  const longest = reels.toSorted((a, b) => b.lengthMm - a.lengthMm)[0]
  const perM = longest === undefined ? 0 : (longest.price / longest.lengthMm) * 1000
  return [0.5, 1].map((lengthM) => m(lengthM, Math.round((perM * lengthM * 1.2 + 1.6) * 10) / 10))
}

interface PixelStrip {
  readonly id: string
  readonly name: string
  readonly perM: number
  readonly channels: Channels
  readonly reels: Strip['reels']
  readonly volts?: number
  readonly data?: 'one-wire' | 'clocked'
  readonly lumensPerM: number
  readonly widthMm?: number
  /** Its LEDs look sideways, so that it bends in its own plane. */
  readonly isSide?: boolean
}

function pixels(part: PixelStrip): Strip {
  const { id, name, perM, channels, reels, lumensPerM } = part
  const { volts = 5, data = 'one-wire', widthMm = 10, isSide = false } = part
  const fullMa = channels.reduce((sum, channel) => sum + channel.fullMa, 0)
  return {
    id,
    name,
    volts,
    light: {
      kind: 'pixels',
      perM,
      perCut: 1,
      channels,
      idleMa: volts === 12 ? 1 : 0.7,
      bitsPerPixel: channels.length * 8,
      data,
      // A 12 V pixel makes the 5 V of its chip itself.
      ...(volts > 6 && { chipV: 5 }),
    },
    cutPitchMm: 1000 / perM,
    nameplateWPerM: Math.round((perM * fullMa * volts) / 100) / 10,
    lumensPerM,
    widthMm,
    isSealed: false,
    railOhmPerM: heavyCopper,
    flatRadiusMm: 15,
    edgeRadiusMm: isSide ? 40 : null,
    spliceMm: 500,
    reels,
    prewired: prewired(reels),
  }
}

/** Pixels in a bead each, with wire between them: sold as strings with a plug at each end. */
function nodes(volts: 5 | 12, price: number): Strip {
  const wireMm = 100
  return {
    ...pixels({
      id: `nodes-${String(volts)}v`,
      name: `${String(volts)} V pixel nodes on wire, 50 to a string`,
      perM: 1000 / wireMm,
      channels: volts === 12 ? rgb12 : rgb5(20),
      volts,
      lumensPerM: 100,
      reels: [{ lengthMm: stringOf * wireMm, price }],
      widthMm: 12,
    }),
    // A pair of 0.5 mm², and the plugs.
    railOhmPerM: 0.04,
    flatRadiusMm: 10,
    edgeRadiusMm: 10,
    isSealed: true,
    spliceMm: stringOf * wireMm,
    prewired: [],
    nodesPerString: stringOf,
  }
}
const stringOf = 50

interface PlainStrip {
  readonly id: string
  readonly name: string
  readonly volts: number
  readonly wattsPerM: number
  readonly cutPitchMm: number
  readonly ledsPerM: number
  readonly colours?: readonly string[]
  readonly lumensPerM: number
  readonly reels: Strip['reels']
}

/** Forward volts of a group of white LEDs in series, by the strip's volts (handbook 4). */
const groupForwardV: Readonly<Record<number, number>> = { 5: 2.9, 12: 8.7, 24: 20.3 }

/** Whites by how they are called, K. *Typical*: each strip is sold in several. */
const whites: Readonly<Record<string, number>> = {
  white: 4000,
  'warm white': 2700,
  'cool white': 6000,
}

function plain(part: PlainStrip): Strip {
  const { id, name, volts, wattsPerM, cutPitchMm, ledsPerM, lumensPerM, reels } = part
  const { colours = ['white'] } = part
  return {
    id,
    name,
    volts,
    light: {
      kind: 'plain',
      ledsPerM,
      channels: colours.map((colour) => ({
        name: colour,
        wattsPerM: wattsPerM / colours.length,
        forwardV: groupForwardV[volts] ?? 0,
        ...(whites[colour] !== undefined && { kelvin: whites[colour] }),
      })),
    },
    cutPitchMm,
    nameplateWPerM: wattsPerM,
    lumensPerM,
    widthMm: 8,
    isSealed: false,
    railOhmPerM: lightCopper,
    flatRadiusMm: volts === 24 ? 25 : 20,
    edgeRadiusMm: null,
    spliceMm: 500,
    reels,
    prewired: prewired(reels),
  }
}

function m(lengthM: number, price: number): Strip['reels'][number] {
  return { lengthMm: lengthM * 1000, price }
}

/** The strips that ship, in the order in which a list shows them. */
export const shippedStrips: readonly Strip[] = [
  pixels({
    id: 'pixels-5v-30',
    name: '5 V RGB pixels, 30/m',
    perM: 30,
    channels: rgb5(20),
    lumensPerM: 330,
    reels: [m(1, 6.5), m(5, 19)],
  }),
  pixels({
    id: 'pixels-5v-60',
    name: '5 V RGB pixels, 60/m',
    perM: 60,
    channels: rgb5(20),
    lumensPerM: 660,
    reels: [m(1, 9), m(2, 15), m(5, 29)],
  }),
  pixels({
    id: 'pixels-5v-144',
    name: '5 V RGB pixels, 144/m',
    perM: 144,
    channels: rgb5(20),
    lumensPerM: 1580,
    reels: [m(1, 17), m(2, 31)],
    widthMm: 12,
  }),
  pixels({
    id: 'pixels-5v-30-low',
    name: '5 V RGB pixels, 30/m, low current',
    perM: 30,
    channels: rgb5(12),
    lumensPerM: 210,
    reels: [m(1, 6.5), m(5, 20)],
  }),
  pixels({
    id: 'pixels-5v-60-low',
    name: '5 V RGB pixels, 60/m, low current',
    perM: 60,
    channels: rgb5(12),
    lumensPerM: 420,
    reels: [m(1, 9), m(2, 15), m(5, 30)],
  }),
  pixels({
    id: 'pixels-5v-144-low',
    name: '5 V RGB pixels, 144/m, low current',
    perM: 144,
    channels: rgb5(12),
    lumensPerM: 1000,
    reels: [m(1, 17), m(2, 31)],
    widthMm: 12,
  }),
  pixels({
    id: 'pixels-5v-60-rgbw',
    name: '5 V RGBW pixels, 60/m',
    perM: 60,
    channels: [...rgb5(20), { name: 'white', fullMa: 20, kneeV: 3.6, offV: 2.7 }],
    lumensPerM: 1080,
    reels: [m(1, 13), m(5, 44)],
    widthMm: 12,
  }),
  pixels({
    id: 'pixels-5v-60-clocked',
    name: '5 V RGB pixels, 60/m, data and clock',
    perM: 60,
    channels: rgb5(20),
    data: 'clocked',
    lumensPerM: 660,
    reels: [m(1, 14), m(5, 48)],
  }),
  pixels({
    id: 'pixels-5v-60-side',
    name: '5 V RGB pixels, 60/m, side-emitting',
    perM: 60,
    channels: rgb5(20),
    lumensPerM: 560,
    reels: [m(1, 13), m(5, 46)],
    widthMm: 6,
    isSide: true,
  }),
  pixels({
    id: 'pixels-12v-20',
    name: '12 V RGB pixels, 20/m of three LEDs',
    perM: 20,
    channels: rgb12,
    volts: 12,
    lumensPerM: 600,
    reels: [m(5, 27)],
  }),
  nodes(5, 17),
  nodes(12, 19),
  plain({
    id: 'white-usb',
    name: '5 V white, USB plug',
    volts: 5,
    wattsPerM: 4.8,
    cutPitchMm: 1000 / 60,
    ledsPerM: 60,
    lumensPerM: 380,
    reels: [m(1, 5), m(2, 8), m(5, 15)],
  }),
  plain({
    id: 'white-12v-5',
    name: '12 V white, 4.8 W/m',
    volts: 12,
    wattsPerM: 4.8,
    cutPitchMm: 50,
    ledsPerM: 60,
    lumensPerM: 430,
    reels: [m(5, 9)],
  }),
  plain({
    id: 'white-12v-10',
    name: '12 V white, 9.6 W/m',
    volts: 12,
    wattsPerM: 9.6,
    cutPitchMm: 25,
    ledsPerM: 120,
    lumensPerM: 900,
    reels: [m(5, 13)],
  }),
  plain({
    id: 'white-12v-14',
    name: '12 V white, 14.4 W/m',
    volts: 12,
    wattsPerM: 14.4,
    cutPitchMm: 50,
    ledsPerM: 60,
    lumensPerM: 1250,
    reels: [m(5, 17)],
  }),
  plain({
    id: 'white-24v-10',
    name: '24 V white, 9.6 W/m',
    volts: 24,
    wattsPerM: 9.6,
    cutPitchMm: 50,
    ledsPerM: 140,
    lumensPerM: 960,
    reels: [m(5, 15), m(10, 27)],
  }),
  plain({
    id: 'white-24v-14',
    name: '24 V white, 14.4 W/m',
    volts: 24,
    wattsPerM: 14.4,
    cutPitchMm: 50,
    ledsPerM: 140,
    lumensPerM: 1400,
    reels: [m(5, 19), m(10, 34)],
  }),
  plain({
    id: 'white-24v-19',
    name: '24 V white, 19.2 W/m',
    volts: 24,
    wattsPerM: 19.2,
    cutPitchMm: 50,
    ledsPerM: 140,
    lumensPerM: 1850,
    reels: [m(5, 24), m(10, 43)],
  }),
  plain({
    id: 'rgb-12v-14',
    name: '12 V RGB, 14.4 W/m',
    volts: 12,
    wattsPerM: 14.4,
    cutPitchMm: 50,
    ledsPerM: 60,
    colours: ['red', 'green', 'blue'],
    lumensPerM: 550,
    reels: [m(5, 15)],
  }),
  plain({
    id: 'two-white-24v-14',
    name: '24 V two whites, 14.4 W/m',
    volts: 24,
    wattsPerM: 14.4,
    cutPitchMm: 50,
    ledsPerM: 140,
    colours: ['warm white', 'cool white'],
    lumensPerM: 1300,
    reels: [m(5, 26)],
  }),
  plain({
    id: 'phosphor-24v-10',
    name: '24 V continuous phosphor, 10 W/m',
    volts: 24,
    wattsPerM: 10,
    cutPitchMm: 25,
    ledsPerM: 320,
    lumensPerM: 950,
    reels: [m(5, 32)],
  }),
]
