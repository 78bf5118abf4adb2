import Papa from 'papaparse'

/** A table that somebody has written, row by row. */
export type ReadTable =
  | {
      readonly ok: true
      readonly rows: readonly {
        /** From 1, as a spreadsheet counts: the header is the first. */
        readonly row: number
        /** Of a column by its name in small letters, without spaces around it; empty where there is none. */
        readonly text: (column: string) => string
        /** … as a number; `undefined` where it is none, or could be two. */
        readonly number: (column: string) => number | undefined
      }[]
    }
  /** Columns that are needed and are not there. */
  | { readonly ok: false; readonly missing: readonly string[] }

/** Reads a table with a header: columns in any order, separated by commas, semicolons or tabs, with a mark of its encoding or without. */
export function readTable(text: string, needed: readonly string[]): ReadTable {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const missing = needed.filter((column) => meta.fields?.includes(column) !== true)
  if (missing.length > 0) return { ok: false, missing }
  const mark = meta.delimiter === ';' ? ',' : '.'
  return {
    ok: true,
    rows: data.map((cells, index) => ({
      row: index + 2,
      text: (column) => (cells[column] ?? '').trim(),
      number: (column) => numberOf(cells[column] ?? '', mark),
    })),
  }
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
