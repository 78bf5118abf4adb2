import { isAtLeast } from '../quantity/round'

/** Ratings that are to be had, V (handbook 4). */
export const capacitorsV: readonly number[] = [6.3, 10, 16, 25, 35]

/** The capacitor that a supply's first feed takes, µF. */
export const capacitorUf = 1000

/** The least that it must stand, V: 1.25 × the supply. */
export const leastCapacitorV = (volts: number): number => 1.25 * volts

/** The smallest rating that stands the supply, `null` where none does. */
export const capacitorFor = (volts: number): number | null =>
  capacitorsV.find((rating) => isAtLeast(rating, leastCapacitorV(volts))) ?? null
