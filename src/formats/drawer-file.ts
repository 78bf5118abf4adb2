import type { DrawerItem } from '../core/buy/drawer'
import { nameSchema } from '../core/plan/parts'
import { issueText } from '../core/quantity/message-of'
import { issuesOf, z, type Issue } from '../core/quantity/z'
import { readTable } from './csv-read'

const drawerFormat = 'glow-tally drawer'
const drawerVersion = 1

const drawerUnits = ['piece', 'm', 'mm', 'sheet'] as const

export const drawerItemSchema = z.strictObject({
  part: z.string().min(1).max(200).optional(),
  name: nameSchema,
  unit: z.enum(drawerUnits),
  amount: z
    .number()
    .min(0.001, 'above 0 is expected')
    .max(1_000_000, 'at most 1\u202f000\u202f000'),
})

/** What is in a drawer, as a file: counts in pieces or sheets, wire in m, an offcut of strip each in mm or m. */
export const drawerSchema = z.strictObject({
  format: z.literal(drawerFormat, `“${drawerFormat}” is expected: this is no drawer file`),
  version: z.literal(drawerVersion, 'version 1 is expected; a newer file needs a newer program'),
  items: z.array(drawerItemSchema).max(5_000, 'at most 5\u202f000 items'),
})

export type DrawerFileResult =
  | { readonly ok: true; readonly items: readonly DrawerItem[] }
  | { readonly ok: false; readonly issues: readonly Issue[] }

/** Reads a drawer file whole or not at all; what is wrong is named by its path. */
export function readDrawer(document: unknown): DrawerFileResult {
  const parsed = drawerSchema.safeParse(document)
  return parsed.success
    ? { ok: true, items: parsed.data.items }
    : { ok: false, issues: issuesOf(parsed.error) }
}

export const writeDrawerFile = (items: readonly DrawerItem[]): string =>
  `${JSON.stringify({ format: drawerFormat, version: drawerVersion, items }, null, 2)}\n`

export type DrawerTextResult =
  | { readonly ok: true; readonly items: readonly DrawerItem[] }
  | { readonly ok: false; readonly problems: readonly string[] }

/** Reads what somebody has counted: a drawer file, or a table with the columns name, amount, unit and part. All of it or nothing. */
export function readDrawerText(text: string): DrawerTextResult {
  if (!/^\s*\{/.test(text)) return readDrawerTable(text)
  let document: unknown
  try {
    document = JSON.parse(text)
  } catch {
    return { ok: false, problems: ['The file is cut short: it is no JSON'] }
  }
  const read = readDrawer(document)
  return read.ok ? read : { ok: false, problems: read.issues.map(issueText) }
}

function readDrawerTable(text: string): DrawerTextResult {
  const read = readTable(text, ['name', 'amount'])
  if (!read.ok)
    return {
      ok: false,
      problems: read.missing.map(
        (column) => `row 1: no column “${column}”; the columns are name, amount, unit, part`,
      ),
    }
  const problems: string[] = []
  const items = read.rows.flatMap(({ row, text: cell, number }): DrawerItem[] => {
    const at = `row ${String(row)}`
    const name = cell('name').slice(0, 120)
    const amount = number('amount')
    const said = cell('unit').toLowerCase()
    const unit = drawerUnits.find((one) => one === (said === '' ? 'piece' : said))
    if (name === '') problems.push(`${at}, name: is missing`)
    if (amount === undefined || amount <= 0 || amount > 1_000_000)
      problems.push(`${at}, amount: “${cell('amount')}” is no number above 0`)
    if (unit === undefined)
      problems.push(`${at}, unit: “${said}”; it is one of ${drawerUnits.join(', ')}`)
    if (name === '' || amount === undefined || unit === undefined) return []
    const part = cell('part')
    return [{ name, unit, amount, ...(part !== '' && { part }) }]
  })
  return problems.length > 0 ? { ok: false, problems } : { ok: true, items }
}
