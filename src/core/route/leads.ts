import { connectorOf } from '../parts/connectors'
import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import { padPlace } from '../cut/pads'
import { isOnPins, type LitRun } from '../load/lights'
import { squareWay } from '../measure/geometry'
import { placer, placesOf } from '../measure/layout'
import type { SourcePlaces } from '../measure/source-places'
import { cutLengthMm, spareMmAt } from '../measure/wire-way'
import { isBoardPin } from '../parts/find'
import { wireOf } from '../parts/wires'
import type { Feed, Junction, Place, Plan } from '../plan/plan'
import { feedsOf, padOf } from '../plan/feeds'
import { Kept } from '../quantity/kept'
import { feedFrom, junctionFrom } from '../plan/supply-of'
import { homeOf } from './home'
import type { Lead } from './lead'
import type { PlugTree } from './plugs'
import type { RoutedPlan } from './routed-plan'

/** Id of the run or junction that a lead goes to. */
export const targetOf = ({ to }: Pick<Lead, 'to'>): string =>
  to.kind === 'run' ? to.run : to.junction

/** What a lead is called: where it goes. */
export function leadName(
  { junctions }: Pick<Plan, 'junctions'>,
  cutRuns: readonly CutStripRun[],
  { to }: Pick<Lead, 'to'>,
): string {
  if (to.kind === 'junction')
    return junctions.find(({ id }) => id === to.junction)?.name ?? 'a junction'
  const entry = entryOf(cutRuns, to.run)
  if (entry === undefined) return ''
  if (to.pad === 0) return entry.run.name
  return `${entry.run.name}, ${to.pad === entry.groups ? 'far end' : `pad ${String(to.pad)}`}`
}

/** Id of a feed's lead; of the second and further ones that share it, with their number. */
export const feedLeadId = (run: string, feed: string, share = 0): string =>
  `${run}.${feed}${share === 0 ? '' : `@${String(share + 1)}`}`

/** Every lead of the plan: to its junctions first, then to strip, then to single lights. */
export function leadsOf({
  plan,
  cutRuns,
  lit,
  plugs,
  layout,
  sources,
}: Pick<RoutedPlan, 'plan' | 'cutRuns' | 'lit' | 'plugs' | 'layout' | 'sources'>): Lead[] {
  const placeOf = placesOf(layout)
  const { supplies, junctions, rules, defaults, own, signal } = plan
  const read = [sources, supplies, junctions, rules, defaults, own.supplies, signal.boardFrom]
  return [
    ...junctionLeads(plan, sources),
    ...cutRuns.flatMap((entry) => {
      const place = placeOf.get(entry.run.id)
      return place === undefined
        ? []
        : keptLeads.get(entry, [place, ...read], () =>
            runLeads(plan, entry, place, sources, feedsOf(entry.run.line)),
          )
    }),
    ...lightLeads(plan, cutRuns, lit, plugs, placeOf, sources),
  ]
}

const keptLeads = new Kept<CutStripRun, Lead[]>()

/** The leads from supplies and junctions to junctions. */
export function junctionLeads(plan: Plan, sources: SourcePlaces): Lead[] {
  return plan.junctions.map((junction) =>
    leadOf(plan, sources, {
      id: junction.id,
      settings: junction,
      from: junctionFrom(plan, junction),
      to: { kind: 'junction', junction: junction.id },
      end: sources.junctions.get(junction.id) ?? [0, 0],
    }),
  )
}

/**
 * The leads to single lights: to the first of them, to where their wires home meet, or to the first splitters of those that are plugged
 * together.
 */
function lightLeads(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  lit: readonly LitRun[],
  plugs: readonly PlugTree[],
  placeOf: ReadonlyMap<string, Place>,
  sources: SourcePlaces,
): Lead[] {
  const treeOf = new Map(plugs.map((tree) => [tree.id, tree]))
  return lit.flatMap((own): Lead[] => {
    const { id, settings, lights } = own
    const [entry, place] = [entryOf(cutRuns, id), placeOf.get(id)]
    const first = entry?.run.lights[0]
    const [feed] = entry === undefined ? [] : feedsOf(entry.run.line)
    if (isOnPins(settings) || entry === undefined || place === undefined || first === undefined)
      return []
    if (feed === undefined) return []
    const { run } = entry
    const end = homeOf(entry, own) === 'hub' ? sources.controller : placer(run, place)(first)
    const ends = treeOf.get(id)?.leads ?? [{ end, lights }]
    return ends.map((lead, share) =>
      leadOf(plan, sources, {
        id: feedLeadId(run.id, feed.id, share),
        share,
        settings: feed,
        from: feedFrom(plan, run.line, feed),
        to: { kind: 'run', run: run.id, pad: 0 },
        end: lead.end,
        spareMm: spareMmAt(run.line, 'start'),
        lightShare: lead.lights / lights,
      }),
    )
  })
}

/** The leads of one run if it were fed at these places. */
export function runLeads(
  plan: Plan,
  entry: CutStripRun,
  place: Place,
  sources: SourcePlaces,
  feeds: readonly Feed[],
): Lead[] {
  const { run } = entry
  if (entry.groups === 0) return []
  const at = placer(run, place)
  return feeds.flatMap((feed) => {
    const pad = padOf(feed, entry.groups)
    const found = padPlace(entry, pad)
    return found === undefined
      ? []
      : [
          leadOf(plan, sources, {
            id: feedLeadId(run.id, feed.id),
            settings: feed,
            from: feedFrom(plan, run.line, feed),
            to: { kind: 'run', run: run.id, pad },
            end: at(found.point),
            spareMm: spareAtPad(entry, pad),
          }),
        ]
  })
}

/** What the hole at a pad of a run adds to the wires that end there, mm. */
const spareAtPad = ({ run, groups }: CutStripRun, pad: number): number =>
  pad === 0 ? spareMmAt(run.line, 'start') : pad === groups ? spareMmAt(run.line, 'end') : 0

function leadOf(
  plan: Plan,
  sources: SourcePlaces,
  {
    id,
    settings,
    from,
    to,
    end,
    spareMm = 0,
    share = 0,
    lightShare,
  }: Pick<Lead, 'id' | 'from' | 'to' | 'end'> &
    Partial<Pick<Lead, 'spareMm' | 'share' | 'lightShare'>> & {
      readonly settings: Feed | Junction
    },
): Lead {
  const start = isBoardPin(plan, from)
    ? sources.controller
    : (sources.supplies.get(from) ?? sources.junctions.get(from) ?? [0, 0])
  const wayMm = squareWay(start, end)
  const drawnMm = cutLengthMm(plan, wayMm, spareMm)
  const wire = wireOf(settings.wire ?? plan.defaults.wire)
  const junction = plan.junctions.find((one) => to.kind === 'junction' && one.id === to.junction)
  const apart = connectorOf(settings.apart)
  return {
    id,
    from,
    to,
    start,
    end,
    wire,
    ...(apart && { apart }),
    limitA: Math.min(wire.limitA, apart?.limitA ?? Infinity, junction?.limitA ?? Infinity),
    wayMm,
    spareMm,
    drawnMm,
    lengthMm: settings.lengthMm ?? drawnMm,
    isMeasured: settings.lengthMm !== undefined,
    fuse: settings.fuse,
    share,
    ...(lightShare !== undefined && { lightShare }),
  }
}
