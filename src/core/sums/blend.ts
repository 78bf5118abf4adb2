import { blend } from '../glow/blend'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const blendSum = defineSum(
  'blend',
  'Whether the single dots show behind a cover.',
  z.strictObject({
    pitchMm: z.number().min(0.5).max(10_000),
    depthMm: z.number().positive().max(10_000),
  }),
  blend,
)
