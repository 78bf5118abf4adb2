/** Pieces still to be placed: distinct lengths, longest first, with how many there are of each. */
export interface Demand {
  readonly lengths: readonly number[]
  readonly counts: readonly number[]
}

/** How many of each length of a demand go into one bin. */
export type Filling = readonly number[]

/**
 * Picks pieces that fill a bin as full as can be found: longest first, then whatever brings the sum closest to its room.
 *
 * @param room of the bin, in the unit of the lengths
 * @param forced index of a length that has to be among them, or -1
 * @param mostNodes choices that are tried before the best so far is taken
 */
export function fillBin(
  { lengths, counts }: Demand,
  room: number,
  forced: number,
  mostNodes: number,
): Filling {
  const chosen = new Array<number>(lengths.length).fill(0)
  let best = chosen.slice()
  let bestSum = -1
  let nodes = 0

  // Depth first over the lengths; a branch that cannot beat the best is left out.
  const rest = new Array<number>(lengths.length + 1).fill(0)
  for (let index = lengths.length - 1; index >= 0; index -= 1)
    rest[index] = (rest[index + 1] ?? 0) + (lengths[index] ?? 0) * (counts[index] ?? 0)

  const visit = (index: number, sum: number): void => {
    nodes += 1
    if (sum > bestSum) {
      bestSum = sum
      best = chosen.slice()
    }
    if (index === lengths.length || bestSum >= room - hair || nodes > mostNodes) return
    if (sum + Math.min(rest[index] ?? 0, room - sum) <= bestSum + hair) return
    const length = lengths[index] ?? 0
    const least = index === forced ? 1 : 0
    const most = Math.min(counts[index] ?? 0, Math.floor((room - sum) / length + hair))
    for (let take = most; take >= least; take -= 1) {
      chosen[index] = take
      visit(index + 1, sum + take * length)
    }
    chosen[index] = 0
  }
  if (forced < 0) visit(0, 0)
  else {
    // With a forced length nothing counts as best before that length is in.
    const length = lengths[forced] ?? 0
    if (length > room + hair) return best
    const less = counts.map((count, index) => (index === forced ? count - 1 : count))
    const others = fillBin({ lengths, counts: less }, room - length, -1, mostNodes)
    return others.map((count, index) => (index === forced ? count + 1 : count))
  }
  return best
}

/** Lengths are whole groups or exact multiples of a pitch; this much is rounding. */
export const hair = 1e-6
