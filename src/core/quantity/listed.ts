/** The list under a key, made where there is none. */
export function listed<Key, Item>(map: Map<Key, Item[]>, key: Key): Item[] {
  const known = map.get(key) ?? []
  map.set(key, known)
  return known
}
