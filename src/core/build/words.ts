import { blockId } from '../route/harness'
import { places, type Work } from './work'

/** What most steps are not. */
export const plain = {
  how: [],
  waitMin: 0,
  joints: [],
  threads: [],
  undoable: true,
  cautions: [],
  turn: 0,
} as const

/** "A", "A and B", "A, B and C". */
export const sentence = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`

/** Names of wires, those that follow each other by the first and the last. */
export function namesOf(work: Work, names: readonly string[]): string {
  const stretches: string[][] = []
  for (const name of work.inListOrder(names)) {
    const last = stretches.at(-1)
    const before = last?.at(-1)
    if (last !== undefined && before !== undefined && work.follows(before, name)) last.push(name)
    else stretches.push([name])
  }
  return sentence(
    stretches.flatMap((own) => (own.length > 2 ? [`${own[0] ?? ''} to ${own.at(-1) ?? ''}`] : own)),
  )
}

export const nameOfPlace = (work: Work, place: string): string =>
  place === places.board
    ? 'the board'
    : (work.blockOf.get(blockId.run(place))?.name ??
      work.blockOf.get(blockId.junction(place))?.name ??
      work.blockOf.get(place)?.name ??
      place)
