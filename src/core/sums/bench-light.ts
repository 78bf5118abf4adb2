import { benchLight } from '../glow/bench-light'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const benchLightSum = defineSum(
  'bench-light',
  'How bright a surface is under a line of light.',
  z.strictObject({
    lumensPerM: z.number().nonnegative(),
    lengthM: z.number().positive(),
    heightM: z.number().positive(),
    offsetM: z.number().default(0),
  }),
  benchLight,
)
