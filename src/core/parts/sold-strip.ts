import type { Strip } from '../plan/parts'
import type { OwnPrice } from '../plan/plan'
import type { Sold, SoldPack } from './sold'

// Apart from the rest of what is sold: the figures need reels before anything else is bought.

/** Packs as they are sold, each with the user's own price where there is one, and the user's own sizes. */
export function ownPacks(
  { id, packs }: Pick<Sold, 'id' | 'packs'>,
  { prices }: { readonly prices: readonly OwnPrice[] },
): SoldPack[] {
  const own = prices.find(({ line }) => line === id)?.packs ?? []
  const isSize = (size: number) => (pack: Pick<SoldPack, 'size'>) =>
    Math.abs(pack.size - size) < 1e-9
  return [
    ...packs.map(({ size, price }) => ({ size, price: own.find(isSize(size))?.price ?? price })),
    ...own.filter(({ size }) => !packs.some(isSize(size))),
  ].toSorted((a, b) => a.size - b.size)
}

/** Strip on its reels, by the metre; nodes on wire in strings. */
export const soldStrip = ({ id, name, reels, nodesPerString }: Strip): Sold => ({
  id: `strip.${id}`,
  part: id,
  name: nodesPerString === undefined ? name : `${name}, strings`,
  group: 'light',
  unit: 'm',
  packs: reels.map(({ lengthMm, price }) => ({ size: lengthMm / 1000, price })),
})
