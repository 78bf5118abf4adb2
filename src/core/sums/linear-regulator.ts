import { linearRegulator } from '../feed/linear-regulator'
import { z } from '../quantity/z'
import { defineSum } from './sum'

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
  linearRegulator,
)
