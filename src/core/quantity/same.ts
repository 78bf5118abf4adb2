/** Whether two plain values say the same, whatever the order of their keys; a key without a value is as good as none. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b || Object.is(a, b)) return true
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false
  if (Array.isArray(a) !== Array.isArray(b)) return false
  const [own, other] = [definedEntries(a), definedEntries(b)]
  return own.size === other.size && [...own].every(([key, value]) => isSame(value, other.get(key)))
}

const definedEntries = (value: object): Map<string, unknown> =>
  new Map(Object.entries(value).filter(([, own]) => own !== undefined))

/** Whether two lists hold the very same things. A loop and no callback: thousands of them are compared at every key stroke. */
export function areSame(some: readonly unknown[], others: readonly unknown[]): boolean {
  if (some.length !== others.length) return false
  for (let index = 0; index < some.length; index += 1)
    if (!Object.is(some[index], others[index])) return false
  return true
}
