import { largest } from '../quantity/extremes'
import { demandOf, fillBin, hair } from './fill'
import { fitInto } from './fit'

export interface Stock {
  readonly length: number
  readonly price: number
}

export interface PackGiven {
  /** Lengths to cut, in any order; all lengths in one unit, best whole cut groups. */
  readonly pieces: readonly number[]
  /** Reels to be had, any number of each. */
  readonly stock: readonly Stock[]
  /** Offcuts in the drawer, once each and free. */
  readonly offcuts: readonly number[]
}

/** A reel or an offcut with the pieces that are cut from it, longest first. */
export interface Bin {
  readonly kind: 'reel' | 'offcut'
  readonly length: number
  readonly price: number
  readonly pieces: readonly number[]
}

export interface Packing {
  readonly bins: readonly Bin[]
  readonly price: number
  /** No packing is cheaper than this. */
  readonly boundPrice: number
  readonly isProved: boolean
}

export type PackResult =
  | { readonly ok: true; readonly packing: Packing }
  /** Pieces that are longer than every reel and rest, by their index. */
  | { readonly ok: false; readonly tooLong: readonly number[] }

export interface PackOptions {
  /** Placements that are tried for one set of reels before it is left undecided. */
  readonly mostNodes?: number
  /** Sets of reels that are tried before the best so far is taken. */
  readonly mostSets?: number
  /** With more pieces than this, reels are filled one after another until so many are left, and only those are searched for the best. */
  readonly mostPieces?: number
  /** Told how many sets of reels were tried; `true` stops the search with the best so far. */
  readonly onSet?: (tried: number) => boolean
}

/**
 * Cuts pieces from reels and offcuts at the least price, each piece whole (handbook 3, reels).
 *
 * Sets of reels are tried in the order of their price, so the first into which the pieces fit is the cheapest. Where a set could
 * not be decided in time, the answer is still good but not proved, and that set's price is the bound.
 */
export function pack(given: PackGiven, options: PackOptions = {}): PackResult {
  const { pieces, stock, offcuts } = given
  const { mostNodes = 20_000, mostSets = 4_000, mostPieces = Infinity, onSet } = options
  if (pieces.length > mostPieces) return packMany(given, options, mostPieces)
  const sorted = pieces.toSorted((a, b) => b - a)
  // What no reel holds has to come from the offcuts.
  const longestReel = Math.max(0, ...stock.map(({ length }) => length))
  const long = sorted.filter((piece) => piece > longestReel + hair)
  if (fitInto(long, offcuts, mostNodes).kind !== 'fits')
    return {
      ok: false,
      tooLong: pieces.flatMap((piece, index) => (piece > longestReel + hair ? [index] : [])),
    }

  const total = sorted.reduce((sum, piece) => sum + piece, 0)
  const demand = demandOf(sorted)
  /** What pieces can fill of a length at best: often much less than all of it. */
  const usable = (length: number): number => {
    const { sum, isBest } = fillBin(demand, length, 20_000)
    return isBest ? sum : length
  }
  const shortest = sorted.at(-1) ?? 0
  const reels = undominated(stock.filter(({ length }) => length >= shortest - hair))
  let boundPrice: number | undefined
  let tried = 0
  for (const { counts, price } of setsByPrice(
    reels,
    reels.map(({ length }) => usable(length)),
    total - sumOf(offcuts.map(usable)),
    sorted.length,
  )) {
    const lengths = counts.flatMap((count, index) =>
      Array.from({ length: count }, () => reels[index]?.length ?? 0),
    )
    const answer = fitInto(sorted, [...offcuts, ...lengths], mostNodes)
    tried += 1
    if (answer.kind === 'fits') {
      const prices = counts.flatMap((count, index) =>
        Array.from({ length: count }, () => reels[index]?.price ?? 0),
      )
      const bins = answer.bins.map((content, index): Bin => ({
        kind: index < offcuts.length ? 'offcut' : 'reel',
        length: offcuts[index] ?? lengths[index - offcuts.length] ?? 0,
        price: prices[index - offcuts.length] ?? 0,
        pieces: content.toSorted((a, b) => b - a),
      }))
      const used = bins.filter((bin) => bin.kind === 'reel' || bin.pieces.length > 0)
      const isProved = boundPrice === undefined
      return {
        ok: true,
        packing: { bins: used, price, boundPrice: boundPrice ?? price, isProved },
      }
    }
    if (answer.kind === 'unknown') boundPrice ??= price
    if (onSet?.(tried) === true || tried >= mostSets) break
  }
  // Cut short: one of the simplest packings there is, a piece at a time, is always to be had.
  const cheapest = Math.min(...reels.map(({ length, price }) => price / length))
  const leastPrice = Math.max(0, total - sumOf(offcuts)) * cheapest
  return {
    ok: true,
    packing: { ...simple(sorted, reels, offcuts), boundPrice: boundPrice ?? leastPrice },
  }
}

