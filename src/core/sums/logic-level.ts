import { z } from '../quantity/z'
import { logicLevel } from '../signal/level'
import { defineSum } from './sum'

export const logicLevelSum = defineSum(
  'logic-level',
  'Whether the first pixel understands the board.',
  z.strictObject({
    boardHighV: z.number().positive().max(60),
    pixelSupplyV: z.number().positive().max(60),
    ratio: z.number().positive().max(1).default(0.7),
    groundRiseV: z.number().default(0),
  }),
  logicLevel,
)
