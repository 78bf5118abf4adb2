import { largest } from '../quantity/extremes'
import { demandOf, fillBin, hair } from './fill'

/** Which pieces lie in which bin: for each bin the lengths in it, or `undefined` where not all pieces fit. */
export type Fit = readonly (readonly number[])[] | undefined

/** `fits` with the pieces of each bin; `none` proved; `unknown` where the search was cut short. */
export type FitAnswer =
  | { readonly kind: 'fits'; readonly bins: readonly (readonly number[])[] }
  | { readonly kind: 'none' }
  | { readonly kind: 'unknown' }

/**
 * Whether pieces fit into given bins, each piece whole in one bin.
 *
 * Quick fillings are tried first; then a search that places the longest piece in every bin that is different, and so on. Pieces
 * of one length never go back to an earlier bin, which leaves out most of what is the same but for its order.
 *
 * @param pieces lengths, longest first
 * @param bins room of each
 * @param mostNodes placements that are tried before it gives up
 */
export function fitInto(
  pieces: readonly number[],
  bins: readonly number[],
  mostNodes: number,
): FitAnswer {
  const total = pieces.reduce((sum, piece) => sum + piece, 0)
  if (total > bins.reduce((sum, bin) => sum + bin, 0) + hair) return { kind: 'none' }
  if ((pieces[0] ?? 0) > largest(bins, 0) + hair) return { kind: 'none' }
  // Of pieces longer than half the largest bin each needs a bin to itself.
  const half = largest(bins, 0) / 2
  const long = pieces.filter((piece) => piece > half + hair)
  const shortestLong = long.at(-1) ?? 0
  if (long.length > bins.filter((bin) => bin >= shortestLong - hair).length) return { kind: 'none' }
  const quick = quickFit(pieces, bins)
  if (quick !== undefined) return { kind: 'fits', bins: quick }
  return search(pieces, bins, mostNodes)
}

/** Orders in which bins are filled, and whether the longest piece that fits has to be in each. */
function quickFit(pieces: readonly number[], bins: readonly number[]): Fit {
  const order = bins.map((_, index) => index)
  const bySize = order.toSorted((a, b) => (bins[a] ?? 0) - (bins[b] ?? 0))
  for (const bindLongest of [true, false])
    for (const sequence of [bySize, bySize.toReversed()]) {
      const fit = fillInOrder(pieces, bins, sequence, bindLongest)
      if (fit !== undefined) return fit
    }
  return undefined
}

function fillInOrder(
  pieces: readonly number[],
  bins: readonly number[],
  sequence: readonly number[],
  bindLongest: boolean,
): Fit {
  const { lengths, counts } = demandOf(pieces)
  const result: number[][] = bins.map(() => [])
  let left = pieces.length
  const take = (index: number, count: number, bin: number): void => {
    counts[index] = (counts[index] ?? 0) - count
    left -= count
    for (let copy = 0; copy < count; copy += 1) result[bin]?.push(lengths[index] ?? 0)
  }
  for (const bin of sequence) {
    if (left === 0) break
    let room = bins[bin] ?? 0
    if (bindLongest) {
      const longest = lengths.findIndex(
        (length, index) => (counts[index] ?? 0) > 0 && length <= room + hair,
      )
      if (longest < 0) continue
      take(longest, 1, bin)
      room -= lengths[longest] ?? 0
    }
    for (const [index, count] of fillBin({ lengths, counts }, room, 400).counts.entries())
      take(index, count, bin)
  }
  return left === 0 ? result : undefined
}

function search(pieces: readonly number[], bins: readonly number[], mostNodes: number): FitAnswer {
  const room = [...bins]
  const placed: number[] = []
  const shortest = pieces.at(-1) ?? 0
  // What is still to be placed from each piece on.
  const rest = new Array<number>(pieces.length + 1).fill(0)
  for (let index = pieces.length - 1; index >= 0; index -= 1)
    rest[index] = (rest[index + 1] ?? 0) + (pieces[index] ?? 0)
  const dead = new Set<string>()
  let nodes = 0

  const place = (index: number, firstBin: number): boolean => {
    if (index === pieces.length) return true
    if ((nodes += 1) > mostNodes) return false
    // Room that not even the shortest piece can use is lost.
    let usable = 0
    for (const space of room) if (space >= shortest - hair) usable += space
    if (usable < (rest[index] ?? 0) - hair) return false
    const state = `${String(index)}:${String(firstBin)}:${room.map((space) => Math.round(space * 1000)).join()}`
    if (dead.has(state)) return false

    const length = pieces[index] ?? 0
    const seen = new Set<number>()
    const candidates: number[] = []
    for (let bin = firstBin; bin < room.length; bin += 1) {
      const space = room[bin] ?? 0
      if (space < length - hair || seen.has(space)) continue
      seen.add(space)
      candidates.push(bin)
    }
    // Pieces of one length must not skip a bin that they could come back to, so order by bin there.
    const isSameNext = pieces[index + 1] === length
    if (!isSameNext) candidates.sort((a, b) => (room[a] ?? 0) - (room[b] ?? 0))
    for (const bin of candidates) {
      room[bin] = (room[bin] ?? 0) - length
      placed[index] = bin
      if (place(index + 1, isSameNext ? bin : 0)) return true
      room[bin] += length
      if (nodes > mostNodes) return false
    }
    if (dead.size < 200_000) dead.add(state)
    return false
  }

  if (place(0, 0)) {
    const result: number[][] = bins.map(() => [])
    for (const [index, bin] of placed.entries()) result[bin]?.push(pieces[index] ?? 0)
    return { kind: 'fits', bins: result }
  }
  return nodes > mostNodes ? { kind: 'unknown' } : { kind: 'none' }
}
