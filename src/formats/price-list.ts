import Papa from 'papaparse'
import type { ReceiptLine } from '../core/buy/receipt'
import type { OwnPrice } from '../core/plan/plan'
import { table, type Table } from './csv'

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
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const missing = (['id', 'pack', 'price'] as const).filter(
    (column) => meta.fields?.includes(column) !== true,
  )
  if (missing.length > 0)
    return {
      ok: false,
      issues: missing.map((column) => ({
        row: 1,
        column,
        message: `no column “${column}”; the columns are ${columns.join(', ')}, as “Save the price list” writes them`,
      })),
    }
  const issues: PriceIssue[] = []
  const prices = new Map<string, { size: number; price: number }[]>()
  let skipped = 0
  for (const [index, row] of data.entries()) {
    // The header is the first row of the sheet.
    const number = (column: 'pack' | 'price', least: number, most: number): number | undefined => {
      const value = numberOf(row[column] ?? '', meta.delimiter === ';' ? ',' : '.')
      if (value !== undefined && value >= least && value <= most) return value
      issues.push({
        row: index + 2,
        column,
        message: `“${row[column] ?? ''}” is no ${column}: a number from ${String(least)} to ${String(most)} is expected`,
      })
      return undefined
    }
    const id = row.id?.trim() ?? ''
    if (id === '' || (row.price ?? '').trim() === '') {
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

/**
 * A number as spreadsheets write it, with thousands set apart or not.
 *
 * @param mark of the decimals in such a file: a comma where semicolons separate its cells
 * @returns `undefined` where it is none, or could be two: `1,234` in a file whose decimals have a point
 */
export function numberOf(text: string, mark: '.' | ',' = '.'): number | undefined {
  const plain = text.trim().replaceAll(/[\s\u00A0\u202F']/g, '')
  const other = mark === '.' ? ',' : '.'
  const parts = (of: string): string => of.replace('.', '\\.')
  const matches = (pattern: string): boolean => new RegExp(`^${pattern}$`).test(plain)
  if (matches(`\\d+(?:${parts(mark)}\\d+)?`)) return Number(plain.replace(mark, '.'))
  if (matches(`\\d+${parts(other)}\\d{1,2}`)) return Number(plain.replace(other, '.'))
  if (matches(`\\d{1,3}(?:${parts(other)}\\d{3})+${parts(mark)}\\d+`))
    return Number(plain.replaceAll(other, '').replace(mark, '.'))
  return undefined
}
