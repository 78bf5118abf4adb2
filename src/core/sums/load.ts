import { loadOf } from '../load/load-of'
import { highestVolts } from '../plan/parts'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const loadSum = defineSum(
  'load',
  'What pixels draw at a brightness.',
  z.strictObject({
    pixels: z.number().nonnegative(),
    channelMa: z.array(z.number().nonnegative()).min(1),
    idleMa: z.number().nonnegative().default(0),
    level: z.number().min(0).max(1).default(1),
    volts: z.number().positive().max(highestVolts),
  }),
  loadOf,
)
