import { NotUnderstood } from './tokens'

const commaInside = /(?<=\d),(?=\d)/g
const commaBesideSpace = /,\s|\s,/
const commaBehindUnit = /(?<![\d\s]),(?!\s)/

/**
 * A text with a point in place of each decimal comma, as long as before, so that places in it stay.
 *
 * Outside a list a comma between digits is one. In a list a comma beside a space separates; beside such commas one between digits is
 * a decimal comma (`3,5 m, 2 m`); three or more groups without any space are a list (`400,300,300`).
 *
 * @param start where to begin
 * @throws NotUnderstood where it could be either, such as `40,30` in a list
 */
export function withDecimalPoints(text: string, start: number, isList: boolean): string {
  const rest = text.slice(start)
  const [first] = rest.matchAll(commaInside)
  if (first === undefined) return text
  const hasChain = /\d,\d+,\d/.test(rest)
  if (!isList) return hasChain ? text : text.slice(0, start) + rest.replaceAll(commaInside, '.')
  const hasSpaced = commaBesideSpace.test(rest)
  if (!hasSpaced && hasChain && !commaBehindUnit.test(rest)) return text
  if (hasSpaced && !hasChain) return text.slice(0, start) + rest.replaceAll(commaInside, '.')
  const at = start + first.index
  const [before = '', after = ''] = [
    /\d+$/.exec(text.slice(0, at))?.[0],
    /^\d+/.exec(text.slice(at + 1))?.[0],
  ]
  throw new NotUnderstood(
    `“${before},${after}”: two measures or one? Write ${before}, ${after} or ${before}.${after}`,
    at - before.length,
    at + 1 + after.length,
  )
}

/**
 * Three digits behind one separator can be a thousand or a decimal: `1.200`, `12,500`. Numbers below one and those of more than three digits
 * before it are clear.
 */
export const isThousandOrDecimal = (number: string): boolean =>
  /^[1-9]\d{0,2}[.,]\d{3}$/.test(number)

/** What to ask about such a number. */
export const thousandOrDecimal = (number: string, unit: string): string => {
  const [whole = '', rest = ''] = number.split(/[.,]/)
  const behind = unit === '' ? '' : ` ${unit}`
  return `“${number}”: ${whole}${rest}${behind} or ${whole}.${rest.replace(/0+$/, '') || '0'}${behind}? Write one of them`
}

/** The members of a list that commas or semicolons separate, with points for decimal commas. */
export function membersOf(text: string): string[] {
  return text.split(';').flatMap((part) => {
    // Behind semicolons a comma inside a number is a decimal one, unless others in its part separate.
    const isList = !text.includes(';') || commaBesideSpace.test(part)
    return withDecimalPoints(part, 0, isList)
      .split(',')
      .map((one) => one.trim())
  })
}
