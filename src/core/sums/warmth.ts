import { z } from '../quantity/z'
import { defineSum } from './sum'

/** Heat that still air takes off a surface, W/m²K, and what hinders it (handbook 3, warmth). */
const airWPerM2K = 10
const sealedFactor = 1.3
const coveredFactor = 1.15

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
  ({ wattsPerM, heatShare, exposedMm, sealed, covered }) => {
    const kelvinMetrePerWatt =
      (1 / (airWPerM2K * (exposedMm / 1000))) *
      (sealed ? sealedFactor : 1) *
      (covered ? coveredFactor : 1)
    return { kelvinMetrePerWatt, riseK: wattsPerM * heatShare * kelvinMetrePerWatt }
  },
)
