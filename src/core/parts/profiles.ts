import type { Profile } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { merged, ownOrShipped } from './find-strips'

/** What a hacksaw takes away, mm. */
export const sawKerfMm = 2

const bars = (pricePerM: number): Profile['bars'] =>
  [1, 2].map((lengthM) => ({
    lengthMm: lengthM * 1000,
    price: Math.round(pricePerM * lengthM * (lengthM === 1 ? 1.15 : 1) * 10) / 10,
  }))

/** The profiles that ship, *typical* figures (handbook 3, warmth, and 10, profile-cut). */
export const shippedProfiles: readonly Profile[] = [
  {
    id: 'flat',
    name: 'small U profile 17 × 8, 12 mm inside',
    shape: 'u',
    innerWidthMm: 12,
    depthMm: 6,
    exposedMm: { screwed: 33, free: 45 },
    beam: 'straight',
    bars: bars(4),
    coverPricePerM: 1.6,
    capPrice: 0.4,
  },
  {
    id: 'deep',
    name: 'deep profile, 12 mm inside',
    shape: 'deep',
    innerWidthMm: 12,
    depthMm: 13,
    exposedMm: { screwed: 55, free: 70 },
    beam: 'straight',
    bars: bars(5.5),
    coverPricePerM: 1.8,
    capPrice: 0.5,
  },
  {
    id: 'corner',
    name: 'corner profile at 45°, 11 mm inside',
    shape: 'corner',
    innerWidthMm: 11,
    depthMm: 9,
    exposedMm: { screwed: 45, free: 65 },
    beam: 'angled',
    wireEnd: 'left',
    bars: bars(5),
    coverPricePerM: 1.7,
    capPrice: 0.5,
  },
  {
    id: 'wide',
    name: 'wide profile, 20 mm inside',
    shape: 'deep',
    innerWidthMm: 20,
    depthMm: 18,
    exposedMm: { screwed: 80, free: 104 },
    beam: 'straight',
    bars: bars(8),
    coverPricePerM: 2.6,
    capPrice: 0.7,
  },
  {
    id: 'bar-25',
    name: 'flat bar 25 × 2',
    shape: 'bar',
    innerWidthMm: 25,
    depthMm: 0,
    exposedMm: { screwed: 29, free: 54 },
    beam: 'straight',
    bars: bars(2.5),
    coverPricePerM: 0,
    capPrice: 0,
  },
  {
    id: 'round-bend',
    name: 'bendable round profile, 10 mm inside',
    shape: 'round',
    innerWidthMm: 10,
    depthMm: 12,
    exposedMm: { screwed: 32, free: 44 },
    beam: 'straight',
    bendRadiusMm: 200,
    bars: bars(9),
    coverPricePerM: 3,
    capPrice: 0.6,
  },
]

/** Own parts that a mount is read with. */
export type OwnProfiles = Pick<Plan['own'], 'profiles'>

/** The profiles of a plan: the user's own first, then those that ship. */
export const profilesOf = ({ profiles }: OwnProfiles): readonly Profile[] =>
  merged(profiles, shippedProfiles)

export const profileOf = (own: OwnProfiles, id: string | undefined): Profile | undefined =>
  id === undefined ? undefined : ownOrShipped(own.profiles, shippedProfiles, id)
