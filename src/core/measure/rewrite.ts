import type { Dimension } from './shape'

/**
 * A pad line with one of its measures replaced by what was typed on the drawing. Arithmetic goes into brackets, so that it
 * stays one measure; so does a count in front of a length.
 *
 * @example withDimension('ledge 2 x 560', { kind: 'length', value: 560, at: 10, end: 13 }, '600 - 20') // 'ledge 2 x (600 - 20)'
 */
export function withDimension(text: string, { at, end, kind }: Dimension, typed: string): string {
  const value = typed.trim().replace(kind === 'radius' ? /^r\s*/i : /^[d⌀ø]\s*/i, '')
  const isSum = /[-+*x×]/i.test(value) && !/^\(.*\)$/.test(value)
  return text.slice(0, at) + (isSum ? `(${value})` : value) + text.slice(end)
}