/**
 * Packs very many pieces in time that grows with their number: reels of the kind that costs least by the length are filled as full as can be
 * found, each beginning with the longest piece left; what few pieces remain are packed with the offcuts as usual.
 */
function packMany(given: PackGiven, options: PackOptions, mostPieces: number): PackResult {
  const { pieces, stock, offcuts } = given
  const best = stock.toSorted((a, b) => a.price / a.length - b.price / b.length)[0]
  const longest = largest(pieces, 0)
  if (best === undefined || longest > best.length + hair)
    return pack(given, { ...options, mostPieces: Infinity })
  const { lengths, counts } = demandOf(pieces)
  const bins: Bin[] = []
  let left = pieces.length
  while (left > mostPieces) {
    const first = counts.findIndex((count) => count > 0)
    const content = [lengths[first] ?? 0]
    counts[first] = (counts[first] ?? 0) - 1
    const filling = fillBin({ lengths, counts }, best.length - (content[0] ?? 0), 400)
    for (const [index, count] of filling.counts.entries()) {
      counts[index] = (counts[index] ?? 0) - count
      for (let copy = 0; copy < count; copy += 1) content.push(lengths[index] ?? 0)
    }
    left -= content.length
    bins.push({ kind: 'reel', ...best, pieces: content })
  }
  const rest = pack(
    {
      pieces: lengths.flatMap((length, index) =>
        Array.from({ length: counts[index] ?? 0 }, () => length),
      ),
      stock,
      offcuts,
    },
    options,
  )
  if (!rest.ok) return rest
  const price = sumOf(bins.map((bin) => bin.price)) + rest.packing.price
  const boundPrice = Math.min(
    price,
    Math.max(0, sumOf(pieces) - sumOf(offcuts)) * (best.price / best.length),
  )
  return {
    ok: true,
    packing: {
      bins: [...bins, ...rest.packing.bins],
      price,
      boundPrice,
      isProved: price <= boundPrice + hair,
    },
  }
}

const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0)

/** Reels without those that a longer one undercuts; longest first. */
export function undominated(stock: readonly Stock[]): Stock[] {
  return stock
    .filter(
      (one, index) =>
        !stock.some(
          (other, at) =>
            other.length >= one.length &&
            other.price <= one.price &&
            (other.length > one.length || other.price < one.price || at < index),
        ),
    )
    .toSorted((a, b) => b.length - a.length)
}

interface ReelSet {
  readonly counts: readonly number[]
  readonly price: number
}

/**
 * Sets of reels with at least `need` of usable length in all, cheapest first, of equally cheap ones the longest.
 *
 * A set that is too short yet waits with the least that it can come to: the length that is missing, at the best price that later kinds
 * have by the length. So what cannot become cheap is never gone into; by its own price alone there are millions of such sets.
 *
 * @param most reels in a set: no more than there are pieces, since an empty reel need not be bought
 */
