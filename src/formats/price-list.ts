import type { ReceiptLine } from '../core/buy/receipt'
import type { OwnPrice } from '../core/plan/plan'
import { table, type Table } from './csv'
import { readTable } from './csv-read'

const columns = ['id', 'what', 'pack', 'unit', 'price'] as const

/** Prices of everything on a bill as CSV, to be filled in and read again: a row a pack. */
export const priceTable = (lines: readonly ReceiptLine[]): Table =>
  table(
    columns,
    lines.flatMap(({ id, name, unit, packs }) =>
      packs.map(({ size, price }) => [id, name, size, unit, price ?? '']),
    ),
  )

/** Something in a price list that cannot be read: where, and what was expected. */
export interface PriceIssue {
  /** From 1, as a spreadsheet counts. */
  readonly row: number
  readonly column: string
  readonly message: string
}

export type PriceListResult =
  | { readonly ok: true; readonly prices: readonly OwnPrice[]; readonly skipped: number }
  | { readonly ok: false; readonly issues: readonly PriceIssue[] }

/** Most that a pack costs. */
const highestPrice = 1_000_000

/**
 * Reads a price list: columns in any order, separated by commas, semicolons or tabs, decimals with a point or a comma. All of it or nothing; rows
 * without a price are skipped.
 */
export function readPriceList(text: string): PriceListResult {
  const read = readTable(text, ['id', 'pack', 'price'])
  if (!read.ok)
    return {
      ok: false,
      issues: read.missing.map((column) => ({
        row: 1,
        column,
        message: `no column “${column}”; the columns are ${columns.join(', ')}, as “Save the price list” writes them`,
      })),
    }
  const issues: PriceIssue[] = []
  const prices = new Map<string, { size: number; price: number }[]>()
  let skipped = 0
  for (const { row, text: cell, number: numberIn } of read.rows) {
    const number = (column: 'pack' | 'price', least: number, most: number): number | undefined => {
      const value = numberIn(column)
      if (value !== undefined && value >= least && value <= most) return value
      issues.push({
        row,
        column,
        message: `“${cell(column)}” is no ${column}: a number from ${String(least)} to ${String(most)} is expected`,
      })
      return undefined
    }
    const id = cell('id')
    if (id === '' || cell('price') === '') {
      skipped += 1
      continue
    }
    const size = number('pack', 0.001, 1_000_000)
    const price = number('price', 0, highestPrice)
    if (size === undefined || price === undefined) continue
    const known = prices.get(id) ?? []
    prices.set(id, [...known.filter((pack) => pack.size !== size), { size, price }])
  }
  return issues.length > 0
    ? { ok: false, issues }
    : { ok: true, prices: [...prices].map(([line, packs]) => ({ line, packs })), skipped }
}
