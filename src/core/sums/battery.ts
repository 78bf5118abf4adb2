import { batteryLife } from '../feed/battery'
import { chemistryNames } from '../parts/chemistries'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const batterySum = defineSum(
  'battery',
  'How long a battery lasts.',
  z.strictObject({
    chemistry: z.enum(chemistryNames),
    inSeries: z.int().min(1).max(40).default(1),
    inParallel: z.int().min(1).max(100).default(1),
    load: z.union([
      z.strictObject({ currentA: z.number().positive() }),
      z.strictObject({
        powerW: z.number().positive(),
        efficiency: z.number().positive().max(1).default(0.85),
      }),
    ]),
    cutoffV: z.number().nonnegative().max(60),
  }),
  batteryLife,
)
