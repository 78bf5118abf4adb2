import type { BillLine, BoughtPack } from './bill-lines'
import type { SoldPack } from '../parts/sold'
import { ownPacks } from '../parts/sold-strip'
import type { Buy } from '../plan/plan'
import { cheapestPacks } from './packs'

/** What is bought of a line, and what it costs. */
export interface ReceiptLine extends BillLine {
  /** Of the need, what offcuts and the drawer give. */
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
  const takenOf = new Map<string, number>()
  for (const { line, amount } of taken) takenOf.set(line, (takenOf.get(line) ?? 0) + amount)
  const lines = bill.map((line) =>
    priced(line, ownPacks(line, { prices }), takenOf.get(line.id) ?? 0),
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

function priced(line: BillLine, packs: readonly SoldPack[], taken: number): ReceiptLine {
  const have = Math.min(line.need, line.have + (line.settled === undefined ? taken : 0))
  const buys =
    line.settled === undefined
      ? cheapest(packs, line.need - have)
      : line.settled.map((pack) => ({ ...pack, price: priceOf(packs, pack.size) ?? pack.price }))
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

const priceOf = (packs: readonly SoldPack[], size: number): number | null | undefined =>
  packs.find((pack) => Math.abs(pack.size - size) < 1e-9)?.price

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
