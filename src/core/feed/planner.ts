import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import { placesOf } from '../measure/layout'
import { gaugesLike, type Wire } from '../parts/wires'
import type { Command } from '../plan/commands'
import { feedsOf, nextFeedId, padOf } from '../plan/feeds'
import type { Feed, Plan } from '../plan/plan'
import { weakestAt } from './brightness'
import { fuseFor } from './fuse'
import { feedAlone } from './feed-alone'
import { stripNetwork } from './plan-network'
import type { Lead } from '../route/lead'
import { leadsOf, runLeads } from '../route/leads'
import type { RoutedPlan } from '../route/routed-plan'
import { solveFeed, type SolvedFeed } from './solved-feed'

/** What every light is to keep at full white. */
export type FeedGoal =
  | { readonly kind: 'volts'; readonly atLeast: number }
  /** Share of the weakest colour, 0–1. */
  | { readonly kind: 'brightness'; readonly atLeast: number }

/** What is preferred where several ways reach the goal. */
export const feedWishes = ['fewest-joints', 'thinnest-wire', 'cheapest'] as const
export type FeedWish = (typeof feedWishes)[number]

export interface FeedAnswer {
  readonly wish: FeedWish
  /** Every wish that leads to this very answer. */
  readonly wishes: readonly FeedWish[]
  /** The plan's feeds as they would be, run by run; runs that are not named stay as they are. */
  readonly feeds: ReadonlyMap<string, readonly Feed[]>
  readonly addedFeeds: number
  /** *Typical* cost of wire, fuses and joints of the changed runs, less that of what they have now. */
  readonly addedCost: number
  readonly worstV: number
  readonly worstShare: number
  /** All of it as one edit. */
  readonly commands: readonly Command[]
}

export interface FeedPlan {
  readonly answers: readonly FeedAnswer[]
  /** Runs that no number of feeds and no wire brings to the goal. */
  readonly hopeless: readonly string[]
}

/** What feeds are planned from. */
export type PlannerGiven = Pick<
  RoutedPlan,
  'plan' | 'cutRuns' | 'layout' | 'sources' | 'volts' | 'loads'
>

/** More feeds than this on one run are no plan. */
const mostFeeds = 8
/** Sets of pads that are all tried; beyond that only evenly spread ones and their neighbours. */
const mostSets = 260

/** *Typical* cost of a feed besides its wire: fuse, holder, two joints. */
const feedPrice = 1.6

/** One way of feeding a run that reaches the goal. */
interface Way {
  readonly pads: readonly number[]
  readonly wire: Wire
  readonly cost: number
}

/**
 * Finds where to feed the runs that miss a goal, with what wire (handbook 3, feed planner). For each such run, ways are tried from one feed
 * up: on short runs every set of pads, on long ones evenly spread sets improved pad by pad; each with every gauge whose fuse carries its
 * load. What is proposed is solved once more in the whole plan, and left out where that does not confirm it.
 *
 * @param tell hears the share that is done, 0–1; `true` stops the search with what was found
 */
export function planFeeds(
  given: PlannerGiven,
  goal: FeedGoal,
  tell: (done: number) => boolean = () => false,
): FeedPlan {
  const { plan, cutRuns } = given
  const before = feedAll(given, plan)
  const missing = cutRuns.filter((entry) => entry.groups > 0 && !isMet(entry, before, goal))
  const found = new Map<string, ReadonlyMap<FeedWish, Way>>()
  const hopeless: string[] = []
  for (const [index, entry] of missing.entries()) {
    if (tell(index / Math.max(1, missing.length))) break
    const ways = waysFor(given, entry, goal)
    if (ways.size === 0) hopeless.push(entry.run.id)
    else found.set(entry.run.id, ways)
  }
  const answers: FeedAnswer[] = []
  for (const wish of feedWishes) {
    const feeds = new Map(
      [...found].flatMap(([id, ways]) => {
        const entry = entryOf(cutRuns, id)
        const best = ways.get(wish)
        return entry === undefined || best === undefined
          ? []
          : [[id, feedsFrom(plan, entry, best)] as const]
      }),
    )
    if (feeds.size === 0) continue
    const changed: Plan = {
      ...plan,
      lines: plan.lines.map((line) => {
        const own = feeds.get(line.id)
        return own === undefined ? line : { ...line, feeds: [...own] }
      }),
    }
    const after = feedAll(given, changed)
    // What hangs on one junction feels its neighbours: only what the whole plan confirms is an answer.
    const isConfirmed = cutRuns.every(
      (entry) => !feeds.has(entry.run.id) || isMet(entry, after, goal),
    )
    if (!isConfirmed) continue
    const touched = cutRuns.filter(({ run }) => feeds.has(run.id))
    const worst = touched.map((entry) => after.runs.get(entry.run.id))
    const cost = (feed: SolvedFeed): number =>
      feed.leads
        .filter(({ lead: { to } }) => to.kind === 'run' && feeds.has(to.run))
        .reduce((sum, { lead }) => sum + leadPrice(lead), 0)
    answers.push({
      wish,
      wishes: [wish],
      feeds,
      addedFeeds: touched.reduce(
        (sum, { run }) => sum + (feeds.get(run.id)?.length ?? 0) - feedsOf(run.line).length,
        0,
      ),
      addedCost: cost(after) - cost(before),
      worstV: Math.min(...worst.map((run) => run?.minV ?? 0)),
      worstShare: Math.min(...worst.map((run) => run?.weakest ?? 0)),
      commands: [...feeds].map(([id, own]) => ({
        do: 'set-lines',
        lines: [id],
        set: { feeds: [...own] },
      })),
    })
  }
  tell(1)
  return { answers: unlike(answers), hopeless }
}

