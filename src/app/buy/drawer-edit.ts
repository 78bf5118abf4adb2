import Papa from 'papaparse'
import { nanoid } from 'nanoid'
import type { DrawerItem } from '../../core/buy/drawer'
import { formatLength, formatQuantity, plural, type LengthUnits } from '../../core/quantity/format'
import { readDrawer } from '../../formats/drawer-file'
import { numberOf } from '../../formats/price-list'
import type { StoredItem } from '../storage/db'

/** How much of something is in the drawer, in words. */
export function amountText({ unit, amount }: DrawerItem, units: LengthUnits): string {
  switch (unit) {
    case 'mm':
      return formatLength(amount, units)
    case 'm':
      return formatQuantity(amount, 'm')
    case 'piece':
      return plural(Number(amount.toFixed(2)), 'piece')
    case 'sheet':
      return plural(Number(amount.toFixed(2)), 'sheet')
  }
}

export type ReadItems =
  | { readonly ok: true; readonly items: readonly StoredItem[] }
  | { readonly ok: false; readonly problems: readonly string[] }

const units = ['piece', 'm', 'mm', 'sheet'] as const

/** Reads what somebody has counted: a drawer file, or a table with the columns name, amount, unit and part. All of it or nothing. */
export function readItems(text: string): ReadItems {
  if (/^\s*\{/.test(text)) {
    let document: unknown
    try {
      document = JSON.parse(text)
    } catch {
      return { ok: false, problems: ['The file is cut short: it is no JSON'] }
    }
    const read = readDrawer(document)
    return read.ok
      ? { ok: true, items: read.items.map((item) => ({ ...item, id: nanoid(8) })) }
      : { ok: false, problems: read.issues.map(({ path, message }) => `${path}: ${message}`) }
  }
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const missing = ['name', 'amount'].filter((column) => meta.fields?.includes(column) !== true)
  if (missing.length > 0)
    return {
      ok: false,
      problems: missing.map(
        (column) => `row 1: no column “${column}”; the columns are name, amount, unit, part`,
      ),
    }
  const problems: string[] = []
  const items = data.flatMap((row, index): StoredItem[] => {
    const at = `row ${String(index + 2)}`
    const name = (row.name ?? '').trim().slice(0, 120)
    const amount = numberOf(row.amount ?? '', meta.delimiter === ';' ? ',' : '.')
    const said = (row.unit ?? '').trim().toLowerCase()
    const unit = units.find((one) => one === (said === '' ? 'piece' : said))
    if (name === '') problems.push(`${at}, name: is missing`)
    if (amount === undefined || amount <= 0 || amount > 1_000_000)
      problems.push(`${at}, amount: “${row.amount ?? ''}” is no number above 0`)
    if (unit === undefined)
      problems.push(`${at}, unit: “${said}”; it is one of ${units.join(', ')}`)
    if (name === '' || amount === undefined || unit === undefined) return []
    const part = (row.part ?? '').trim()
    return [{ id: nanoid(8), name, unit, amount, ...(part !== '' && { part }) }]
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, items }
}
