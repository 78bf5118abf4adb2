import { z } from '../quantity/z'
import { firstPixelDiode } from '../signal/level'
import { defineSum } from './sum'

export const firstPixelDiodeSum = defineSum(
  'first-pixel-diode',
  'A diode in the first pixel’s plus lowers what it asks of the board: whether both hops then have margin.',
  z.strictObject({
    boardHighV: z.number().positive().max(60),
    pixelSupplyV: z.number().positive().max(60),
    ratio: z.number().positive().max(1).default(0.7),
    diodeV: z.number().nonnegative().default(0.7),
    firstPixelMa: z.number().nonnegative(),
    diodeLimitMa: z.number().positive(),
  }),
  firstPixelDiode,
)
