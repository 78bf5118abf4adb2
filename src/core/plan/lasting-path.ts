import type { AdjustedFigure } from './plan'

// A way into a plan that lasts while its lists change: what stands in a list is named by its id, where it has one.

/** The text under a key of a value; `undefined` where there is none. */
export const textIn = (value: unknown, key: string): string | undefined => {
  const text: unknown =
    typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined
  return typeof text === 'string' ? text : undefined
}

/** What a way leads to; in a list a number is a place, a text the id of what stands there. */
export const valueAt = (document: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((value, key) => {
    if (Array.isArray(value) && typeof key === 'string')
      return value.find((item) => textIn(item, 'id') === key)
    return typeof value === 'object' && value !== null ? Reflect.get(value, key) : undefined
  }, document)

/** The same way with ids instead of places in lists, where what stands there has one. */
export const lastingPath = (
  document: unknown,
  path: readonly PropertyKey[],
): AdjustedFigure['path'] =>
  path.map((key, index) =>
    typeof key === 'number'
      ? (textIn(valueAt(document, path.slice(0, index + 1)), 'id') ?? key)
      : String(key),
  )
