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

type Two = readonly [number, number]

/** Two different numbers of a text. */
const texts = new Map<string, Two>()
function numbersOf(text: string): Two {
  const known = texts.get(text)
  if (known !== undefined) return known
  let [a, b] = [0x811c9dc5, 0x9e3779b9]
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at)
    a = Math.imul(a ^ code, 0x01000193)
    b = Math.imul(b + code, 0x85ebca6b) ^ (b >>> 13)
  }
  if (texts.size >= mostTexts) texts.clear()
  const found: Two = [a, b]
  texts.set(text, found)
  return found
}
/** So many are kept, at the most. */
const mostTexts = 20_000

/** … and of a number beside it: the sums of many of them tell sets apart in any order. */
function mixed([a, b]: Two, value: number): Two {
  return [
    Math.imul(a ^ value, 0x85ebca6b) >>> 0,
    (Math.imul(b + value, 0xc2b2ae35) ^ (value >>> 13)) >>> 0,
  ]
}

/** Equal for looks that are the same everywhere, to what a meter can tell. */
export function sightOf({ runs, values }: Look): string {
  let [a, b] = [0, 0]
  const add = (of: Two, value: number): void => {
    const [x, y] = mixed(of, value)
    a = (a + x) % 0x1_0000_0000
    b = (b + y) % 0x1_0000_0000
  }
  for (const [id, codes] of runs) add(numbersOf(id), hashOf(codes))
  // A meter tells tenths of volts and amperes.
  for (const [point, value] of values)
    add(
      [Math.imul(point + 1, 0x9e3779b1), Math.imul(point + 1, 0x27d4eb2f)],
      Math.round(value * 10),
    )
  return `${String(runs.size)} ${String(values.size)} ${String(a)} ${String(b)}`
}