export function* setsByPrice(
  reels: readonly Stock[],
  usable: readonly number[],
  need: number,
  most = Infinity,
): Generator<ReelSet> {
  if (reels.length === 0) {
    yield { counts: [], price: 0 }
    return
  }
  /** The best price by the usable length of each kind and those after it. */
  const rates: number[] = []
  for (let kind = reels.length - 1, rate = Infinity; kind >= 0; kind -= 1) {
    const length = usable[kind] ?? 0
    if (length > 0) rate = Math.min(rate, (reels[kind]?.price ?? 0) / length)
    rates[kind] = rate
  }
  const leastOf = (price: number, length: number, last: number): number =>
    length >= need - hair ? price : price + (need - length) * (rates[last] ?? Infinity)
  // Each set comes from exactly one other: one reel more of its last kind, or of a later one.
  const queue = new Heap()
  queue.push({
    counts: reels.map(() => 0),
    price: 0,
    least: leastOf(0, 0, 0),
    last: 0,
    length: 0,
    size: 0,
  })
  for (let next = queue.pop(); next !== undefined && queue.size < mostQueued; next = queue.pop()) {
    if (next.length >= need - hair) yield { counts: next.counts, price: next.price }
    if (next.size >= most) continue
    for (let kind = next.last; kind < reels.length; kind += 1) {
      const counts = next.counts.with(kind, (next.counts[kind] ?? 0) + 1)
      // Added up by kind, so that the same set has the same price to the last digit.
      const price = counts.reduce(
        (all, count, index) => all + count * (reels[index]?.price ?? 0),
        0,
      )
      const length = next.length + (usable[kind] ?? 0)
      const least = leastOf(price, length, kind)
      // Where later kinds have no length that can be used, it never is long enough.
      if (least < Infinity)
        queue.push({ counts, price, least, last: kind, length, size: next.size + 1 })
    }
  }
}

/** Sets that wait, at most: with very many kinds of reel there would be no end of them. */
const mostQueued = 300_000

interface Queued extends ReelSet {
  readonly last: number
  readonly length: number
  readonly size: number
  /** What it comes to at least, once it is long enough. */
  readonly least: number
}

/** A queue that gives first what can come to least, the longer of two alike. */
class Heap {
  private readonly items: Queued[] = []

  get size(): number {
    return this.items.length
  }

  push(item: Queued): void {
    const { items } = this
    let at = items.push(item) - 1
    while (at > 0) {
      const above = (at - 1) >> 1
      const parent = items[above]
      if (parent === undefined || !isBefore(item, parent)) break
      items[at] = parent
      at = above
    }
    items[at] = item
  }

  pop(): Queued | undefined {
    const { items } = this
    const top = items[0]
    const last = items.pop()
    if (last === undefined || items.length === 0) return top
    let at = 0
    for (;;) {
      let below = 2 * at + 1
      const [left, right] = [items[below], items[below + 1]]
      if (left === undefined) break
      if (right !== undefined && isBefore(right, left)) below += 1
      const child = items[below]
      if (child === undefined || !isBefore(child, last)) break
      items[at] = child
      at = below
    }
    items[at] = last
    return top
  }
}

const isBefore = (a: Queued, b: Queued): boolean =>
  a.least < b.least || (a.least === b.least && a.length > b.length)

/** Each piece into the fullest bin that has room, or into a new reel of the cheapest kind that is long enough. */
function simple(
  pieces: readonly number[],
  reels: readonly Stock[],
  offcuts: readonly number[],
): Omit<Packing, 'boundPrice'> {
  const bins: (Omit<Bin, 'pieces'> & { pieces: number[]; room: number })[] = offcuts.map(
    (length) => ({ kind: 'offcut', length, price: 0, pieces: [], room: length }),
  )
  for (const piece of pieces) {
    const withRoom = bins.filter(({ room }) => room >= piece - hair)
    let bin = withRoom.toSorted((a, b) => a.room - b.room)[0]
    if (bin === undefined) {
      const reel = reels
        .filter(({ length }) => length >= piece - hair)
        .toSorted((a, b) => a.price / a.length - b.price / b.length)[0]
      if (reel === undefined) throw new RangeError(`no reel holds a piece of ${String(piece)}`)
      bin = { kind: 'reel', ...reel, pieces: [], room: reel.length }
      bins.push(bin)
    }
    bin.pieces.push(piece)
    bin.room -= piece
  }
  const used = bins
    .filter((bin) => bin.pieces.length > 0)
    .map(({ kind, length, price, pieces: content }) => ({ kind, length, price, pieces: content }))
  return { bins: used, price: sumOf(used.map(({ price }) => price)), isProved: false }
}
