import { energy } from '../feed/energy'
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
  energy,
)
