import { hasId, isFields } from './share'

/**
 * What has changed between two plain values, as it goes from a worker to the page: what is the same object in both is not sent again.
 *
 * `list`: each item by its index in the list before, by what changed of the one there, or whole. `fields`: the changed fields of an object
 * with the same keys.
 */
export type Delta =
  | { readonly kind: 'same' }
  | { readonly kind: 'whole'; readonly value: unknown }
  | { readonly kind: 'list'; readonly items: readonly ItemDelta[] }
  | { readonly kind: 'fields'; readonly fields: Readonly<Record<string, Delta>> }

type ItemDelta =
  | number
  | { readonly at: number; readonly change: Delta }
  | { readonly value: unknown }

/** A value that stands for itself, whatever was before. */
export const whole = (value: unknown): Delta => ({ kind: 'whole', value })

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
  return whole(next)
}

function listDelta(last: readonly unknown[], next: readonly unknown[]): Delta {
  const places = new Map<unknown, number>()
  const idPlaces = new Map<string, number>()
  for (const [index, item] of last.entries()) {
    if (typeof item === 'object' && item !== null) places.set(item, index)
    if (hasId(item)) idPlaces.set(item.id, index)
  }
  const items = next.map((item): ItemDelta => {
    const place = places.get(item)
    if (place !== undefined) return place
    const at = hasId(item) ? idPlaces.get(item.id) : undefined
    return at === undefined ? { value: item } : { at, change: deltaOf(last[at], item) }
  })
  return items.some((item) => typeof item === 'number' || 'at' in item)
    ? { kind: 'list', items }
    : whole(next)
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
      return delta.items.map((item) => {
        if (typeof item === 'number') return before[item]
        return 'at' in item ? withDelta(before[item.at], item.change) : item.value
      })
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
