import type { Network } from '../feed/network'
import { networkName } from '../feed/plan-network'
import type { PlaceVolts } from '../feed/solution'
import { loadsPerGroup } from '../load/group-draw'
import { isOnPins } from '../load/lights'
import { FaultFeed, type FaultedFeed, type LookCase } from './fault-feed'
import {
  lightStates,
  type Effect,
  type LightChange,
  type LightState,
  type MendGiven,
  type Rail,
} from './fault'
import {
  darkState,
  fullOf,
  paintIn,
  powered,
  shared,
  together,
  uniform,
  type LookRun,
} from './run-states'
import { listed } from '../quantity/listed'

/** What is seen and measured with a fault. */
export interface Look {
  /** Codes of the pixels of those runs that do not look right throughout, from pad 0. */
  readonly runs: ReadonlyMap<string, Uint8Array>
  /** Volts and amperes that differ from the plan's own, by the place in `Stage.points`. */
  readonly values: ReadonlyMap<number, number>
}

/** A place where a meter is held while power is on. */
export interface MeterPoint {
  readonly what: 'volts' | 'current'
  /** Which rail of the place the red tip is on, with the black one on the supply's minus; without it plus to minus. */
  readonly rail?: Rail
  /** A place of the network, or a supply's id. */
  readonly where: string
  readonly case: LookCase
  readonly text: string
  /** With all as it should be. */
  readonly value: number
  readonly run?: string
  /** The load there. */
  readonly at?: number
}

/** The plan without a fault, against which every fault is seen. */
export class Stage {
  readonly runs: readonly LookRun[]
  readonly points: readonly MeterPoint[]
  /** Pixels of all runs. */
  readonly pixels: number
  private readonly feeds: Readonly<Record<LookCase, FaultFeed>>
  private readonly runOf: ReadonlyMap<string, LookRun>
  /** … by the runs of the network that feed it. */
  private readonly runFed: ReadonlyMap<string, LookRun>
  /** Runs that are dark without a board; of a lane its first. */
  private readonly driven: readonly string[]
  /** Indices of the points on each run of the network; `undefined`: of those on none. */
  private readonly placesOf = new Map<string | undefined, number[]>()
  /** Where a run is on its lane. */
  private readonly laneAt = new Map<string, { readonly lane: number; readonly at: number }>()

  constructor(private readonly given: MendGiven) {
    this.feeds = {
      bright: new FaultFeed(given, 'bright'),
      low: new FaultFeed(given, 'low'),
      idle: new FaultFeed(given, 'idle'),
    }
    this.runs = lookRuns(given)
    this.pixels = this.runs.reduce((sum, { count }) => sum + count, 0)
    this.runOf = new Map(this.runs.map((run) => [run.id, run]))
    this.runFed = new Map(
      this.runs.flatMap((run) =>
        (run.lights?.map(({ load }) => load) ?? [run.id]).map((id) => [id, run] as const),
      ),
    )
    for (const [lane, { runs }] of given.lanes.entries())
      for (const [at, { entry }] of runs.entries()) this.laneAt.set(entry.run.id, { lane, at })
    this.driven = [
      ...given.lanes.flatMap(({ runs }) => runs[0]?.entry.run.id ?? []),
      ...given.lit.flatMap(({ id, settings }) =>
        isOnPins(settings) || (settings.drive === 'switch' && settings.by === 'pin') ? [id] : [],
      ),
      ...given.cutRuns.flatMap(({ run, strip }) =>
        strip.light.kind === 'plain' && run.line.dimmer !== undefined ? [run.id] : [],
      ),
    ]
    this.points = this.meterPoints()
    for (const [index, { run }] of this.points.entries()) {
      listed(this.placesOf, run).push(index)
    }
  }

  /** The feed in one look, to draw what a meter shows anywhere. */
  feed(look: LookCase, changes: NonNullable<Effect['feed']>): FaultedFeed {
    return this.feeds[look].with(changes)
  }

  /** The feed network at full white, without a fault. */
  get network(): Network {
    return this.feeds.bright.network
  }

  healthy(look: LookCase): FaultedFeed {
    return this.feeds[look].healthy
  }

  /** What is seen and measured where these things are wrong, all at once. */
  look(effects: readonly Effect[]): Look {
    const changes = effects.flatMap(({ feed = [] }) => feed)
    const light = effects.flatMap(({ light: own = [] }) => own)
    const when = effects.find((one) => one.when !== undefined)?.when
    const fed =
      changes.length === 0
        ? undefined
        : {
            bright: this.feeds.bright.with(changes),
            low: this.feeds.low.with(changes),
            idle: this.feeds.idle.with(changes),
          }
    const shown = {
      bright: this.shownIn('bright', fed?.bright, light),
      low: this.shownIn('low', fed?.low, light),
    }
    const runs = new Map<string, Uint8Array>()
    for (const id of new Set([...shown.bright.keys(), ...shown.low.keys()])) {
      const run = this.runOf.get(id)
      if (run === undefined) continue
      const codes = together(shown.bright.get(id), shown.low.get(id), run.count, when)
      if (codes !== undefined) runs.set(id, codes)
    }
    // What comes and goes is not there while the meter is held.
    const values =
      fed === undefined || when === 'random' ? new Map<number, number>() : this.valuesIn(fed)
    return { runs, values }
  }

