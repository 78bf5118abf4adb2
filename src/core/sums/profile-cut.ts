import { cutProfiles } from '../buy/profile-cut'
import { lengthMm, price } from '../quantity/bounded'
import { z } from '../quantity/z'
import { packedOrRefused, priceLine } from './packed'
import { defineSum, line } from './sum'
import { rounded } from '../quantity/format'

export const profileCutSum = defineSum(
  'profile-cut',
  'The cheapest bars to saw profiles from.',
  z.strictObject({
    piecesMm: z.array(lengthMm).min(1).max(200),
    stock: z.array(z.strictObject({ lengthMm, price })).min(1).max(20),
    kerfMm: z.number().min(0).max(20).default(2),
  }),
  ({ piecesMm, stock, kerfMm }) => {
    const result = cutProfiles(
      piecesMm,
      stock.map(({ lengthMm, price }) => ({ length: lengthMm, price })),
      kerfMm,
    )
    const { bins, price, boundPrice, isProved } = packedOrRefused(result, piecesMm, 'every bar')
    return {
      price,
      boundPrice,
      isProved,
      bars: bins.map(({ length, price: paid, pieces }) => ({
        lengthMm: length,
        price: paid,
        piecesMm: pieces,
      })),
    }
  },
  {
    title: 'Profiles from bars',
    asks: ['how many aluminium profiles', 'saw bars with least waste', 'kerf'],
    start: {
      piecesMm: [1180, 1180, 640, 330],
      stock: [
        { lengthMm: 1000, price: 6 },
        { lengthMm: 2000, price: 10 },
      ],
      kerfMm: 2,
    },
    fields: {
      piecesMm: ['Pieces', 'mm'],
      stock: ['Bars sold and their prices, 2000 @ 10', ''],
      kerfMm: ['The saw takes', 'mm'],
    },
    lines: ({ kerfMm }, answer) => [
      priceLine(answer),
      ...answer.bars.map(({ lengthMm, piecesMm }, index) => {
        const used = piecesMm.reduce((sum, piece) => sum + piece + kerfMm, 0)
        return line(
          `bar ${String(index + 1)} of ${rounded(lengthMm, 1)} mm, left`,
          Math.max(0, lengthMm - used),
          'mm',
          { note: `cut ${piecesMm.map((piece) => rounded(piece, 1)).join(', ')}` },
        )
      }),
    ],
  },
)
