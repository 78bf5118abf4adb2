/**
 * Rows as CSV (RFC 4180): commas, CRLF, quotes where needed. A text that a spreadsheet would take for a formula gets an
 * apostrophe in front.
 */
export function csv(
  header: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): string {
  return [header, ...rows].map((row) => `${row.map(cell).join(',')}\r\n`).join('')
}

function cell(value: string | number): string {
  if (typeof value === 'number') return String(value)
  const safe = /^[=+\-@\t\r]/.test(value) ? `'${value}` : value
  return /[",\r\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe
}
