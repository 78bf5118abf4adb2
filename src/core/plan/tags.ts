import type { Line } from './plan'

/**
 * Gives letters out, each once: those behind all that are in use, A, B … Z, AA, AB …
 *
 * @param lines whose letters are in use; looked at when the first is asked for
 */
export function tagger(lines: readonly Pick<Line, 'tag'>[]): () => string {
  let next: number | undefined
  return () => {
    next ??= Math.max(-1, ...lines.map(({ tag }) => (tag === undefined ? -1 : placeOf(tag)))) + 1
    next += 1
    return tagAt(next - 1)
  }
}

/** Letters for every line, in the order of the pad; lines that have none get those that follow. */
export function tagsOf(lines: readonly Line[]): Map<string, string> {
  const tags = new Map<string, string>()
  const nextTag = tagger(lines)
  for (const { id, tag, text } of lines) {
    if (tag !== undefined) tags.set(id, tag)
    else if (text.trim() !== '') {
      tags.set(id, nextTag())
    }
  }
  return tags
}

/** Place in the row of tags, from 0. */
const placeOf = (tag: string): number =>
  Array.from(tag).reduce((place, letter) => place * 26 + letter.charCodeAt(0) - 64, 0) - 1

function tagAt(place: number): string {
  let tag = ''
  for (let rest = place + 1; rest > 0; rest = Math.floor((rest - 1) / 26))
    tag = String.fromCharCode(65 + ((rest - 1) % 26)) + tag
  return tag
}
