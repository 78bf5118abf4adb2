import { z } from '../quantity/z'
import { isAtLeast } from '../quantity/round'
import { defineSum } from './sum'

/** Fuses that are to be had, A (handbook 3, fuse). */
const fusesA = [0.5, 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30]

export const fuseSum = defineSum(
  'fuse',
  'The fuse that carries a load and still guards its wire; none means a thicker wire or more feeds.',
  z.strictObject({ loadA: z.number().nonnegative(), wireLimitA: z.number().positive() }),
  ({ loadA, wireLimitA }) => ({
    fuseA:
      fusesA.find((fuse) => isAtLeast(fuse, 1.25 * loadA) && isAtLeast(wireLimitA, fuse)) ?? null,
  }),
)
