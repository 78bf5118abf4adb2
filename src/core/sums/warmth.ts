import { warmth } from '../feed/warmth'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const warmthSum = defineSum(
  'warmth',
  'How warm a strip gets on what it is stuck to.',
  z.strictObject({
    wattsPerM: z.number().nonnegative(),
    heatShare: z.number().min(0).max(1).default(0.7),
    exposedMm: z.number().positive(),
    sealed: z.boolean().default(false),
    covered: z.boolean().default(false),
  }),
  warmth,
)
