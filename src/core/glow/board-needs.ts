import { memoryWords, placeBytes, type CompiledShow } from './compile'

/** What a show takes of a board, bytes. */
export interface BoardNeeds {
  /** Working memory: what is remembered, and the bytes of the longest lane. */
  readonly ramBytes: number
  /** Program memory: its tables, and about what a compiler makes of its code. */
  readonly flashBytes: number
}

/** *Typical* size of the player and of one pattern on an 8-bit board, bytes. */
const [playerBytes, patternBytes] = [5_000, 700]
/** The player's own words and bookkeeping, bytes. */
const ownBytes = 64

/** What the C of a show takes (`formats/c-show`): tables that several layers share count once. */
export function boardNeeds(show: CompiledShow): BoardNeeds {
  const { scenes, field } = show
  const parts = scenes.flatMap(({ layers }) => layers)
  const longest = Math.max(0, ...field.lanes.map(({ count, channels }) => count * channels.length))
  const bytesEach = placeBytes(parts)
  const tables = new Map<string, number>()
  for (const { p, u, v, width } of parts) {
    tables.set(`p ${p.join()}`, 4 * p.length)
    tables.set(`u ${u.join()}`, bytesEach * u.length)
    if (width > 0) tables.set(`u ${v.join()}`, bytesEach * v.length)
  }
  const patterns = new Set(parts.map(({ pattern }) => pattern.id))
  return {
    ramBytes: 4 * memoryWords(show) + longest + ownBytes + scenes.length,
    flashBytes:
      playerBytes +
      patternBytes * patterns.size +
      64 * parts.length +
      [...tables.values()].reduce((sum, bytes) => sum + bytes, 0),
  }
}
