import { z } from '../quantity/z'
import { defineSum } from './sum'

/** A regulator needs so much more at its input than it gives, V (handbook 3, linear-regulator). */
const dropoutV = 1.1

export const linearRegulatorSum = defineSum(
  'linear-regulator',
  'How hot a board’s regulator gets, and what it can pass.',
  z.strictObject({
    inputV: z.number().positive().max(60),
    outputV: z.number().positive().max(60),
    currentA: z.number().nonnegative(),
    limitA: z.number().positive(),
    limitW: z.number().positive(),
  }),
  ({ inputV, outputV, currentA, limitA, limitW }) => {
    const acrossV = inputV - outputV
    return {
      heatW: acrossV * currentA,
      allowedA: acrossV < dropoutV ? 0 : Math.min(limitA, limitW / acrossV),
      efficiency: outputV / inputV,
    }
  },
)
