import { largest, smallest } from '../quantity/extremes'
/** What runs through a channel: from some heights at its left to others at its left or right. */
export interface Crossing {
  /** Of its ends at the left side. */
  readonly left: readonly number[]
  /** Of its ends at the right side. */
  readonly right: readonly number[]
}

const span = ({ left, right }: Crossing): [top: number, bottom: number] => {
  const all = [...left, ...right]
  return [smallest(all), largest(all)]
}

const inside = (heights: readonly number[], [top, bottom]: readonly [number, number]): number =>
  heights.filter((height) => height > top && height < bottom).length

/** How often two cross where `a` turns to the left of `b`: a's ways to the right pass b, b's to the left pass a. */
const crossings = (a: Crossing, b: Crossing): number =>
  inside(a.right, span(b)) + inside(b.left, span(a))

/**
 * Tracks for what runs through a channel, from its left, so that few of them cross: neighbours are exchanged as long as that helps. Those
 * whose heights do not meet share a track.
 *
 * @returns the track of each, from 0
 */
export function tracksFor(items: readonly Crossing[], apart = 0): number[] {
  const middle = (heights: readonly number[]): number =>
    heights.length === 0 ? 0 : heights.reduce((sum, height) => sum + height, 0) / heights.length
  const order = items
    .map((item, index) => ({ item, index }))
    .toSorted((a, b) => middle(b.item.right) - middle(a.item.right))
  for (let round = 0, isBetter = true; isBetter && round < items.length; round += 1) {
    isBetter = false
    for (let at = 0; at + 1 < order.length; at += 1) {
      const [a, b] = [order[at], order[at + 1]]
      if (a === undefined || b === undefined) continue
      if (crossings(b.item, a.item) < crossings(a.item, b.item)) {
        order[at] = b
        order[at + 1] = a
        isBetter = true
      }
    }
  }
  const tracks = new Array<number>(items.length).fill(0)
  const placed: { readonly track: number; readonly top: number; readonly bottom: number }[] = []
  for (const { item, index } of order) {
    const [top, bottom] = span(item)
    const track = placed.reduce(
      (least, other) =>
        other.top - apart < bottom && top < other.bottom + apart
          ? Math.max(least, other.track + 1)
          : least,
      0,
    )
    tracks[index] = track
    placed.push({ track, top, bottom })
  }
  return tracks
}
