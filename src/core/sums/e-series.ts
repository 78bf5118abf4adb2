import { isAtLeast } from '../quantity/round'

/** Values of a decade, IEC 60063. */
const decades = {
  E6: [1, 1.5, 2.2, 3.3, 4.7, 6.8],
  E12: [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2],
  E24: [
    1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2,
    6.8, 7.5, 8.2, 9.1,
  ],
} as const

export const seriesNames = ['E6', 'E12', 'E24'] as const
type SeriesName = (typeof seriesNames)[number]

/** Powers that resistors are sold for, W (handbook 3, resistor). */
export const ratings = [1 / 16, 1 / 10, 1 / 8, 1 / 4, 1 / 2, 1, 2, 3, 5]

/** Values from a decade below to a decade above, smallest first. */
function around(ohm: number, series: SeriesName): number[] {
  const decade = Math.floor(Math.log10(ohm))
  return [decade - 1, decade, decade + 1].flatMap((power) =>
    decades[series].map((value) => Number((value * 10 ** power).toPrecision(3))),
  )
}

/** The next value up. */
export const resistorAtLeast = (ohm: number, series: SeriesName): number =>
  around(ohm, series).find((value) => isAtLeast(value, ohm)) ?? ohm

/** The next value down. */
export const resistorAtMost = (ohm: number, series: SeriesName): number =>
  around(ohm, series).findLast((value) => isAtLeast(ohm, value)) ?? ohm