  /** States of the pixels of runs that do not look right, in one light. */
  private shownIn(
    look: 'bright' | 'low',
    fed: FaultedFeed | undefined,
    light: readonly LightChange[],
  ): Map<string, Uint8Array> {
    const shown = new Map<string, Uint8Array>()
    // A run that is all of one state is one array for all faults: whoever paints on it takes a copy.
    const own = (id: string): Uint8Array => {
      const known = shown.get(id)
      if (known !== undefined && !shared.has(known)) return known
      const fresh = known?.slice() ?? new Uint8Array(this.runOf.get(id)?.count ?? 0)
      shown.set(id, fresh)
      return fresh
    }
    const fill = (id: string, state: number): void => {
      const known = shown.get(id)
      if (known !== undefined && uniform.has(known) && known[0] === darkState) return
      if (known !== undefined) paintIn(own(id), 0, Infinity, false, state)
      else shown.set(id, fullOf(this.runOf.get(id)?.count ?? 0, state))
    }
    const healthy = this.feeds[look].healthy
    const off = new Set<string>()
    if (fed !== undefined)
      for (const run of this.reachedBy(fed)) {
        const states = this.poweredIn(run, fed, healthy)
        if (states === undefined) continue
        shown.set(run.id, states)
        if (
          run.strip.light.kind === 'pixels' &&
          run.lights === undefined &&
          states.includes(darkState)
        )
          off.add(run.id)
      }
    // A board without power sends nothing.
    const board = fed?.runs.get(networkName.board)
    if (
      board !== undefined &&
      !((board[0] ?? NaN) > boardLeastShare * (healthy.runs.get(networkName.board)?.[0] ?? 0))
    )
      for (const run of this.driven) this.along(run, 0, null, 'dark', own, fill)
    // A pixel without power hands nothing on: the first on a lane leaves all behind it without data.
    if (off.size > 0)
      for (const lane of new Set([...off].map((id) => this.laneAt.get(id)?.lane))) {
        const runs = lane === undefined ? undefined : this.given.lanes[lane]?.runs
        const first = runs?.find(({ entry }) => off.has(entry.run.id))
        if (first === undefined) continue
        const states = shown.get(first.entry.run.id) ?? new Uint8Array(0)
        const at = first.isAgainstArrow
          ? states.length - 1 - states.lastIndexOf(darkState)
          : states.indexOf(darkState)
        this.along(first.entry.run.id, at, null, 'dark', own, fill)
      }
    for (const { run, from, count, state } of light) this.along(run, from, count, state, own, fill)
    return shown
  }

  /** Runs that hang on what is solved in a feed. */
  private reachedBy({ runs }: FaultedFeed): ReadonlySet<LookRun> {
    const reached = new Set<LookRun>()
    for (const id of runs.keys()) {
      const run = this.runFed.get(id)
      if (run !== undefined) reached.add(run)
    }
    return reached
  }

  /** States by volts of the runs of a feed: many faults share one. */
  private readonly poweredStates = new WeakMap<FaultedFeed, Map<string, Uint8Array | undefined>>()

  private poweredIn(run: LookRun, fed: FaultedFeed, healthy: FaultedFeed): Uint8Array | undefined {
    const known = this.poweredStates.get(fed) ?? new Map<string, Uint8Array | undefined>()
    this.poweredStates.set(fed, known)
    if (!known.has(run.id)) {
      const states = powered(run, fed, healthy)
      if (states !== undefined) shared.add(states)
      known.set(run.id, states)
    }
    return known.get(run.id)
  }

  private laneRun(id: string): MendGiven['lanes'][number]['runs'][number] | undefined {
    const at = this.laneAt.get(id)
    return at && this.given.lanes[at.lane]?.runs[at.at]
  }

  /** Sets a state from a pixel on, in the order of the data: so many, or to the end of the lane. What is dark stays so. */
  private along(
    run: string,
    from: number,
    count: number | null,
    state: Exclude<LightState, 'right'>,
    own: (id: string) => Uint8Array,
    fill: (id: string, state: number) => void,
  ): void {
    const value = lightStates.indexOf(state)
    const place = this.laneAt.get(run)
    const lane = place && this.given.lanes[place.lane]
    const isTurned = this.laneRun(run)?.isAgainstArrow === true
    if (from === 0 && count === null) fill(run, value)
    else paintIn(own(run), from, count === null ? Infinity : from + count, isTurned, value)
    if (count !== null || lane === undefined || place === undefined) return
    for (const next of lane.runs.slice(place.at + 1)) fill(next.entry.run.id, value)
  }

