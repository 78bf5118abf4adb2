import type { Look } from './look'

// Whole runs of one state are the same array in many looks.
const hashes = new WeakMap<Uint8Array, number>()

/** A short number in place of thousands of pixels (FNV-1a). */
function hashOf(codes: Uint8Array): number {
  const known = hashes.get(codes)
  if (known !== undefined) return known
  let hash = 0x811c9dc5
  for (const code of codes) hash = Math.imul(hash ^ code, 0x01000193)
  hashes.set(codes, hash)
  return hash
}

/** Two different numbers of a text and a number: the sums of many of them tell sets apart in any order. */
function mixed(text: string, value: number): readonly [number, number] {
  let [a, b] = [0x811c9dc5 ^ value, 0x9e3779b9 + value]
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at)
    a = Math.imul(a ^ code, 0x01000193)
    b = Math.imul(b + code, 0x85ebca6b) ^ (b >>> 13)
  }
  return [a >>> 0, b >>> 0]
}

/** Equal for looks that are the same everywhere, to what a meter can tell. */
export function sightOf({ runs, values }: Look): string {
  let [a, b] = [0, 0]
  const add = (text: string, value: number): void => {
    const [x, y] = mixed(text, value)
    a = (a + x) % 0x1_0000_0000
    b = (b + y) % 0x1_0000_0000
  }
  for (const [id, codes] of runs) add(id, hashOf(codes))
  // A meter tells tenths of volts and amperes.
  for (const [point, value] of values) add(`point ${String(point)}`, Math.round(value * 10))
  return `${String(runs.size)} ${String(values.size)} ${String(a)} ${String(b)}`
}