/** Answers that several wishes lead to are told once. */
function unlike(answers: readonly FeedAnswer[]): FeedAnswer[] {
  const seen = new Map<string, FeedAnswer>()
  for (const answer of answers) {
    const key = JSON.stringify([...answer.feeds])
    const known = seen.get(key)
    seen.set(
      key,
      known === undefined ? answer : { ...known, wishes: [...known.wishes, answer.wish] },
    )
  }
  return [...seen.values()]
}

function feedAll({ cutRuns, layout, sources, volts, loads }: PlannerGiven, plan: Plan): SolvedFeed {
  const lineOf = new Map(plan.lines.map((line) => [line.id, line]))
  const entries = cutRuns.map((entry) => ({
    ...entry,
    run: { ...entry.run, line: lineOf.get(entry.run.id) ?? entry.run.line },
  }))
  const leads = leadsOf({ plan, cutRuns: entries, layout, sources, lit: [], plugs: [] })
  const network = stripNetwork({ plan, cutRuns: entries, volts, leads }, 'full-white')
  return solveFeed(network, 'full-white', entries, leads, loads)
}

function isMet(entry: CutStripRun, feed: SolvedFeed, goal: FeedGoal): boolean {
  const run = feed.runs.get(entry.run.id)
  if (run === undefined) return false
  return goal.kind === 'volts'
    ? run.minV >= goal.atLeast - 1e-9
    : run.weakest >= goal.atLeast - 1e-9
}

/** *Typical* price of a feed: its wire, fuse, holder and joints. */
const leadPrice = ({ wire, lengthMm }: Pick<Lead, 'wire' | 'lengthMm'>): number =>
  feedPrice + (lengthMm / 1000) * wire.pricePerM

/** What makes one way better than another, the weightiest first. */
const order: Readonly<Record<FeedWish, (way: Way) => readonly number[]>> = {
  'fewest-joints': ({ pads, cost }) => [pads.length, cost],
  'thinnest-wire': ({ wire, pads, cost }) => [wire.areaMm2, pads.length, cost],
  cheapest: ({ cost, pads }) => [cost, pads.length],
}

function isBetter(wish: FeedWish, way: Way, than: Way): boolean {
  const [own, other] = [order[wish](way), order[wish](than)]
  const at = own.findIndex((value, index) => Math.abs(value - (other[index] ?? 0)) > 1e-9)
  return at >= 0 && (own[at] ?? 0) < (other[at] ?? 0)
}

/** For each wish the best way of feeding one run that reaches the goal, of those that are tried; empty where none does. */
function waysFor(
  given: PlannerGiven,
  entry: CutStripRun,
  goal: FeedGoal,
): ReadonlyMap<FeedWish, Way> {
  const gauges = gaugesLike({ id: given.plan.defaults.wire })
  const best = new Map<FeedWish, Way>()
  const wishesFor = (way: Way): readonly FeedWish[] =>
    feedWishes.filter((wish) => {
      const known = best.get(wish)
      return known === undefined || isBetter(wish, way, known)
    })
  let enough = Math.min(mostFeeds, entry.groups + 1)
  for (let count = 1; count <= enough; count += 1) {
    const cheapestFirst = padSets(given, entry, count, gauges.at(-1))
      .map((pads) => waysAt(given, entry, pads, gauges))
      .toSorted((a, b) => (a[0]?.cost ?? 0) - (b[0]?.cost ?? 0))
    for (const ways of cheapestFirst) {
      // A thicker gauge than these cannot be the best for any wish: most sets of pads need one solution, or none.
      const useful = ways.slice(0, 1 + ways.findLastIndex((way) => wishesFor(way).length > 0))
      const way = thinnestOf(given, entry, useful, goal)
      if (way === undefined) continue
      for (const wish of wishesFor(way)) best.set(wish, way)
      // Two feeds more than the fewest may be thinner or cheaper; beyond that they are no plan.
      enough = Math.min(enough, count + 2)
    }
  }
  return best
}

/** Feeds at these pads with each gauge, from the thinnest up. */
function waysAt(
  { plan, layout, sources }: PlannerGiven,
  entry: CutStripRun,
  pads: readonly number[],
  gauges: readonly Wire[],
): Way[] {
  const place = placesOf(layout).get(entry.run.id)
  const [wire] = gauges
  if (place === undefined || wire === undefined) return []
  // Lead lengths are the same for every gauge.
  const leads = runLeads(plan, entry, place, sources, feedsFrom(plan, entry, { pads, wire }))
  return gauges.map((gauge) => ({
    pads,
    wire: gauge,
    cost: leads.reduce((sum, { lengthMm }) => sum + leadPrice({ wire: gauge, lengthMm }), 0),
  }))
}

