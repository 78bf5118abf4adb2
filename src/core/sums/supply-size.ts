import { supplySize } from '../feed/supply-size'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const supplySizeSum = defineSum(
  'supply-size',
  'The smallest supply that carries a load with room to spare.',
  z.strictObject({
    loadA: z.number().nonnegative(),
    headroom: z.number().min(0).lt(1).default(0.2),
    sizesA: z.array(z.number().positive()).min(1),
  }),
  supplySize,
)
