import { working } from '../quantity/figure'
import { supplySize } from '../feed/supply-size'
import { amperes, amperesAbove0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const supplySizeSum = defineSum(
  'supply-size',
  'The smallest supply that carries a load with room to spare.',
  z.strictObject({
    loadA: amperes,
    headroom: z.number().min(0).max(0.99).default(0.2),
    sizesA: z.array(amperesAbove0).min(1).max(1_000),
  }),
  supplySize,
  {
    title: 'Size of the supply',
    asks: ['which power supply', 'how big a supply', 'headroom'],
    start: { loadA: 5.5, headroom: 0.2, sizesA: [3, 5, 6, 8, 10] },
    fields: {
      loadA: ['Load', 'A'],
      headroom: ['Kept free', '%'],
      sizesA: ['Sizes to choose from', 'A'],
    },
    lines: ({ loadA, headroom }, { needA, pickA }) => [
      line('take', pickA, 'A', pickA === null ? { note: 'none of these is large enough' } : {}),
      line('it has to give', needA, 'A', {
        working: working`${op('load', loadA, 'A')} ÷ (1 − ${op('kept free', headroom, '%')})`,
      }),
    ],
    into: ({ headroom }) =>
      headroom > 0.5
        ? undefined
        : {
            label: `${String(Math.round(headroom * 100))} % headroom`,
            commands: () => [{ do: 'set-rules', rules: { headroom, sizing: 'full-white' } }],
          },
  },
)
