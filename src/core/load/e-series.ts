import type { ESeriesName } from '../plan/choices'
import { isAtLeast } from '../quantity/round'

/** Values of a decade, IEC 60063. E96 is its formula, rounded to three digits. */
const decades = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [
    1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2,
    6.8, 7.5, 8.2, 9.1,
  ],
  E96: Array.from({ length: 96 }, (_, step) => Number((10 ** (step / 96)).toPrecision(3))),
}

/** Powers that resistors are sold for, W (handbook 3, resistor). */
const ratings = [1 / 16, 1 / 10, 1 / 8, 1 / 4, 1 / 2, 1, 2, 3, 5]

/** Values from a decade below to a decade above, smallest first. */
function around(ohm: number, series: ESeriesName): number[] {
  const decade = Math.floor(Math.log10(ohm))
  return [decade - 1, decade, decade + 1].flatMap((power) =>
    decades[series].map((value) => Number((value * 10 ** power).toPrecision(3))),
  )
}

/** The next value up. */
export const resistorAtLeast = (ohm: number, series: ESeriesName): number =>
  around(ohm, series).find((value) => isAtLeast(value, ohm)) ?? ohm

/** The next value down. */
export const resistorAtMost = (ohm: number, series: ESeriesName): number =>
  around(ohm, series).findLast((value) => isAtLeast(ohm, value)) ?? ohm

export interface ResistorPick {
  readonly idealOhm: number
  readonly pickOhm: number
  readonly lowOhm: number
  readonly highOhm: number
  readonly currentA: number
  readonly powerW: number
  /** `null` where none that is sold stands twice the power. */
  readonly ratingW: number | null
}

/**
 * R = (supply − n × forward) / I, next value up; rated for at least twice its power (handbook 3, resistor).
 *
 * @returns `undefined` where the supply leaves nothing for it
 */
export function resistorFor({
  supplyV,
  forwardV,
  inSeries,
  currentA,
  series,
  tolerance,
}: {
  readonly supplyV: number
  readonly forwardV: number
  readonly inSeries: number
  readonly currentA: number
  readonly series: ESeriesName
  readonly tolerance: number
}): ResistorPick | undefined {
  const leftV = supplyV - inSeries * forwardV
  if (leftV <= 0) return undefined
  const idealOhm = leftV / currentA
  const pickOhm = resistorAtLeast(idealOhm, series)
  const realA = leftV / pickOhm
  const powerW = realA ** 2 * pickOhm
  return {
    idealOhm,
    pickOhm,
    lowOhm: pickOhm * (1 - tolerance),
    highOhm: pickOhm * (1 + tolerance),
    currentA: realA,
    powerW,
    ratingW: ratings.find((rating) => isAtLeast(rating, 2 * powerW)) ?? null,
  }
}
