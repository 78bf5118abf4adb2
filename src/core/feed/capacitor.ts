import type { SupplyPart } from '../plan/parts'
import { isAtLeast } from '../quantity/round'

/** Ratings that are to be had, V (handbook 4). */
export const capacitorsV: readonly number[] = [10, 16, 25, 35, 50]

/** The capacitor at the first feed of pixels, µF, and what a source takes that does not start into more (handbook 4, inrush). */
const usualUf = 1000
const chargerUf = 100
const portUf = 10

/** A port of a computer gives no more than this, A; what gives more is a charger. */
const computerPortA = 0.9

/** The capacitor at the first feed of pixels on a supply, µF. */
export function capacitorUf(part: Pick<SupplyPart, 'kind' | 'ratedA'> | undefined): number {
  switch (part?.kind) {
    case 'usb-port':
      return isAtLeast(computerPortA, part.ratedA) ? portUf : chargerUf
    case 'usb-c':
      // Before power delivery has settled.
      return portUf
    case 'power-bank':
    case 'boosted-cell':
      return chargerUf
    default:
      return usualUf
  }
}

/** How much more than the highest volts it has to stand (handbook 4). */
export const capacitorShare = 1.5

/** The least that it must stand, V. */
export const leastCapacitorV = (highestV: number): number => capacitorShare * highestV

/** The smallest rating that stands the highest volts of its supply, `null` where none does. */
export const capacitorFor = (highestV: number): number | null =>
  capacitorsV.find((rating) => isAtLeast(rating, leastCapacitorV(highestV))) ?? null
