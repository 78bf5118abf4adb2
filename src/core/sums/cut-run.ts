import { cutRun } from '../cut/cut-run'
import { roundings } from '../plan/choices'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const cutRunSum = defineSum(
  'cut-run',
  'How much strip lies in a straight part when it is cut at its marks.',
  z.strictObject({
    lengthMm: z.number().positive(),
    cutPitchMm: z.number().positive(),
    pixelsPerCut: z.int().nonnegative().default(1),
    fit: z.enum(roundings).default('inside'),
    endAllowanceMm: z.number().nonnegative().default(0),
  }),
  cutRun,
)