  private meterPoints(): readonly MeterPoint[] {
    const points: MeterPoint[] = []
    const nameOf = new Map(this.given.plan.supplies.map(({ id, name }) => [id, name]))
    for (const look of ['bright', 'idle'] as const)
      for (const [supply, value] of this.feeds[look].healthy.supplyA)
        if (nameOf.has(supply))
          points.push({
            what: 'current',
            where: supply,
            case: look,
            text: `what ${nameOf.get(supply) ?? ''} gives`,
            value,
          })
    const healthy = this.feeds.bright.healthy
    for (const { id, name } of this.given.plan.supplies) {
      const at = healthy.places.get(networkName.supply(id))
      if (at !== undefined)
        points.push({
          what: 'volts',
          where: networkName.supply(id),
          case: 'bright',
          text: `at the screws or plug of ${name}`,
          value: at.plusV - at.minusV,
        })
    }
    for (const { id, name } of this.given.plan.junctions) {
      const at = healthy.places.get(networkName.junction(id))
      if (at !== undefined)
        points.push({
          what: 'volts',
          where: networkName.junction(id),
          case: 'bright',
          text: `at ${name}`,
          value: at.plusV - at.minusV,
        })
    }
    for (const entry of this.given.cutRuns) {
      const volts = healthy.runs.get(entry.run.id)
      if (volts === undefined) continue
      const perGroup = loadsPerGroup(entry.strip)
      let before = 0
      for (const piece of entry.pieces) {
        if (piece.groups === 0) continue
        // Behind a joint the pad of the next piece is another place.
        const start = `${networkName.pad(entry.run.id, before * perGroup)}${before > 0 ? '+' : ''}`
        for (const [pad, load, end] of [
          [before, before * perGroup, 'start'],
          [before + piece.groups, (before + piece.groups) * perGroup - 1, 'end'],
        ] as const)
          points.push({
            what: 'volts',
            where: end === 'end' ? networkName.pad(entry.run.id, pad * perGroup) : start,
            case: 'bright',
            text: `at the ${end} of ${piece.name}, ${entry.run.name}`,
            value: volts[load] ?? 0,
            run: entry.run.id,
            at: load,
          })
        // Against the supply's own minus: tells which of the two does not arrive.
        points.push({
          what: 'volts',
          rail: 'plus',
          where: `plus ${start}`,
          case: 'bright',
          text: `plus at the start of ${piece.name}, ${entry.run.name}, to the supply’s minus`,
          value: healthy.rails.get(entry.run.id)?.plus[before * perGroup] ?? 0,
          run: entry.run.id,
          at: before * perGroup,
        })
        before += piece.groups
      }
    }
    for (const run of this.runs)
      for (const { load } of run.lights ?? []) {
        const value = healthy.runs.get(load)?.[0]
        if (value !== undefined)
          points.push({
            what: 'volts',
            where: networkName.pad(load, 0),
            case: 'bright',
            text: `where the lead meets ${run.name}`,
            value,
            run: load,
            at: 0,
          })
      }
    return points
  }

  private valuesIn(fed: Readonly<Record<LookCase, FaultedFeed>>): Map<number, number> {
    const values = new Map<number, number>()
    // Of thousands of places only those that the fault reaches are read.
    const places = [
      ...(this.placesOf.get(undefined) ?? []),
      ...[...fed.bright.runs.keys()].flatMap((run) => this.placesOf.get(run) ?? []),
    ]
    for (const index of places) {
      const point = this.points[index]
      const value = point && valueAt(point, fed[point.case])
      if (point === undefined || value === undefined) continue
      const read = Number.isNaN(value) ? 0 : value
      if (Math.abs(read - point.value) > 1e-4) values.set(index, read)
    }
    return values
  }
}

/** What a meter reads at a point; `undefined` where a fault does not reach. */
function valueAt(
  { what, where, run, rail, at = 0 }: MeterPoint,
  { runs, rails, places, supplyA }: FaultedFeed,
): number | undefined {
  if (what === 'current') return supplyA.get(where)
  if (run === undefined) return voltsAt(places.get(where))
  if (!runs.has(run)) return undefined
  return (rail === undefined ? runs.get(run)?.[at] : rails.get(run)?.[rail][at]) ?? 0
}

/** A board stops below so much of its usual volts. *Typical.* */
const boardLeastShare = 0.7

const voltsAt = (at: PlaceVolts | undefined): number | undefined => at && at.plusV - at.minusV

function lookRuns({ cutRuns, lit, leads }: MendGiven): LookRun[] {
  return cutRuns.flatMap((entry): LookRun[] => {
    const { run, strip } = entry
    const own = lit.find(({ id }) => id === run.id)
    if (own !== undefined) {
      const lights = leads.flatMap(({ to, share, lightShare }) =>
        lightShare === undefined || to.kind !== 'run' || to.run !== run.id
          ? []
          : [
              {
                load: networkName.lights(run.id, share),
                count: Math.round(lightShare * own.lights),
              },
            ],
      )
      return [{ id: run.id, name: run.name, count: own.lights, strip, lights }]
    }
    const count = entry.groups * loadsPerGroup(strip)
    return count === 0 ? [] : [{ id: run.id, name: run.name, count, strip }]
  })
}
