import type { CutStripRun } from '../cut/cut'
import { padPlace } from '../cut/pads'
import { isOnPins, type LitRun } from '../load/lights'
import { nodesA } from '../load/nodes'
import { squareWay, type Point } from '../measure/geometry'
import { placer, placesOf, type Layout } from '../measure/layout'
import { wireOf, type Wire } from '../parts/wires'
import type { Feed, Junction, Place, Plan } from '../plan/plan'
import { supplyIdOf } from '../plan/supply-of'
import type { PlugTree } from './plugs'

/** A pair of wires from a supply or a junction to a pad, or to a junction. */
export interface Lead {
  readonly id: string
  /** Id of the supply or junction it comes from. */
  readonly from: string
  readonly to:
    | { readonly kind: 'run'; readonly run: string; readonly pad: number }
    | { readonly kind: 'junction'; readonly junction: string }
  /** Where it ends on the drawing. */
  readonly end: Point
  readonly start: Point
  readonly wire: Wire
  /** Along the drawing at right angles, with the plan's slack, mm. */
  readonly drawnMm: number
  /** As measured, or else as drawn. */
  readonly lengthMm: number
  readonly isMeasured: boolean
  readonly fuse: Feed['fuse']
  /** Which of the leads of its feed it is, from 0: lights that are plugged together may share one out between several. */
  readonly share: number
}

/** Where everything is on the drawing that has no place of its own among the runs. */
export interface Hidden {
  readonly supplies: ReadonlyMap<string, Point>
  readonly junctions: ReadonlyMap<string, Point>
  readonly controller: Point
}

/** Supplies, junctions and the controller: where they were put, or in a row below the runs. */
export function hiddenPlaces(plan: Plan, { box }: Layout): Hidden {
  const step = Math.max(160, box.width * 0.13)
  const below = box.y + box.height + step * 0.3
  const inRow = (index: number): Point => [box.x + step * (0.5 + index), below]
  return {
    supplies: new Map(plan.supplies.map(({ id, at }, index) => [id, at ?? inRow(index)])),
    junctions: new Map(
      plan.junctions.map(({ id, at }, index) => [
        id,
        at ?? inRow(plan.supplies.length + 1 + index),
      ]),
    ),
    controller: plan.bench.controllerAt ?? inRow(plan.supplies.length),
  }
}

/** A run's feeds: those of the plan, or one where the wire enters. */
export const feedsOf = (line: Plan['lines'][number]): readonly Feed[] =>
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

/** Id of the run or junction that a lead goes to. */
export const targetOf = ({ to }: Pick<Lead, 'to'>): string =>
  to.kind === 'run' ? to.run : to.junction

/** What a lead is called: where it goes. */
export function leadName(
  { junctions }: Plan,
  cuts: readonly CutStripRun[],
  { to }: Pick<Lead, 'to'>,
): string {
  if (to.kind === 'junction')
    return junctions.find(({ id }) => id === to.junction)?.name ?? 'a junction'
  const entry = cuts.find(({ run }) => run.id === to.run)
  if (entry === undefined) return ''
  if (to.pad === 0) return entry.run.name
  return `${entry.run.name}, ${to.pad === entry.cuts ? 'far end' : `pad ${String(to.pad)}`}`
}

/** Id of a feed's lead; of the second and further ones that share it, with their number. */
export const feedLeadId = (run: string, feed: string, share = 0): string =>
  `${run}.${feed}${share === 0 ? '' : `@${String(share + 1)}`}`

/** A feed's pad in cut groups: what a shorter run no longer has is its end. */
export const padOf = ({ pad }: Pick<Feed, 'pad'>, cuts: number): number =>
  pad === 'end' ? cuts : Math.min(pad, cuts)

/** Every lead of the plan, its junctions' first. */
export function leadsOf(
  plan: Plan,
  cuts: readonly CutStripRun[],
  layout: Layout,
  hidden: Hidden,
): Lead[] {
  const placeOf = placesOf(layout)
  return [
    ...junctionLeads(plan, hidden),
    ...cuts.flatMap((entry) => {
      const place = placeOf.get(entry.run.id)
      return place === undefined
        ? []
        : runLeads(plan, entry, place, hidden, feedsOf(entry.run.line))
    }),
  ]
}

