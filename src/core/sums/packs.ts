import { cheapestPacks } from '../buy/packs'
import { z } from '../quantity/z'
import { defineSum, line } from './sum'

export const packsSum = defineSum(
  'packs',
  'The cheapest packs that cover what is needed.',
  z.strictObject({
    need: z.int().min(0).max(100_000),
    packs: z
      .array(
        z.strictObject({
          size: z.int().min(1).max(100_000),
          price: z.number().nonnegative().max(100_000),
        }),
      )
      .min(1)
      .max(30),
  }),
  ({ need, packs }) => cheapestPacks(need, packs),
  {
    title: 'Cheapest packs',
    asks: ['which pack do I buy', 'resistors in packs of', 'how many packs'],
    start: {
      need: 34,
      packs: [
        { size: 10, price: 1.2 },
        { size: 25, price: 2.4 },
        { size: 100, price: 6.5 },
      ],
    },
    fields: { need: ['Needed', ''], packs: ['Sold in packs of, with prices, 25 @ 2.40', ''] },
    lines: (_, { price, spare, packs }) => [
      line('cheapest', price, 'price'),
      ...packs.map(({ size, count }) => line(`packs of ${String(size)}`, count, '')),
      line('left over', spare, ''),
    ],
  },
)
