import { plainText } from './safe-text'

/** How a table is written. Spreadsheets expect what is usual in their language: a semicolon where the decimal sign is a comma. */
export interface CsvStyle {
  readonly separator: ',' | ';' | '\t'
  /** A mark of its encoding at the start, without which some spreadsheets garble `mm²`. */
  readonly hasMark: boolean
}

export const plainCsv: CsvStyle = { separator: ',', hasMark: false }

/** What is written as CSV, in any style. */
export interface Table {
  readonly header: readonly string[]
  readonly rows: readonly (readonly (string | number)[])[]
}

export const table = (header: Table['header'], rows: Table['rows']): Table => ({ header, rows })

/**
 * A table as CSV (RFC 4180): CRLF, quotes where needed. A text that a spreadsheet would take for a formula gets an apostrophe in front. With
 * semicolons numbers have a decimal comma.
 */
export function csv({ header, rows }: Table, { separator, hasMark }: CsvStyle = plainCsv): string {
  const lines = [header, ...rows].map(
    (row) => `${row.map((value) => cell(value, separator)).join(separator)}\r\n`,
  )
  return (hasMark ? '\uFEFF' : '') + lines.join('')
}

function cell(value: string | number, separator: CsvStyle['separator']): string {
  if (typeof value === 'number')
    return separator === ';' ? String(value).replace('.', ',') : String(value)
  const text = plainText(value)
  const safe = /^[=+\-@\t\r]/.test(text) ? `'${text}` : text
  return /[",;\t\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}
