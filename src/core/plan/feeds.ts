import type { Feed, Line } from './plan'

/** A run's feeds: those of the plan, or one where the wire enters. */
export const feedsOf = (line: Pick<Line, 'feeds'>): readonly Feed[] =>
  line.feeds ?? [{ id: 'first', pad: 0, fuse: 'auto' }]

/** The feeds with one more at a pad, from where the first comes and of its gauge. */
export function withFeedAt(feeds: readonly Feed[], pad: Feed['pad']): Feed[] {
  const [like] = feeds
  return [
    ...feeds,
    {
      id: nextFeedId(feeds),
      pad,
      fuse: 'auto',
      ...(like?.from !== undefined && { from: like.from }),
      ...(like?.wire !== undefined && { wire: like.wire }),
    },
  ]
}

/** An id that none of the feeds has yet. */
export function nextFeedId(feeds: readonly Pick<Feed, 'id'>[]): string {
  for (let number = feeds.length + 1; ; number += 1)
    if (!feeds.some(({ id }) => id === `feed-${String(number)}`)) return `feed-${String(number)}`
}

/** A feed's pad in cut groups: what a shorter run no longer has is its end. */
export const padOf = ({ pad }: Pick<Feed, 'pad'>, groups: number): number =>
  pad === 'end' ? groups : Math.min(pad, groups)
