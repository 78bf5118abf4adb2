/** A pack as it is sold. */
export interface Pack {
  /** Pieces in it. */
  readonly size: number
  readonly price: number
}

/** How many of a pack are bought. */
export interface PackCount extends Pack {
  readonly count: number
}

/**
 * The cheapest packs that hold at least what is needed; of two at one price the one with fewer left over (handbook 10, packs).
 *
 * @param need pieces, a whole number
 * @param packs at least one, sizes of at least 1
 * @returns packs that are bought, in the order in which they were given
 */
export function cheapestPacks(
  need: number,
  packs: readonly Pack[],
): { readonly price: number; readonly spare: number; readonly packs: readonly PackCount[] } {
  // For each number of pieces still needed: what they cost, what is left over, and the pack to take first.
  const best: { price: number; held: number; first: number }[] = [{ price: 0, held: 0, first: -1 }]
  for (let pieces = 1; pieces <= need; pieces += 1) {
    let found = { price: Infinity, held: Infinity, first: -1 }
    packs.forEach(({ size, price }, first) => {
      const rest = best[Math.max(0, pieces - size)] ?? { price: 0, held: 0 }
      const [total, held] = [price + rest.price, size + rest.held]
      const isCheaper = total < found.price - hair
      if (isCheaper || (total < found.price + hair && held < found.held))
        found = { price: total, held, first }
    })
    best.push(found)
  }
  const counts = packs.map(() => 0)
  for (let left = need; left > 0;) {
    const first = best[left]?.first ?? 0
    counts[first] = (counts[first] ?? 0) + 1
    left -= packs[first]?.size ?? left
  }
  return {
    price: best[need]?.price ?? 0,
    spare: (best[need]?.held ?? 0) - need,
    packs: packs.flatMap((pack, index) => {
      const count = counts[index] ?? 0
      return count > 0 ? [{ ...pack, count }] : []
    }),
  }
}

/** Prices nearer than this are equal. */
const hair = 1e-9
