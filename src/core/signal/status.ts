import type { StatusColour } from '../plan/plan'

/** How a colour is seen: by most, or without one of the three kinds of cones. */
export const visions = ['normal', 'protan', 'deutan', 'tritan'] as const
export type Vision = (typeof visions)[number]

type Triple = readonly [number, number, number]

/** In linear RGB, for a whole cone missing: Machado, Oliveira and Fernandes 2009. */
const seenThrough: Readonly<Record<Exclude<Vision, 'normal'>, readonly [Triple, Triple, Triple]>> =
  {
    protan: [
      [0.152286, 1.052583, -0.204868],
      [0.114503, 0.786281, 0.099216],
      [-0.003882, -0.048116, 1.051998],
    ],
    deutan: [
      [0.367322, 0.860646, -0.227968],
      [0.280085, 0.672501, 0.047413],
      [-0.01182, 0.04294, 0.968881],
    ],
    tritan: [
      [1.255528, -0.076749, -0.178779],
      [-0.078411, 0.930809, 0.147602],
      [0.004733, 0.691367, 0.3039],
    ],
  }

/** Apart by less than this, colours of a small light are taken for each other; ΔE of CIE 1976. */
export const alikeBelow = 25

const toLinear = (value: number): number =>
  value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4
const toScreen = (value: number): number =>
  value <= 0.0031308 ? value * 12.92 : 1.055 * value ** (1 / 2.4) - 0.055

/** `#rrggbb` as linear light, 0–1. */
function linearOf(colour: string): Triple {
  const at = (from: number): number => toLinear(parseInt(colour.slice(from, from + 2), 16) / 255)
  return [at(1), at(3), at(5)]
}

const within = (value: number): number => Math.min(1, Math.max(0, value))

function seenLinear(colour: string, vision: Vision): Triple {
  const [r, g, b] = linearOf(colour)
  if (vision === 'normal') return [r, g, b]
  const [red, green, blue] = seenThrough[vision]
  const row = ([x, y, z]: Triple): number => within(x * r + y * g + z * b)
  return [row(red), row(green), row(blue)]
}

/** How a colour looks to an eye, as `#rrggbb`. */
export const seenAs = (colour: string, vision: Vision): string =>
  `#${seenLinear(colour, vision)
    .map((value) =>
      Math.round(within(toScreen(value)) * 255)
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`

/** L*, a* and b* under D65 (CIE 1976). */
function labOf([r, g, b]: Triple): Triple {
  const x = (0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505
  const y = 0.2126 * r + 0.7152 * g + 0.0722 * b
  const z = (0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089
  const f = (value: number): number =>
    value > 0.008856 ? Math.cbrt(value) : 7.787 * value + 16 / 116
  return [116 * f(y) - 16, 500 * (f(x) - f(y)), 200 * (f(y) - f(z))]
}

/** How far apart two colours are for an eye: ΔE of CIE 1976, 0 for the same. */
export function apart(one: string, other: string, vision: Vision): number {
  const [a, b] = [labOf(seenLinear(one, vision)), labOf(seenLinear(other, vision))]
  return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
}

/** What a colour of a small light is called across a room; `undefined` for those that nobody mixes up. */
function calledAs(colour: string): 'white' | 'yellow' | 'red' | 'magenta' | undefined {
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)) as [
    number,
    number,
    number,
  ]
  const most = Math.max(r, g, b)
  const spread = most - Math.min(r, g, b)
  if (spread <= whitest * most) return 'white'
  const sixth =
    most === r ? (g - b) / spread : most === g ? (b - r) / spread + 2 : (r - g) / spread + 4
  const hue = (60 * sixth + 360) % 360
  if (hue >= 40 && hue <= 75) return 'yellow'
  if (hue >= 345 || hue < 15) return 'red'
  return hue >= 285 ? 'magenta' : undefined
}
/** Colours whose parts differ by no more than this share of the largest look white. *Typical.* */
const whitest = 0.25

/** A small bright light in white is taken for yellow, and one in red for magenta, by eyes that see all colours too (handbook 12). */
const isMixedUp = (one: string, other: string): boolean => {
  const names = new Set([calledAs(one), calledAs(other)])
  return (names.has('white') && names.has('yellow')) || (names.has('red') && names.has('magenta'))
}

/** Two meanings whose colours are taken for each other, and by whom. */
export interface AlikePair {
  readonly one: StatusColour
  readonly other: StatusColour
  readonly vision: Vision
  /** 0 where all eyes mix them up. */
  readonly deltaE: number
}

/** All pairs that are alike for some eye, each told for the eye for which they are most so. */
export function alikePairs(colours: readonly StatusColour[]): AlikePair[] {
  return colours.flatMap((one, index) =>
    colours.slice(index + 1).flatMap((other): AlikePair[] => {
      const [worst] = visions
        .map((vision) => ({
          one,
          other,
          vision,
          deltaE:
            vision === 'normal' && isMixedUp(one.colour, other.colour)
              ? 0
              : apart(one.colour, other.colour, vision),
        }))
        .toSorted((a, b) => a.deltaE - b.deltaE)
      return worst !== undefined && worst.deltaE < alikeBelow ? [worst] : []
    }),
  )
}

/** Bright colours that all four kinds of eyes tell apart, found by search: any two are 30 apart and more for each of them, and none is mixed up. */
export const safeColours: readonly string[] = [
  '#ffffff',
  '#ff0000',
  '#0000ff',
  '#80ff00',
  '#c080ff',
  '#ff8080',
]

/** The colours as they are, as long as they are told apart; others take the next safe one that is. */
export function madeDistinct(colours: readonly StatusColour[]): StatusColour[] {
  const kept: StatusColour[] = []
  for (const one of colours) {
    const isFree = (colour: string): boolean =>
      alikePairs([...kept, { ...one, colour }]).length === 0
    const colour = [one.colour, ...safeColours].find(isFree)
    kept.push({ ...one, colour: colour ?? one.colour })
  }
  return kept
}
