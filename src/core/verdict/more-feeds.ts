import type { CutStripRun } from '../cut/cut'
import { gaugesLike, wireOf } from '../parts/wires'
import { feedsOf, padOf, withFeedAt } from '../plan/feeds'
import type { Feed, Line } from '../plan/plan'
import type { Evidence, Remedy } from './verdict'

/** A remedy that changes how a run is fed. */
export interface FeedRemedy extends Remedy {
  readonly feeds: readonly Feed[]
}

const withFeeds = (line: Line, label: string, feeds: Feed[]): FeedRemedy => ({
  label,
  feeds,
  commands: [{ do: 'set-lines', lines: [line.id], set: { feeds } }],
})

/** A further feed at the far end. */
export function bothEnds(line: Line): FeedRemedy | undefined {
  const feeds = feedsOf(line)
  if (feeds.some(({ pad }) => pad === 'end')) return undefined
  return withFeeds(line, 'feed both ends', withFeedAt(feeds, 'end'))
}

/** Further feeds at the far end and in the middle. */
export function middleToo({ run, groups }: CutStripRun): FeedRemedy | undefined {
  const feeds = bothEnds(run.line)?.feeds ?? feedsOf(run.line)
  const middle = Math.round(groups / 2)
  if (groups < 4 || feeds.some((feed) => Math.abs(padOf(feed, groups) - middle) < groups / 8))
    return undefined
  return withFeeds(run.line, 'feed both ends and the middle', withFeedAt(feeds, middle))
}

/** So many feeds, evenly spread from end to end, with leads two sizes up where there are such. */
export function spread(evidence: Evidence, entry: CutStripRun, count: number): FeedRemedy {
  const { run, groups } = entry
  const pads = Array.from({ length: count }, (_, at) => Math.round((at * groups) / (count - 1)))
  const label = `${String(count)} feeds, evenly spread`
  const [like = { id: 'first', pad: 0, fuse: 'auto' as const }] = feedsOf(run.line)
  const feeds = pads.map((pad, at): Feed => ({
    ...like,
    id: `feed-${String(at + 1)}`,
    pad: at === count - 1 ? 'end' : pad,
    fuse: 'auto',
  }))
  const thick = thickerLeads(evidence, entry, { ...run.line, feeds })
  return thick === undefined
    ? withFeeds(run.line, label, feeds)
    : { ...thick, label: `${label}, ${thick.label}` }
}

/** Both wires of every feed two sizes up of their own kind. */
export function thickerLeads(
  { plan }: Evidence,
  { run }: CutStripRun,
  line: Pick<Line, 'feeds'>,
): FeedRemedy | undefined {
  const feeds = feedsOf(line).map((feed): Feed | undefined => {
    const own = wireOf(feed.wire ?? plan.defaults.wire)
    const thicker = gaugesLike(own).filter(({ areaMm2 }) => areaMm2 > own.areaMm2)[1]
    return thicker && { ...feed, wire: thicker.id }
  })
  const all = feeds.flatMap((feed) => feed ?? [])
  const [first] = all
  if (first?.wire === undefined || all.length < feeds.length) return undefined
  return withFeeds(run.line, `leads of ${wireOf(first.wire).name}`, all)
}