/** Thicker is never worse: where the thickest will do, the thinnest that does is looked for by halves. */
function thinnestOf(
  given: PlannerGiven,
  entry: CutStripRun,
  ways: readonly Way[],
  goal: FeedGoal,
): Way | undefined {
  let best: Way | undefined
  let [low, high] = [0, ways.length - 1]
  for (let at = high; low <= high; at = Math.floor((low + high) / 2)) {
    const way = ways[at]
    if (way === undefined) break
    if (isGood(tryWay(given, entry, way.pads, way.wire), entry, goal)) {
      best = way
      high = at - 1
    } else if (best === undefined) return undefined
    else low = at + 1
  }
  return best
}

interface Tried {
  readonly minV: number
  readonly isFused: boolean
}

const isGood = (tried: Tried, { strip }: CutStripRun, goal: FeedGoal): boolean =>
  tried.isFused &&
  (goal.kind === 'volts'
    ? tried.minV >= goal.atLeast
    : weakestAt(strip, tried.minV) >= goal.atLeast)

function tryWay(
  given: PlannerGiven,
  entry: CutStripRun,
  pads: readonly number[],
  wire: Wire,
): Tried {
  const { amperes, run } = feedAlone(given, entry, feedsFrom(given.plan, entry, { pads, wire }), {
    isTriedOnce: true,
  })
  const nominalA = given.loads.find(({ id }) => id === entry.run.id)?.currentA['full-white'] ?? 0
  const allA = amperes.reduce((sum, each) => sum + each, 0)
  return {
    minV: run?.minV ?? 0,
    isFused:
      run !== undefined &&
      amperes.every(
        (each) =>
          fuseFor(Math.max(each, allA > 0 ? (nominalA * each) / allA : 0), wire.limitA) !== null,
      ),
  }
}

/** Sets of so many pads: all where they are few, otherwise evenly spread ones, improved pad by pad. */
function padSets(
  given: PlannerGiven,
  entry: CutStripRun,
  count: number,
  thickest: Wire | undefined,
): number[][] {
  const pads = entry.groups + 1
  if (combinations(pads, count) <= mostSets) return allSets(pads, count)
  const last = entry.groups
  const inside = Array.from({ length: count }, (_, at) =>
    Math.round((last * (2 * at + 1)) / (2 * count)),
  )
  const toEnds =
    count === 1
      ? []
      : [Array.from({ length: count }, (_, at) => Math.round((last * at) / (count - 1)))]
  const starts = count === 1 ? [[0], [last], inside] : [inside, ...toEnds]
  return thickest === undefined ? starts : [...starts, improved(given, entry, inside, thickest)]
}

/** Moves one pad after another while the lowest volts rise, by ever smaller steps. */
function improved(
  given: PlannerGiven,
  entry: CutStripRun,
  start: readonly number[],
  wire: Wire,
): number[] {
  let best = [...start]
  let bestV = tryWay(given, entry, best, wire).minV
  for (
    let step = Math.ceil(entry.groups / 8);
    step >= 1;
    step = step === 1 ? 0 : Math.ceil(step / 3)
  )
    for (const at of best.keys())
      for (const by of [-step, step]) {
        const moved = best.with(at, Math.min(entry.groups, Math.max(0, (best[at] ?? 0) + by)))
        if (new Set(moved).size < moved.length) continue
        const { minV } = tryWay(given, entry, moved, wire)
        if (minV > bestV + 1e-6) {
          best = moved
          bestV = minV
        }
      }
  return best
}

function combinations(n: number, k: number): number {
  let result = 1
  for (let at = 0; at < k; at += 1) result = (result * (n - at)) / (at + 1)
  return result
}

function allSets(n: number, k: number): number[][] {
  if (k === 0) return [[]]
  return Array.from({ length: n }, (_, first) =>
    first + k > n
      ? []
      : allSets(n - first - 1, k - 1).map((rest) => [first, ...rest.map((pad) => pad + first + 1)]),
  ).flat()
}

/** The feeds of a way; those that are where one is already keep its name, source and measured length. */
function feedsFrom(
  plan: Plan,
  { run, groups }: CutStripRun,
  { pads, wire }: Pick<Way, 'pads' | 'wire'>,
): Feed[] {
  const known = feedsOf(run.line)
  const from = known[0]?.from
  const wireId = wire.id === plan.defaults.wire ? undefined : wire.id
  const made: Feed[] = []
  for (const pad of pads) {
    const here = known.find((feed) => padOf(feed, groups) === pad)
    made.push({
      id: here?.id ?? nextFeedId([...known, ...made]),
      pad: pad === groups ? 'end' : pad,
      fuse: 'auto',
      ...(from !== undefined && { from }),
      ...(wireId !== undefined && { wire: wireId }),
      ...(here?.lengthMm !== undefined && { lengthMm: here.lengthMm }),
    })
  }
  return made
}
