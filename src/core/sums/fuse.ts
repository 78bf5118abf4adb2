import { working } from '../quantity/figure'
import { fuseFor } from '../feed/fuse'
import { amperes, amperesAbove0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const fuseSum = defineSum(
  'fuse',
  'The fuse that carries a load and still guards its wire; none means a thicker wire or more feeds.',
  z.strictObject({ loadA: amperes, wireLimitA: amperesAbove0 }),
  ({ loadA, wireLimitA }) => ({ fuseA: fuseFor(loadA, wireLimitA) }),
  {
    title: 'Fuse of a branch',
    asks: ['which fuse', 'how large a fuse for a wire'],
    start: { loadA: 3.2, wireLimitA: 6 },
    fields: { loadA: ['Load', 'A'], wireLimitA: ['The wire stands', 'A'] },
    lines: ({ loadA, wireLimitA }, { fuseA }) => [
      line('fuse', fuseA, 'A', {
        working: working`at least 1.25 × ${op('load', loadA, 'A')}, at most ${op('wire', wireLimitA, 'A')}`,
        note: fuseA === null ? 'none fits: a thicker wire, or more feeds' : 'local codes win',
      }),
    ],
  },
)
