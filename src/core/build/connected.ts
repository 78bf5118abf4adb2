import { jumpersOf } from '../cut/pads'
import { nodeReader, padName, type Network } from '../feed/network'
import { networkName, planNetwork, type PlanNetworkGiven } from '../feed/plan-network'
import { runParts, splitRuns } from '../feed/split-runs'
import { loadsPerGroup } from '../load/group-draw'
import type { LoadCase } from '../plan/choices'
import { supplyBehind, supplyOfLine } from '../plan/supply-of'
import { blockId, powerSwitchBundle } from '../route/harness'
import type { Lead } from '../route/lead'
import type { PlanWire } from '../wire/wires'
import type { BuiltPlan } from './built-plan'
import type { Step } from './step'
import { listed } from '../quantity/listed'
import { places } from './work'

/** What a partial network is made from. */
export type ConnectedGiven = PlanNetworkGiven & Pick<BuiltPlan, 'wiring' | 'joints'>

/** Cut groups, or lights, of a run: from which one, and how many. */
export type Stretch = readonly [from: number, count: number]

/** What is joined so far, fed as it is tested. */
export interface Connected {
  /** By run; runs that nothing of is powered are left out. */
  readonly runs: ReadonlyMap<string, readonly Stretch[]>
  /** Runs are split where their rails are not uniform. */
  readonly network: Network
  /** The run that a run of the network is a part of, by its id there. */
  readonly partsOf: ReadonlyMap<string, string>
  /** On clip leads at a piece by itself, or through the wires that are joined. */
  readonly by: 'clips' | 'wires'
}

/** A clip lead of half a metre, Ω. *Typical.* */
const clipOhm = 0.02

/** All joints of the steps up to one, itself included. */
export function jointsUpTo(steps: readonly Step[], id: string): ReadonlySet<string> {
  const done = new Set<string>()
  for (const step of steps) {
    for (const joint of step.joints) done.add(joint)
    if (step.id === id) break
  }
  return done
}

/** Which joints are done, by what they join. */
class Joined {
  private readonly jointOf = new Map<string, string>()
  private readonly between = new Map<string, string>()
  private readonly lightsOf = new Map<string, string[]>()

  constructor(
    { joints }: Pick<ConnectedGiven, 'joints'>,
    private readonly done: ReadonlySet<string>,
  ) {
    for (const { id, at, terminals } of joints) {
      for (const terminal of terminals) this.jointOf.set(terminal, id)
      if (at.kind === 'between') this.between.set(`${at.run}/${at.from}`, id)
      if (at.kind === 'lights' || at.kind === 'light') listed(this.lightsOf, at.run).push(id)
    }
  }

  /** Whether the wire is joined at that terminal. */
  at(terminal: string | undefined): boolean {
    return terminal !== undefined && this.done.has(this.jointOf.get(terminal) ?? '')
  }

  /** Whether a piece is joined on to the next, pad on pad. */
  onNext(run: string, piece: string): boolean {
    return this.done.has(this.between.get(`${run}/${piece}`) ?? '')
  }

  lights(run: string): boolean {
    return (this.lightsOf.get(run) ?? []).every((id) => this.done.has(id))
  }
}

/**
 * The feed network of what is joined: a bench supply of the plan's volts stands in for each supply, clipped to the loose ends of the leads, or
 * at a test of pieces that have no leads yet to the first of them.
 *
 * @param done ids of the joints that are made
 * @param step the step that is measured at
 */