/** The leads from supplies and junctions to junctions. */
export function junctionLeads(plan: Plan, hidden: Hidden): Lead[] {
  const [firstSupply = ''] = hidden.supplies.keys()
  return plan.junctions.map((junction) =>
    leadOf(plan, hidden, {
      id: junction.id,
      settings: junction,
      from: junction.from ?? firstSupply,
      to: { kind: 'junction', junction: junction.id },
      end: hidden.junctions.get(junction.id) ?? [0, 0],
    }),
  )
}

/** A lead to single lights with what they draw through it, A. */
export interface LitLead {
  readonly lead: Lead
  readonly currentA: number
}

/** The leads to single lights: to the first of them, or to the first splitters of those that are plugged together. */
export function litLeads(
  plan: Plan,
  cuts: readonly CutStripRun[],
  lit: readonly LitRun[],
  plugs: readonly PlugTree[],
  layout: Layout,
  hidden: Hidden,
): LitLead[] {
  const placeOf = placesOf(layout)
  const entryOf = new Map(cuts.map((entry) => [entry.run.id, entry]))
  const treeOf = new Map(plugs.map((tree) => [tree.id, tree]))
  return lit.flatMap(({ id, settings, lights, peakA }): LitLead[] => {
    if (isOnPins(settings)) return []
    const [entry, place] = [entryOf.get(id), placeOf.get(id)]
    const first = entry?.run.lights[0]
    const [feed] = entry === undefined ? [] : feedsOf(entry.run.line)
    if (entry === undefined || place === undefined || first === undefined || feed === undefined)
      return []
    const { run } = entry
    const ends = treeOf.get(id)?.leads ?? [
      { end: placer(run, place)(first), currentA: peakA, lights },
    ]
    return ends.map(({ end, currentA, lights: own }, share) => ({
      lead: leadOf(plan, hidden, {
        id: feedLeadId(run.id, feed.id, share),
        share,
        settings: feed,
        from: feed.from ?? supplyIdOf(plan, run.line),
        to: { kind: 'run', run: run.id, pad: 0 },
        end,
      }),
      currentA: currentA + (nodesA(run) * own) / lights,
    }))
  })
}

/** The leads of one run if it were fed at these places. */
export function runLeads(
  plan: Plan,
  entry: CutStripRun,
  place: Place,
  hidden: Hidden,
  feeds: readonly Feed[],
): Lead[] {
  const { run } = entry
  if (entry.cuts === 0) return []
  const at = placer(run, place)
  return feeds.flatMap((feed) => {
    const pad = padOf(feed, entry.cuts)
    const found = padPlace(entry, pad)
    return found === undefined
      ? []
      : [
          leadOf(plan, hidden, {
            id: feedLeadId(run.id, feed.id),
            settings: feed,
            from: feed.from ?? supplyIdOf(plan, run.line),
            to: { kind: 'run', run: run.id, pad },
            end: at(found.point),
          }),
        ]
  })
}

function leadOf(
  plan: Plan,
  hidden: Hidden,
  {
    id,
    settings,
    from,
    to,
    end,
    share = 0,
  }: Pick<Lead, 'id' | 'from' | 'to' | 'end'> &
    Partial<Pick<Lead, 'share'>> & { readonly settings: Feed | Junction },
): Lead {
  const start = hidden.supplies.get(from) ?? hidden.junctions.get(from) ?? [0, 0]
  const drawnMm = squareWay(start, end) * (1 + plan.rules.slack)
  return {
    id,
    from,
    to,
    start,
    end,
    wire: wireOf(settings.wire ?? plan.defaults.wire),
    drawnMm,
    lengthMm: settings.lengthMm ?? drawnMm,
    isMeasured: settings.lengthMm !== undefined,
    fuse: settings.fuse,
    share,
  }
}
