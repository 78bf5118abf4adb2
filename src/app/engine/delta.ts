import { isFields } from './share'

/**
 * What has changed between two plain values, as it goes from a worker to the page: what is the same object in both is not sent again.
 *
 * `list`: each item by its index in the list before, or whole. `fields`: the changed fields of an object with the same keys.
 */
export type Delta =
  | { readonly kind: 'same' }
  | { readonly kind: 'whole'; readonly value: unknown }
  | { readonly kind: 'list'; readonly items: readonly (number | { readonly value: unknown })[] }
  | { readonly kind: 'fields'; readonly fields: Readonly<Record<string, Delta>> }

const same: Delta = { kind: 'same' }

/** The change from `last` to `next`; parts of `next` that are the very objects of `last` count as unchanged. */
export function deltaOf(last: unknown, next: unknown): Delta {
  if (Object.is(last, next)) return same
  if (Array.isArray(last) && Array.isArray(next)) return listDelta(last, next)
  if (isFields(last) && isFields(next)) {
    const keys = Object.keys(next)
    if (keys.length === Object.keys(last).length && keys.every((key) => key in last)) {
      const changed = keys.flatMap((key): [string, Delta][] =>
        Object.is(last[key], next[key]) ? [] : [[key, deltaOf(last[key], next[key])]],
      )
      return { kind: 'fields', fields: Object.fromEntries(changed) }
    }
  }
  return { kind: 'whole', value: next }
}

function listDelta(last: readonly unknown[], next: readonly unknown[]): Delta {
  const places = new Map<unknown, number>()
  for (const [index, item] of last.entries())
    if (typeof item === 'object' && item !== null) places.set(item, index)
  const items = next.map((item) => places.get(item) ?? { value: item })
  return items.some((item) => typeof item === 'number')
    ? { kind: 'list', items }
    : { kind: 'whole', value: next }
}

/** `last` with a change: the parts that did not change are the very same objects. */
export function withDelta(last: unknown, delta: Delta): unknown {
  switch (delta.kind) {
    case 'same':
      return last
    case 'whole':
      return delta.value
    case 'list': {
      const before = Array.isArray(last) ? (last as readonly unknown[]) : []
      return delta.items.map((item) => (typeof item === 'number' ? before[item] : item.value))
    }
    case 'fields': {
      const before = isFields(last) ? last : {}
      return {
        ...before,
        ...Object.fromEntries(
          Object.entries(delta.fields).map(([key, change]) => [
            key,
            withDelta(before[key], change),
          ]),
        ),
      }
    }
  }
}
