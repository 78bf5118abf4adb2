import type { Look } from './look'

/** Equal for looks that are the same everywhere, to what a meter can tell. */
export function sightOf({ runs, values }: Look): string {
  const lights = [...runs].map(([id, codes]) => {
    // A short number in place of thousands of pixels.
    let hash = 0x811c9dc5
    for (const code of codes) hash = Math.imul(hash ^ code, 0x01000193)
    return `${id}:${String(hash >>> 0)}`
  })
  const read = [...values].map(([point, value]) => `${String(point)}=${value.toFixed(1)}`)
  return [...lights.toSorted(), ...read.toSorted()].join(' ')
}
