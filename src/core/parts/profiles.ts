/** An aluminium profile that a strip lies in. *Typical* figures (handbook 10, profile-cut). */
export interface Profile {
  readonly id: string
  readonly name: string
  /** Between its walls, mm: strip and sleeve must fit. */
  readonly innerWidthMm: number
  /** From the strip to its cover, mm. */
  readonly depthMm: number
  /** Width of its aluminium rolled out, mm: what gives off heat. */
  readonly developedMm: number
  /** An angled one has end caps that fit one end only. */
  readonly beam: 'straight' | 'angled'
  /** Of an angled one: the end, seen from the front, whose cap lets the wire through. */
  readonly wireEnd?: 'left' | 'right'
  /** Bars as they are sold. */
  readonly bars: readonly { readonly lengthMm: number; readonly price: number }[]
  /** Of a metre of cover, sold in the same lengths. */
  readonly coverPricePerM: number
  /** Of one end cap. */
  readonly capPrice: number
}

/** What a hacksaw takes away, mm. */
export const sawKerfMm = 2

const bars = (pricePerM: number): Profile['bars'] =>
  [1, 2].map((lengthM) => ({
    lengthMm: lengthM * 1000,
    price: Math.round(pricePerM * lengthM * (lengthM === 1 ? 1.15 : 1) * 10) / 10,
  }))

export const profiles: readonly Profile[] = [
  {
    id: 'flat',
    name: 'flat profile, 12 mm inside',
    innerWidthMm: 12,
    depthMm: 6,
    developedMm: 35,
    beam: 'straight',
    bars: bars(4),
    coverPricePerM: 1.6,
    capPrice: 0.4,
  },
  {
    id: 'deep',
    name: 'deep profile, 12 mm inside',
    innerWidthMm: 12,
    depthMm: 13,
    developedMm: 55,
    beam: 'straight',
    bars: bars(5.5),
    coverPricePerM: 1.8,
    capPrice: 0.5,
  },
  {
    id: 'corner',
    name: 'corner profile at 45°, 11 mm inside',
    innerWidthMm: 11,
    depthMm: 9,
    developedMm: 45,
    beam: 'angled',
    wireEnd: 'left',
    bars: bars(5),
    coverPricePerM: 1.7,
    capPrice: 0.5,
  },
  {
    id: 'wide',
    name: 'wide profile, 20 mm inside',
    innerWidthMm: 20,
    depthMm: 18,
    developedMm: 80,
    beam: 'straight',
    bars: bars(8),
    coverPricePerM: 2.6,
    capPrice: 0.7,
  },
]

export const profileOf = (id: string): Profile | undefined =>
  profiles.find((profile) => profile.id === id)
