import { pack } from '../src/core/cut/pack'
import { median } from './plans'

/** Pieces in groups of a 60/m strip: between 10 cm and 2.3 m, from a fixed seed. */
function piecesOf(count: number, seed: number): number[] {
  let state = seed
  const random = (): number => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647
  return Array.from({ length: count }, () => 6 + Math.floor(random() * 130))
}

const stock = [
  { length: 60, price: 9 },
  { length: 120, price: 15 },
  { length: 300, price: 29 },
]

/** Time of packing and how far above its bound the price is, for plans of several sizes. */
export function packingBench(): void {
  for (const count of [12, 60, 400]) {
    const runs = [1, 2, 3, 4, 5].map((seed) => {
      const start = performance.now()
      const result = pack({ pieces: piecesOf(count, seed * 7919), stock, offcuts: [47, 113] })
      const ms = performance.now() - start
      if (!result.ok) throw new Error('nothing is too long')
      const { price, boundPrice, isProved } = result.packing
      return { ms, above: price / boundPrice - 1, isProved }
    })
    const worst = Math.max(...runs.map(({ above }) => above))
    const proved = runs.filter(({ isProved }) => isProved).length
    console.log(
      `${String(count).padStart(4)} pieces: ${median(runs.map(({ ms }) => ms)).toFixed(1)} ms (longest ${Math.max(...runs.map(({ ms }) => ms)).toFixed(0)} ms), at most ${(worst * 100).toFixed(2)} % above the bound, proved ${String(proved)} of 5`,
    )
  }
}
