import { z } from '../quantity/z'
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
  ({ boardHighV, pixelSupplyV, ratio, diodeV, firstPixelMa, diodeLimitMa }) => {
    const firstSupplyV = pixelSupplyV - diodeV
    const firstThresholdV = ratio * firstSupplyV
    return {
      firstSupplyV,
      firstThresholdV,
      firstMarginV: boardHighV - firstThresholdV,
      // The first pixel's data out is as high as its supply.
      nextMarginV: firstSupplyV - ratio * pixelSupplyV,
      diodeOk: firstPixelMa <= diodeLimitMa,
    }
  },
)
