import { z } from '../quantity/z'
import { defineSum } from './sum'

export const energySum = defineSum(
  'energy',
  'What a plan takes from the wall in a day and a year.',
  z.strictObject({
    watts: z.number().nonnegative(),
    idleWatts: z.number().nonnegative().default(0),
    hoursOnPerDay: z.number().min(0).max(24),
    pricePerKwh: z.number().nonnegative(),
    supplyEfficiency: z.number().positive().max(1).default(0.85),
  }),
  ({ watts, idleWatts, hoursOnPerDay, pricePerKwh, supplyEfficiency }) => {
    const wattHoursPerDay =
      (watts * hoursOnPerDay + idleWatts * (24 - hoursOnPerDay)) / supplyEfficiency
    const kwhPerYear = (wattHoursPerDay * 365) / 1000
    return { wattHoursPerDay, kwhPerYear, costPerYear: kwhPerYear * pricePerKwh }
  },
)
