import { isAtLeast } from '../quantity/round'
import { z } from '../quantity/z'
import { ratings, resistorAtLeast, seriesNames } from './e-series'
import { defineSum, refuse } from './sum'

export const resistorSum = defineSum(
  'resistor',
  'The resistor in front of LEDs, the current that it really sets, and the power it has to stand.',
  z.strictObject({
    supplyV: z.number().positive().max(60),
    forwardV: z.number().nonnegative(),
    inSeries: z.int().min(1).max(100).default(1),
    currentA: z.number().positive(),
    series: z.enum(seriesNames).default('E24'),
    tolerance: z.number().min(0).lt(1).default(0.05),
  }),
  ({ supplyV, forwardV, inSeries, currentA, series, tolerance }) => {
    const leftV = supplyV - inSeries * forwardV
    if (leftV <= 0)
      refuse([
        {
          path: 'supplyV',
          message: `no headroom: ${String(inSeries)} × ${String(forwardV)} V leave nothing of ${String(supplyV)} V; put fewer in series or take more volts`,
        },
      ])
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
  },
)
