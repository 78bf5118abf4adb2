import { demandOf, fillBin, hair } from './fill'
import { pack, setsByPrice, undominated, type Bin, type PackGiven, type PackOptions } from './pack'
import { listed } from '../quantity/listed'

/** A piece, or one of the two parts that it is joined of. */
export interface JoinedPart {
  /** Index among the given pieces. */
  readonly piece: number
  readonly length: number
  /** 1 or 2, of `parts`. */
  readonly part: number
  readonly parts: number
}

export interface JoinedBin extends Omit<Bin, 'pieces'> {
  readonly pieces: readonly JoinedPart[]
}

export interface JoinedPacking {
  readonly bins: readonly JoinedBin[]
  /** Of the reels and the joins. */
  readonly price: number
  readonly joins: number
  readonly boundPrice: number
  readonly isProved: boolean
}

/**
 * Cuts pieces from reels and offcuts where a piece may be joined of two at a mark, each join at a price (handbook 3, reels).
 *
 * Whole pieces are packed first. Then cheaper sets of reels are tried, in the order of their price: each is filled with whole pieces as far
 * as they go, and what room is left takes the beginning of a piece whose end goes on in another reel. No set can do better than its price,
 * or its price and one join where whole pieces are known not to fit: that is the bound.
 *
 * @param given its `joinPrice` is infinite where no piece may be joined
 * @returns `undefined` where a piece is longer than every reel and rest
 */
export function packJoined(
  given: PackGiven & { readonly joinPrice: number },
  options: PackOptions = {},
): JoinedPacking | undefined {
  const { pieces, stock, offcuts, joinPrice } = given
  const whole = pack(given, options)
  if (!whole.ok) return undefined
  const { packing } = whole
  let best: JoinedPacking = {
    bins: withIndices(packing.bins, pieces),
    price: packing.price,
    joins: 0,
    boundPrice: packing.boundPrice,
    isProved: packing.isProved,
  }
  // With very many pieces the search for joins would take as long as all the rest.
  if (!Number.isFinite(joinPrice) || pieces.length > (options.mostPieces ?? Infinity)) return best
  const total = pieces.reduce((sum, piece) => sum + piece, 0)
  const reels = undominated(stock)
  const offcutMm = offcuts.reduce((sum, rest) => sum + rest, 0)
  let bound = packing.boundPrice
  let tried = 0
  for (const { counts, price } of setsByPrice(
    reels,
    reels.map(({ length }) => length),
    total - offcutMm,
  )) {
    // A set below the proved price of whole pieces needs one join at least.
    const least = price + joinPrice
    if (least >= best.price - hair || (tried += 1) > (options.mostSets ?? 400)) break
    bound = Math.min(bound, least)
    const bins: Omit<Bin, 'pieces'>[] = [
      ...offcuts.map((length) => ({ kind: 'offcut' as const, length, price: 0 })),
      ...counts.flatMap((count, index) =>
        Array.from({ length: count }, () => ({
          kind: 'reel' as const,
          length: reels[index]?.length ?? 0,
          price: reels[index]?.price ?? 0,
        })),
      ),
    ]
    const filled = fillWithJoins(pieces, bins)
    if (filled === undefined) continue
    const cost = price + filled.joins * joinPrice
    if (cost < best.price - hair)
      best = {
        bins: filled.bins.filter(({ kind, pieces: cut }) => kind === 'reel' || cut.length > 0),
        price: cost,
        joins: filled.joins,
        boundPrice: 0,
        isProved: false,
      }
  }
  const boundPrice = Math.min(bound, best.price)
  return { ...best, boundPrice, isProved: best.price <= boundPrice + hair }
}

function withIndices(bins: readonly Bin[], pieces: readonly number[]): JoinedBin[] {
  const waiting = new Map<number, number[]>()
  for (const [index, length] of pieces.entries()) {
    listed(waiting, length).push(index)
  }
  return bins.map((bin) => ({
    ...bin,
    pieces: bin.pieces.map((length) => ({
      piece: waiting.get(length)?.shift() ?? 0,
      length,
      part: 1,
      parts: 1,
    })),
  }))
}

/** Fills bins one after another, the largest first; `undefined` where a piece would have to be made of three. */
function fillWithJoins(
  pieces: readonly number[],
  bins: readonly Omit<Bin, 'pieces'>[],
): { bins: JoinedBin[]; joins: number } | undefined {
  let left: JoinedPart[] = pieces
    .map((length, piece) => ({ piece, length, part: 1, parts: 1 }))
    .toSorted((a, b) => b.length - a.length)
  let joins = 0
  const filled = bins
    .toSorted((a, b) => b.length - a.length)
    .map((bin): JoinedBin => {
      const taken: JoinedPart[] = []
      let room = bin.length
      // An end that waits goes first: nothing may be split again.
      const waiting = left.find(({ parts, length }) => parts === 2 && length <= room + hair)
      if (waiting !== undefined) {
        taken.push(waiting)
        left = left.filter((part) => part !== waiting)
        room -= waiting.length
      }
      const whole = left.filter(({ parts }) => parts === 1)
      const demand = demandOf(whole.map(({ length }) => length))
      for (const [index, count] of fillBin(demand, room, 2_000).counts.entries())
        for (let copy = 0; copy < count; copy += 1) {
          const part = left.find(
            ({ length, parts }) => parts === 1 && length === demand.lengths[index],
          )
          if (part === undefined) continue
          taken.push(part)
          left = left.filter((other) => other !== part)
          room -= part.length
        }
      const groups = Math.floor(room + hair)
      const split = left.find(({ parts, length }) => parts === 1 && length > groups)
      if (groups >= 1 && split !== undefined) {
        joins += 1
        taken.push({ piece: split.piece, length: groups, part: 1, parts: 2 })
        left = left.map((part) =>
          part === split
            ? { piece: split.piece, length: split.length - groups, part: 2, parts: 2 }
            : part,
        )
      }
      return { ...bin, pieces: taken }
    })
  return left.length > 0 ? undefined : { bins: filled, joins }
}
