import { fuseFor } from '../feed/fuse'
import { z } from '../quantity/z'
import { defineSum } from './sum'

export const fuseSum = defineSum(
  'fuse',
  'The fuse that carries a load and still guards its wire; none means a thicker wire or more feeds.',
  z.strictObject({ loadA: z.number().nonnegative(), wireLimitA: z.number().positive() }),
  ({ loadA, wireLimitA }) => ({ fuseA: fuseFor(loadA, wireLimitA) }),
)
