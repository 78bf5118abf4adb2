import { pack } from '../cut/pack'
import { lengthMm, price } from '../quantity/bounded'
import { z } from '../quantity/z'
import { packedOrRefused, priceLine } from './packed'
import { defineSum, line } from './sum'
import { rounded } from '../quantity/format'

export const reelsSum = defineSum(
  'reels',
  'The cheapest reels to cut pieces from, with offcuts in the drawer used up first.',
  z.strictObject({
    piecesMm: z.array(lengthMm).min(1).max(2_000),
    stock: z.array(z.strictObject({ lengthMm, price })).min(1).max(50),
    offcutsMm: z.array(lengthMm).max(500).default([]),
  }),
  ({ piecesMm, stock, offcutsMm }) => {
    const result = pack({
      pieces: piecesMm,
      stock: stock.map(({ lengthMm, price }) => ({ length: lengthMm, price })),
      offcuts: offcutsMm,
    })
    const { bins, price, boundPrice, isProved } = packedOrRefused(
      result,
      piecesMm,
      'every reel and offcut',
    )
    return {
      price,
      boundPrice,
      isProved,
      bins: bins.map(({ kind, length, price: paid, pieces }) => ({
        kind,
        lengthMm: length,
        price: paid,
        piecesMm: pieces,
        leftoverMm: length - pieces.reduce((sum, piece) => sum + piece, 0),
      })),
    }
  },
  {
    title: 'Cheapest reels',
    asks: ['which reels do I buy', 'how do I cut with least waste', 'leftovers'],
    start: {
      piecesMm: [2133, 1650, 1650, 900],
      stock: [
        { lengthMm: 5000, price: 29 },
        { lengthMm: 2000, price: 15 },
      ],
      offcutsMm: [],
    },
    fields: {
      piecesMm: ['Pieces', 'mm'],
      stock: ['Sold lengths and their prices, 5000 @ 29', ''],
      offcutsMm: ['Offcuts in the drawer', 'mm'],
    },
    lines: (_, answer) => [
      priceLine(answer),
      ...answer.bins.map(({ kind, lengthMm, piecesMm, leftoverMm }, index) =>
        line(
          `${kind === 'reel' ? 'reel' : 'rest'} ${String(index + 1)} of ${rounded(lengthMm, 3)} mm, left`,
          leftoverMm,
          'mm',
          { note: `cut ${piecesMm.map(String).join(', ')}` },
        ),
      ),
    ],
  },
)
