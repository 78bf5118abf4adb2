import type { LightState, When } from './fault'
import type { Painted } from './seen'

const sameLook = (a: Painted, b: Painted): boolean => a[2] === b[2] && a[3] === b[3]

/**
 * Paints some lights of a run: what was there before makes room, and neighbours of one look become one stretch.
 *
 * @param state `undefined` wipes: nothing is said of them any more
 */
export function paintedOver(
  before: readonly Painted[],
  from: number,
  count: number,
  state: LightState | undefined,
  when?: When,
): readonly Painted[] {
  const to = from + count
  const left = before.flatMap((own): Painted[] => {
    const [start, length] = own
    const end = start + length
    const parts: Painted[] = []
    if (start < from) parts.push(withRange(own, start, Math.min(end, from) - start))
    if (end > to) parts.push(withRange(own, Math.max(start, to), end - Math.max(start, to)))
    return parts
  })
  const own: Painted[] =
    state === undefined || count <= 0
      ? []
      : [
          state === 'right' || when === undefined
            ? [from, count, state]
            : [from, count, state, when],
        ]
  const all: Painted[] = []
  for (const one of [...left, ...own].toSorted((a, b) => a[0] - b[0])) {
    const last = all.at(-1)
    if (last !== undefined && last[0] + last[1] === one[0] && sameLook(last, one))
      all[all.length - 1] = withRange(last, last[0], last[1] + one[1])
    else all.push(one)
  }
  return all
}

const withRange = ([, , state, when]: Painted, from: number, count: number): Painted =>
  when === undefined ? [from, count, state] : [from, count, state, when]
