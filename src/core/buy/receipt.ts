import type { BillLine, BoughtPack } from './bill'
import type { SoldPack } from '../parts/sold'
import type { Buy } from '../plan/plan'
import { cheapestPacks } from './packs'

type OwnPacks = Buy['prices'][number]['packs']

/** What is bought of a line, and what it costs. */
export interface ReceiptLine extends BillLine {
  /** Of the need, what rests and the drawer give. */
  readonly have: number
  readonly packs: readonly SoldPack[]
  readonly buys: readonly BoughtPack[]
  /** `null` where the price of something that is bought is not known. */
  readonly cost: number | null
  /** What is left over of the packs. */
  readonly over: number
}

export interface Receipt {
  readonly lines: readonly ReceiptLine[]
  /** Of all lines with a price. */
  readonly total: number
  /** Lines without. */
  readonly unpriced: number
}

/** A bill with prices: for each line the cheapest packs that cover what the drawer does not give (handbook 10, packs). */
export function receiptOf(
  bill: readonly BillLine[],
  { prices, taken }: Pick<Buy, 'prices' | 'taken'>,
): Receipt {
  const packsOf = new Map(prices.map(({ line, packs }) => [line, packs]))
  const takenOf = new Map<string, number>()
  for (const { line, amount } of taken) takenOf.set(line, (takenOf.get(line) ?? 0) + amount)
  const lines = bill.map((line) =>
    priced(line, packsOf.get(line.id) ?? [], takenOf.get(line.id) ?? 0),
  )
  return {
    lines,
    total: lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0),
    unpriced: lines.filter(({ cost }) => cost === null).length,
  }
}

/** Lines of which something has to be bought, and is not yet. */
export function toBuy({ lines }: Receipt, { bought }: Pick<Buy, 'bought'>): ReceiptLine[] {
  const done = new Set(bought.map(({ line }) => line))
  return lines.filter(({ id, buys }) => buys.length > 0 && !done.has(id))
}

function priced(line: BillLine, own: OwnPacks, taken: number): ReceiptLine {
  const packs = withOwn(line.packs, own)
  const have = Math.min(line.need, line.have + (line.settled === undefined ? taken : 0))
  const buys =
    line.settled === undefined
      ? cheapest(packs, line.need - have)
      : line.settled.map((pack) => ({ ...pack, price: priceOf(own, pack.size) ?? pack.price }))
  const bought = buys.reduce((sum, { size, count }) => sum + size * count, 0)
  return {
    ...line,
    packs,
    have,
    buys,
    cost: buys.some(({ price }) => price === null)
      ? null
      : buys.reduce((sum, { price, count }) => sum + (price ?? 0) * count, 0),
    over: Math.max(0, bought + have - line.need),
  }
}

const priceOf = (own: OwnPacks, size: number): number | undefined =>
  own.find((pack) => Math.abs(pack.size - size) < 1e-9)?.price

/** Packs as sold, each with the user's own price where there is one, and the user's own sizes. */
function withOwn(packs: readonly SoldPack[], own: OwnPacks): SoldPack[] {
  const others = own.filter(({ size }) => packs.every((pack) => Math.abs(pack.size - size) > 1e-9))
  return [
    ...packs.map(({ size, price }) => ({ size, price: priceOf(own, size) ?? price })),
    ...others,
  ].toSorted((a, b) => a.size - b.size)
}

/** The cheapest packs that cover a need; where no price is known, as few of the smallest as will do. */
function cheapest(packs: readonly SoldPack[], need: number): BoughtPack[] {
  if (need <= 1e-9) return []
  const known = packs.flatMap(({ size, price }) => (price === null ? [] : [{ size, price }]))
  if (known.length > 0) return [...cheapestPacks(Math.ceil(need - 1e-9), known).packs]
  const [smallest] = packs
  return smallest === undefined
    ? []
    : [{ ...smallest, count: Math.ceil(need / smallest.size - 1e-9) }]
}
