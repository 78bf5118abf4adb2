import { z } from '../quantity/z'
import { defineSum } from './sum'

/** fail < 0 ≤ marginal < 0.3 V ≤ good (handbook 3, logic-level). */
const verdictOf = (marginV: number): 'fail' | 'marginal' | 'good' =>
  marginV < 0 ? 'fail' : marginV < 0.3 ? 'marginal' : 'good'

export const logicLevelSum = defineSum(
  'logic-level',
  'Whether the first pixel understands the board.',
  z.strictObject({
    boardHighV: z.number().positive().max(60),
    pixelSupplyV: z.number().positive().max(60),
    ratio: z.number().positive().max(1).default(0.7),
    groundRiseV: z.number().default(0),
  }),
  ({ boardHighV, pixelSupplyV, ratio, groundRiseV }) => {
    const thresholdV = ratio * pixelSupplyV
    const marginV = boardHighV - groundRiseV - thresholdV
    return { thresholdV, marginV, verdict: verdictOf(marginV) }
  },
)