export function connectedAfter(
  given: ConnectedGiven,
  done: ReadonlySet<string>,
  step: Step,
  loadCase: LoadCase,
): Connected {
  const joined = new Joined(given, done)
  const breaks = breaksOf(given, joined)
  const whole = planNetwork(given, loadCase)
  const clip = clipFor(given, joined, step)
  const leads = clip === undefined ? joinedLeads(given, joined, whole) : []
  const split = splitRuns({ ...whole, leads }, breaks)
  const parts = partsByRun(given, whole, breaks)
  const at = clip && parts.get(clip.run)?.find(({ from }) => from === clip.pad)
  const network =
    clip === undefined || at === undefined
      ? split
      : {
          ...split,
          leads: [
            ...split.leads,
            { from: clip.supply, to: padName(at.id, 0), plusOhm: clipOhm, minusOhm: clipOhm },
          ],
        }
  const { powered, reached } = poweredIn(network)
  const kept = network.runs.filter(({ id }) => powered.has(id))
  const gone = new Set(network.runs.flatMap(({ id }) => (powered.has(id) ? [] : [id])))
  const nodeOf = nodeReader(network)
  const isKept = (end: string): boolean => reached.has(nodeOf(end)) && !gone.has(nodeOf(end))
  return {
    runs: stretchesOf(given, parts, powered),
    network: {
      supplies: network.supplies,
      runs: kept,
      leads: network.leads.filter(({ from, to }) => isKept(from) && isKept(to)),
    },
    partsOf: new Map([...parts].flatMap(([run, own]) => own.map(({ id }) => [id, run] as const))),
    by: clip === undefined ? 'wires' : 'clips',
  }
}

/** A part of a run as the split network names it. */
interface Part {
  readonly id: string
  /** Cut groups of the run before it, and its own; of single lights lights. */
  readonly fromGroup: number
  readonly groups: number
  /** Loads of the run before it. */
  readonly from: number
}

/** The parts of every run, by its id. */
function partsByRun(
  { cutRuns, lit, leads }: ConnectedGiven,
  whole: Network,
  breaks: ReadonlyMap<string, ReadonlySet<number>>,
): Map<string, readonly Part[]> {
  const runOf = new Map(whole.runs.map((run) => [run.id, run]))
  const parts = new Map<string, readonly Part[]>()
  for (const { run, strip } of cutRuns) {
    const own = runOf.get(run.id)
    if (own === undefined) continue
    const loads = loadsPerGroup(strip)
    parts.set(
      run.id,
      runParts(own, breaks.get(run.id)).map(({ from, run: part }) => ({
        id: part.id,
        from,
        fromGroup: from / loads,
        groups: part.loads / loads,
      })),
    )
  }
  for (const { id, lights } of lit) {
    let before = 0
    const own = leads.flatMap(({ to, share, lightShare }): Part[] => {
      if (lightShare === undefined || to.kind !== 'run' || to.run !== id) return []
      const groups = Math.round(lightShare * lights)
      const part = { id: networkName.lights(id, share), from: before, fromGroup: before, groups }
      before += groups
      return [part]
    })
    if (own.length > 0) parts.set(id, own)
  }
  return parts
}

function stretchesOf(
  { cutRuns }: ConnectedGiven,
  parts: ReadonlyMap<string, readonly Part[]>,
  powered: ReadonlySet<string>,
): Map<string, Stretch[]> {
  const runs = new Map<string, Stretch[]>()
  for (const { run } of cutRuns) {
    const stretches: [number, number][] = []
    for (const { id, fromGroup, groups } of parts.get(run.id) ?? []) {
      if (!powered.has(id) || groups === 0) continue
      const last = stretches.at(-1)
      // What follows on is one stretch.
      if (last !== undefined && last[0] + last[1] === fromGroup) last[1] += groups
      else stretches.push([fromGroup, groups])
    }
    if (stretches.length > 0) runs.set(run.id, stretches)
  }
  return runs
}

