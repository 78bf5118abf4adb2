/** Pieces still to be placed: distinct lengths, longest first, with how many there are of each. */
export interface Demand {
  readonly lengths: readonly number[]
  readonly counts: readonly number[]
}

/** Pieces that go into one bin. */
export interface Filling {
  /** How many of each length of the demand. */
  readonly counts: readonly number[]
  readonly sum: number
  /** Nothing fills the bin better; otherwise the search was cut short. */
  readonly isBest: boolean
}

/**
 * Picks pieces that fill a bin as full as can be found: longest first, then whatever brings the sum closest to its room.
 *
 * @param room of the bin, in the unit of the lengths
 * @param mostNodes choices that are tried before the best so far is taken
 */
export function fillBin({ lengths, counts }: Demand, room: number, mostNodes: number): Filling {
  const chosen = new Array<number>(lengths.length).fill(0)
  let best = chosen.slice()
  let bestSum = 0
  let nodes = 0
  // All that is left from each length on.
  const rest = new Array<number>(lengths.length + 1).fill(0)
  for (let index = lengths.length - 1; index >= 0; index -= 1)
    rest[index] = (rest[index + 1] ?? 0) + (lengths[index] ?? 0) * (counts[index] ?? 0)

  // Depth first over the lengths; a branch that cannot beat the best is left out.
  const visit = (index: number, sum: number): void => {
    nodes += 1
    if (sum > bestSum) {
      bestSum = sum
      best = chosen.slice()
    }
    if (index === lengths.length || bestSum >= room - hair || nodes > mostNodes) return
    if (sum + Math.min(rest[index] ?? 0, room - sum) <= bestSum + hair) return
    const length = lengths[index] ?? 0
    const most = Math.min(counts[index] ?? 0, Math.floor((room - sum) / length + hair))
    for (let take = most; take >= 0; take -= 1) {
      chosen[index] = take
      visit(index + 1, sum + take * length)
    }
    chosen[index] = 0
  }
  visit(0, 0)
  return { counts: best, sum: bestSum, isBest: nodes <= mostNodes }
}

/** Distinct lengths of pieces, longest first, and how many there are of each. */
export function demandOf(pieces: readonly number[]): { lengths: number[]; counts: number[] } {
  const byLength = new Map<number, number>()
  for (const piece of pieces) byLength.set(piece, (byLength.get(piece) ?? 0) + 1)
  const lengths = [...byLength.keys()].toSorted((a, b) => b - a)
  return { lengths, counts: lengths.map((length) => byLength.get(length) ?? 0) }
}

/** Lengths are whole groups or exact multiples of a pitch; this much is rounding. */
export const hair = 1e-6
