import Papa from 'papaparse'

/** What stands in front of an entry of a list: a bullet, a tick box, a number with a full stop or a bracket. */
const bullet = /^\s*(?:[-*•–—▪◦‣·]\s+|\[[ xX]?\]\s*|\d{1,3}[.)]\s+)+/u

const unitOf = (header: string): string | undefined =>
  /(?:^|[\s([])(mm|cm|m|in|ft)(?:$|[\s)\]])/.exec(header.toLowerCase())?.[1] ??
  (/\binch(?:es)?\b/i.test(header) ? 'in' : /\bf(?:oo|ee)t\b/i.test(header) ? 'ft' : undefined)
const isCount = (header: string): boolean =>
  /^(?:qty|quantity|count|pieces?|pcs|how many|×|x|no\.?|number)$/i.test(header.trim())
const isNumber = (cell: string): boolean => /^\d+(?:[.,]\d+)?$/.test(cell)

/**
 * Lines of the pad from a list as people keep them: plain lines, bullets and numbered lists, cells of a spreadsheet, CSV with tabs,
 * semicolons or commas. A header's unit and count go to the figures under it, so that no number is read in another unit. What is no list
 * stays as it is, line by line.
 */
export function listLines(text: string): string[] {
  const rows = text
    .replace(/^\uFEFF/, '')
    .replace(/[\r\n]+$/, '')
    .split(/\r\n|\r|\n/)
  const separator = separatorOf(rows)
  if (separator === undefined) return rows.map((row) => row.replace(bullet, ''))
  const { data } = Papa.parse<string[]>(rows.join('\n'), {
    delimiter: separator,
    skipEmptyLines: true,
  })
  const cells = data.map((row) => row.map((cell) => cell.trim()))
  const [first = [], ...others] = cells
  const isHeader =
    others.length > 0 &&
    first.every((cell) => !/\d/.test(cell)) &&
    others.some((row) => row.some((cell) => /\d/.test(cell)))
  const header = isHeader ? first : []
  return (isHeader ? others : cells).map((row) =>
    row
      .map((cell, column) => {
        const name = header[column] ?? ''
        if (!isNumber(cell)) return column === 0 ? cell.replace(bullet, '') : cell
        if (isCount(name)) return `${cell} x`
        const unit = unitOf(name)
        return unit === undefined ? cell : `${cell} ${unit}`
      })
      .filter((cell) => cell !== '')
      .join(' '),
  )
}

/** Tabs, else semicolons, each in every row; commas only behind a name without a figure, for a pad's own line has commas too. */
function separatorOf(rows: readonly string[]): string | undefined {
  const filled = rows.filter((row) => row.trim() !== '')
  if (filled.length === 0) return undefined
  if (filled.every((row) => row.includes('\t'))) return '\t'
  if (filled.length < 2) return undefined
  if (filled.every((row) => row.includes(';'))) return ';'
  return filled.every((row) => /^(?:"[^"]*"|[^",\d]+),/.test(row)) ? ',' : undefined
}
