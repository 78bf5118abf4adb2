import type { Bought, Buy, OwnPrice } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'

type Item = Buy['lines'][number]

/** A line bought or not; what was noted of it stays as long as it is. */
export const withBought = (
  { bought }: Pick<Buy, 'bought'>,
  line: string,
  set: Settable<Omit<Bought, 'line'>> | undefined,
): Bought[] => {
  const others = bought.filter((one) => one.line !== line)
  if (set === undefined) return others
  const known = bought.find((one) => one.line === line) ?? { line }
  return [...others, withSet<Bought>(known, set)]
}

/** The own price of a pack; without one the typical price counts again. */
export function withPrice(
  { prices }: Pick<Buy, 'prices'>,
  line: string,
  size: number,
  price: number | undefined,
): OwnPrice[] {
  const others = prices.filter((one) => one.line !== line)
  const packs = [
    ...(prices.find((one) => one.line === line)?.packs ?? []).filter((pack) => pack.size !== size),
    ...(price === undefined ? [] : [{ size, price }]),
  ].toSorted((a, b) => a.size - b.size)
  return packs.length === 0 ? others : [...others, { line, packs }]
}

/** Prices of this plan, with those that are kept for every plan in place of older ones. */
export function withKept(own: readonly OwnPrice[], kept: readonly OwnPrice[]): OwnPrice[] {
  const ids = new Set(kept.map(({ line }) => line))
  return [...own.filter(({ line }) => !ids.has(line)), ...kept]
}

/** Whether both lists say the same, in any order. */
export const arePricesSame = (a: readonly OwnPrice[], b: readonly OwnPrice[]): boolean => {
  const textOf = (prices: readonly OwnPrice[]): string =>
    JSON.stringify(
      prices
        .map(({ line, packs }) => [line, packs.map(({ size, price }) => [size, price])] as const)
        .toSorted(([x], [y]) => x.localeCompare(y)),
    )
  return textOf(a) === textOf(b)
}

export const withOwnLine = ({ lines }: Pick<Buy, 'lines'>, line: Item): Item[] => [
  ...lines.filter(({ id }) => id !== line.id),
  line,
]
