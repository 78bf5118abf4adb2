/**
 * A copy of `next` in which everything that equals its place in `last` is the very same object. What comes out of a worker
 * is new throughout; shared like this, a view sees what really changed. For plain data: objects, arrays, typed arrays and primitives.
 */
export function shared<Value>(last: unknown, next: Value): Value {
  if (Object.is(last, next) || !isObject(last) || !isObject(next)) return next
  if (next instanceof Float64Array)
    return last instanceof Float64Array && isSameNumbers(last, next) ? (last as Value) : next
  if (Array.isArray(last) !== Array.isArray(next)) return next
  const keys = Object.keys(next)
  let isSame = keys.length === Object.keys(last).length
  const result: Record<string, unknown> = next
  for (const key of keys) {
    const value = shared(last[key], result[key])
    isSame &&= Object.is(value, last[key]) && key in last
    result[key] = value
  }
  return isSame ? (last as Value) : next
}

const isSameNumbers = (a: Float64Array, b: Float64Array): boolean =>
  a.length === b.length && a.every((value, index) => value === b[index])

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null
