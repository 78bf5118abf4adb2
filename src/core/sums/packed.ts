import type { Packing, PackResult } from '../cut/pack'
import { line, refuse, type SumLine } from './sum'
import { fixed, rounded } from '../quantity/format'

/**
 * What a packing came to; refuses pieces that are longer than all that there is, each by its field.
 *
 * @param longest what they do not come from, such as `every bar`
 */
export function packedOrRefused(
  result: PackResult,
  piecesMm: readonly number[],
  longest: string,
): Packing {
  if (result.ok) return result.packing
  return refuse(
    result.tooLong.map((index) => ({
      path: `piecesMm[${String(index)}]`,
      message: `${rounded(piecesMm[index] ?? 0, 3)} mm is longer than ${longest}`,
    })),
  )
}

/** The price of a packing, and whether a cheaper one can be. */
export const priceLine = ({
  price,
  boundPrice,
  isProved,
}: Pick<Packing, 'price' | 'boundPrice' | 'isProved'>): SumLine =>
  line(isProved ? 'proved cheapest' : 'cheapest found', price, 'price', {
    ...(!isProved && { note: `no way is cheaper than ${fixed(boundPrice, 2)}` }),
  })