/** Names of everything that plus and minus of a supply both reach, and of what either does. */
function poweredIn(network: Network): {
  readonly powered: ReadonlySet<string>
  readonly reached: ReadonlySet<string>
} {
  const { supplies, leads } = network
  const nodeOf = nodeReader(network)
  const reachedBy = (has: (lead: Network['leads'][number]) => boolean): Set<string> => {
    const next = new Map<string, string[]>()
    for (const lead of leads) {
      if (!has(lead)) continue
      const [from, to] = [nodeOf(lead.from), nodeOf(lead.to)]
      listed(next, from).push(to)
      listed(next, to).push(from)
    }
    const found = new Set(supplies.map(({ id }) => id))
    for (const one of found) for (const other of next.get(one) ?? []) found.add(other)
    return found
  }
  const plus = reachedBy(({ plusOhm }) => plusOhm !== null)
  const minus = reachedBy(({ minusOhm }) => minusOhm !== null)
  return {
    powered: new Set([...plus].filter((one) => minus.has(one))),
    reached: new Set([...plus, ...minus]),
  }
}

/** Pads of runs, in loads, between pieces that are not joined yet. */
function breaksOf({ cutRuns, wiring }: ConnectedGiven, joined: Joined): Map<string, Set<number>> {
  const breaks = new Map<string, Set<number>>()
  const ends = new Map<string, boolean>()
  for (const { from, to } of wiring.wires) {
    if (from.spot.kind !== 'piece' || from.spot.end !== 'end') continue
    const key = `${from.block}/${from.spot.piece}`
    // All wires of a jumper.
    ends.set(key, (ends.get(key) ?? true) && joined.at(from.id) && joined.at(to.id))
  }
  for (const entry of cutRuns) {
    const loads = loadsPerGroup(entry.strip)
    for (const { from, to, pad } of jumpersOf(entry)) {
      const isJoined =
        from.part === to.part
          ? joined.onNext(entry.run.id, from.name)
          : ends.get(`${blockId.run(entry.run.id)}/${from.name}`) === true
      if (isJoined) continue
      const own = breaks.get(entry.run.id) ?? new Set<number>()
      breaks.set(entry.run.id, own.add(pad * loads))
    }
  }
  return breaks
}

/** Where clip leads go at a step about pieces that have no leads of their own yet: to the first of them. */
function clipFor(
  { plan, cutRuns, wiring }: ConnectedGiven,
  joined: Joined,
  step: Step,
): { readonly run: string; readonly pad: number; readonly supply: string } | undefined {
  const entry = cutRuns.find(({ run }) => run.id === step.place)
  if (entry === undefined || entry.groups === 0) return undefined
  const block = blockId.run(entry.run.id)
  const hasLeads = wiring.wires.some(
    ({ role, to }) => role === 'plus' && to.block === block && joined.at(to.id),
  )
  const isAlone = step.phase === 'test-piece'
  const isAbout = step.kind === 'joint' || step.kind === 'check' || step.kind === 'test'
  if (!isAlone && (hasLeads || !isAbout)) return undefined
  let before = 0
  for (const { name, groups } of entry.pieces) {
    if (groups > 0 && step.about.includes(name))
      return {
        run: entry.run.id,
        pad: before * loadsPerGroup(entry.strip),
        supply: networkName.supply(supplyOfLine(plan, entry.run.line)),
      }
    before += groups
  }
  return undefined
}

