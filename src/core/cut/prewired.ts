import { largest } from '../quantity/extremes'
import type { Strip } from '../plan/parts'
import type { CutStripRun } from './cut'

/** What it would be to plug lengths together that are sold with wires on them, in place of cutting and soldering. */
export interface Prewired {
  readonly strip: Strip
  /** How many of each length, longest first. */
  readonly lengths: readonly {
    readonly lengthMm: number
    readonly price: number
    readonly count: number
  }[]
  readonly price: number
  /** What stays dark beyond what cutting leaves dark, mm. */
  readonly moreDarkMm: number
  /** Pieces too short for even the shortest. */
  readonly tooShort: number
}

/** Lengths are matched to the millimetre. */
const stepMm = 1

/** The longest that plugged lengths reach in each piece, at the least price, strip by strip; none where a strip is not sold so. */
export function prewiredInstead(cutRuns: readonly CutStripRun[]): Prewired[] {
  const strips = [...new Set(cutRuns.map(({ strip }) => strip))]
  return strips.flatMap((strip) => {
    const { prewired } = strip
    const pieces = cutRuns
      .filter((entry) => entry.strip === strip)
      .flatMap((entry) => entry.pieces)
      .filter(({ groups }) => groups > 0)
    if (prewired.length === 0 || pieces.length === 0) return []
    const longest = largest(pieces.map(({ lengthMm }) => lengthMm))
    const reach = reachOf(prewired, longest)
    const counts = prewired.map(() => 0)
    let [price, dark, tooShort] = [0, 0, 0]
    for (const { lengthMm, placedMm } of pieces) {
      let at = Math.floor(lengthMm / stepMm)
      while (at > 0 && reach.last[at] === -1) at -= 1
      if (at === 0) tooShort += 1
      dark += Math.max(0, placedMm - at * stepMm)
      price += reach.price[at] ?? 0
      for (let rest = at; rest > 0;) {
        const kind = reach.last[rest] ?? 0
        counts[kind] = (counts[kind] ?? 0) + 1
        rest -= Math.round((prewired[kind]?.lengthMm ?? rest) / stepMm)
      }
    }
    const lengths = prewired
      .map(({ lengthMm, price: each }, kind) => ({
        lengthMm,
        price: each,
        count: counts[kind] ?? 0,
      }))
      .filter(({ count }) => count > 0)
      .toSorted((a, b) => b.lengthMm - a.lengthMm)
    return [{ strip, lengths, price, moreDarkMm: dark, tooShort }]
  })
}

/** For every length, whether plugged lengths make just that, at what price, and which comes last; -1 where none does. */
function reachOf(
  prewired: Strip['prewired'],
  mostMm: number,
): { price: Float64Array; last: Int16Array } {
  const size = Math.floor(mostMm / stepMm) + 1
  const price = new Float64Array(size).fill(Infinity)
  const last = new Int16Array(size).fill(-1)
  price[0] = 0
  for (let at = 1; at < size; at += 1)
    for (const [kind, { lengthMm, price: each }] of prewired.entries()) {
      const before = at - Math.round(lengthMm / stepMm)
      const cost = (before < 0 ? Infinity : (price[before] ?? Infinity)) + each
      if (cost < (price[at] ?? Infinity)) {
        price[at] = cost
        last[at] = kind
      }
    }
  return { price, last }
}
