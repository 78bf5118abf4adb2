/**
 * `next`, but with everything in it that equals its place in `last` being the very object of `last`. What comes out of a worker is new
 * throughout; shared like this, a view sees what really changed. Neither value is changed. For plain data: objects, arrays, typed arrays
 * and primitives; anything else counts as changed.
 */
export function shared<Value>(last: unknown, next: Value): Value {
  if (Object.is(last, next) || typeof next !== 'object' || next === null) return next
  if (last !== undefined && standIns.get(next) === last) return last as Value
  const found = compared(last, next)
  if (found !== next) standIns.set(next, found)
  return found
}

/** What was given for an object the last time: what an engine has kept comes again and again, and need not be compared again. */
const standIns = new WeakMap<object, unknown>()

function compared<Value extends object>(last: unknown, next: Value): Value {
  if (next instanceof Float64Array)
    return last instanceof Float64Array && isSameNumbers(last, next) ? (last as Value) : next
  if (Array.isArray(next)) {
    if (!Array.isArray(last)) return next
    const before = last as readonly unknown[]
    let places: ReadonlyMap<string, unknown> | undefined
    let isSame = next.length === before.length
    const items = next.map((item: unknown, index) => {
      const here = before[index]
      if (Object.is(here, item)) return item
      const isThere = !hasId(item) || (hasId(here) && here.id === item.id)
      const found = shared(isThere ? here : (places ??= byId(before)).get(item.id), item)
      isSame &&= Object.is(found, here)
      return found
    })
    return (isSame ? last : items) as Value
  }
  if (!isFields(last) || !isFields(next)) return next
  const keys = Object.keys(next)
  const fields = Object.fromEntries(keys.map((key) => [key, shared(last[key], next[key])]))
  const isSame =
    keys.length === Object.keys(last).length &&
    keys.every((key) => key in last && Object.is(fields[key], last[key]))
  return (isSame ? last : fields) as Value
}

const byId = (items: readonly unknown[]): ReadonlyMap<string, unknown> =>
  new Map(items.flatMap((item) => (hasId(item) ? [[item.id, item]] : [])))

/** Items with ids are found again wherever they stand. */
export const hasId = (value: unknown): value is { readonly id: string } =>
  typeof value === 'object' && value !== null && 'id' in value && typeof value.id === 'string'

const isSameNumbers = (a: Float64Array, b: Float64Array): boolean =>
  a.length === b.length && a.every((value, index) => value === b[index])

/** An object of plain fields. */
export const isFields = (value: unknown): value is Readonly<Record<string, unknown>> => {
  if (typeof value !== 'object' || value === null) return false
  const prototype: unknown = Object.getPrototypeOf(value)
  return prototype === Object.prototype || prototype === null
}