/** The leads whose far end is joined; what their near end still lacks, the bench supply gives. */
function joinedLeads(given: ConnectedGiven, joined: Joined, whole: Network): Network['leads'] {
  const { plan, leads, wiring } = given
  const own: Network['leads'][number][] = []
  const behind = (from: string): string => networkName.supply(supplyBehind(plan, from) ?? '')
  const junctions = new Set(plan.junctions.map(({ id }) => id))
  const wiresOf = new Map<string, PlanWire[]>()
  for (const wire of wiring.wires) listed(wiresOf, wire.bundle).push(wire)
  const extra = whole.leads.slice(leads.length)
  const fedJunctions = new Set<string>()
  const usedNodes = new Map<string, string>()
  // The bench supply is clipped behind a switch by hand that is not wired yet.
  const switches = new Map(
    plan.supplies.map(({ id }) => [networkName.powerSwitch(id), networkName.supply(id)]),
  )
  const switchWired = new Set(
    plan.supplies.flatMap(({ id }) =>
      wiring.wires.some(({ bundle, to }) => bundle === powerSwitchBundle(id) && joined.at(to.id))
        ? [networkName.powerSwitch(id)]
        : [],
    ),
  )
  own.push(...extra.filter(({ to }) => switchWired.has(to)))
  const minuses = new Map<string, Network['leads'][number][]>()
  for (const lead of extra) if (lead.plusOhm === null) listed(minuses, lead.to).push(lead)
  for (const [index, lead] of leads.entries()) {
    const known = whole.leads[index]
    const wires = wiresOf.get(lead.id) ?? []
    // Leads that meet at one pad have a minus each, in their own order.
    const switched = known?.minusOhm === null ? minuses.get(known.to)?.shift() : undefined
    if (known === undefined || !isJoined(joined, lead, wires)) continue
    const fromJoined = wires.every(({ from }) => joined.at(from.id))
    const isKept = fromJoined && (junctions.has(lead.from) || switchWired.has(known.from))
    const from = isKept ? known.from : behind(lead.from)
    if (lead.to.kind === 'junction') fedJunctions.add(known.to)
    if (switched === undefined) {
      own.push({ ...known, from })
      continue
    }
    // Its minus goes through a switch: through it where it is wired, else to the bench supply.
    const minus = wires.filter(({ role }) => role === 'minus')
    const hasSwitch = minus.length > 0 && minus.every((wire) => joined.at(wire.from.id))
    own.push({ ...known, from, minusOhm: hasSwitch ? null : switched.minusOhm })
    if (!hasSwitch) continue
    own.push(switched)
    usedNodes.set(switched.from, behind(lead.from))
  }
  // A junction whose own lead is not joined, and a switch without its way to minus, are clipped.
  for (const [node, supply] of usedNodes) {
    const common = extra.find(({ to, plusOhm }) => to === node && plusOhm === null)
    const wire = wiring.wires.find(
      (one) =>
        one.role === 'minus' &&
        one.to.spot.kind === 'power' &&
        networkName.switch(switchOf(given, one.to.block)) === node,
    )
    own.push(
      common !== undefined && joined.at(wire?.to.id)
        ? common
        : { from: supply, to: node, plusOhm: null, minusOhm: clipOhm },
    )
  }
  for (const { id } of plan.junctions) {
    const name = networkName.junction(id)
    if (!fedJunctions.has(name) && own.some(({ from }) => from === name))
      own.push({ from: behind(id), to: name, plusOhm: clipOhm, minusOhm: clipOhm })
  }
  const board = extra.find(({ to }) => to === networkName.pad(networkName.board, 0))
  const boardWire = wiring.wires.find(
    ({ bundle, role }) => bundle === places.board && role === 'plus',
  )
  if (board !== undefined && boardWire !== undefined) {
    const [inner, outer] =
      boardWire.to.block === blockId.board
        ? [boardWire.to, boardWire.from]
        : [boardWire.from, boardWire.to]
    const isAtStrip = outer.spot.kind === 'pad'
    if (joined.at(inner.id) && (!isAtStrip || joined.at(outer.id))) {
      const source = switches.get(board.from)
      const isBehind = switchWired.has(board.from) && joined.at(outer.id)
      own.push(source === undefined || isBehind ? board : { ...board, from: source })
    }
  }
  return own
}

/** Whether all wires of a lead are joined where it goes; single lights have to be wired too. */
const isJoined = (joined: Joined, { to, lightShare }: Lead, wires: readonly PlanWire[]): boolean =>
  wires.length > 0 &&
  wires.every((wire) => joined.at(wire.to.id)) &&
  (lightShare === undefined || to.kind !== 'run' || joined.lights(to.run))

/** The dimmer that a block switches. */
function switchOf({ wiring }: ConnectedGiven, block: string): string {
  const of = wiring.blocks.find(({ id }) => id === block)?.of
  return of?.kind === 'switch' ? of.dimmer : ''
}
