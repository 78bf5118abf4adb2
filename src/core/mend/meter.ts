import { runName } from '../cut/entry-of'
import { solveDense } from '../feed/dense'
import { padReader } from '../feed/network'
import { networkName } from '../feed/plan-network'
import { runParts, splitRuns, type PadJoins } from '../feed/split-runs'
import { loadsPerGroup } from '../load/group-draw'
import type { Effect, FeedChange, MendGiven, Rail } from './fault'
import type { LookCase } from './fault-feed'
import { changed } from './faulted-network'
import type { Stage } from './look'
import { endPlaces, tapeTip, terminalTips, tipPlaces, type TipAt, type TipPlace } from './tips'

/** Where a plus is opened, so that its current goes through the meter. */
export interface OpenPlace {
  readonly id: string
  readonly name: string
  /** All that a supply gives, by its id; or what goes through one lead of the network, by its index. */
  readonly of: { readonly supply: string } | { readonly lead: number }
  /** The wire that is opened, where it is one. */
  readonly wire?: string
}

/** What a meter's own leads add, Ω. *Typical.* */
const meterLeadOhm = 0.1
/** A pixel, or a group of plain strip, lets so little through without power, Ω. *Typical.* */
const leakOhm = 100_000
/** What a diode in the way looks like to an ohm-meter, Ω. *Typical.* */
const diodeOhm = 500
/** Where solder or a strand touches what it should not, Ω. *Typical.* */
const touchOhm = 0.2

/** Every plus that can be opened: of each supply, and of each lead. */
export function openPlaces({
  plan,
  cutRuns,
  leads,
  wiring,
}: Pick<MendGiven, 'plan' | 'cutRuns' | 'leads' | 'wiring'>): readonly OpenPlace[] {
  const plusOf = new Map(
    wiring.wires.filter(({ role }) => role === 'plus').map((wire) => [wire.bundle, wire.name]),
  )
  return [
    ...plan.supplies.map(({ id, name }): OpenPlace => ({
      id: `supply ${id}`,
      name: `${name} +, all that it gives`,
      of: { supply: id },
    })),
    ...leads.flatMap(({ id, to }, lead): OpenPlace[] => {
      const wire = plusOf.get(id)
      if (wire === undefined) return []
      const name = to.kind === 'run' ? `${wire}, to ${runName(cutRuns, to.run)}` : wire
      return [{ id: `lead ${id}`, name, of: { lead }, wire }]
    }),
  ]
}

/** A meter in hand, on a plan in which some things are wrong, or nothing. It shows what there is, to the last digit. */
export class HeldMeter {
  /** The tip on each terminal of the wiring. */
  readonly terminals: ReadonlyMap<string, TipPlace>

  constructor(
    private readonly given: MendGiven,
    private readonly stage: Stage,
    private readonly effects: readonly Effect[],
  ) {
    this.terminals = terminalTips(given, stage.network)
  }

  /** Every place that has a name, each once. */
  get tips(): readonly TipPlace[] {
    const all = [...tipPlaces(this.given), ...this.terminals.values()]
    return [...new Map(all.map((tip) => [tip.id, tip])).values()]
  }

  get opens(): readonly OpenPlace[] {
    return openPlaces(this.given)
  }

  /** Tips on both rails beside a pixel, cut group or light of a tape. */
  tape(run: string, at: number): Partial<Record<Rail, TipPlace | undefined>> {
    return {
      plus: tapeTip(this.given, run, at, 'plus'),
      minus: tapeTip(this.given, run, at, 'minus'),
    }
  }

  /** V or Ω; `null` for an open circuit. */
  hold(mode: 'V' | 'Ω', red: TipPlace, black: TipPlace, look: LookCase): number | null {
    const exact =
      mode === 'V'
        ? voltsBetween(this.stage, this.effects, look, red, black)
        : ohmsBetween(this.given, this.stage, this.terminals, this.effects, red, black)
    return Number.isFinite(exact) ? exact : null
  }

  /** A in a plus that was opened for it. */
  through(place: OpenPlace, look: LookCase): number {
    return amperesThrough(this.stage, this.effects, look, place)
  }
}

/** Amperes through a plus that was opened, with power on. */
export function amperesThrough(
  stage: Stage,
  effects: readonly Effect[],
  look: LookCase,
  { of }: OpenPlace,
): number {
  const changes = effects.flatMap(({ feed = [] }) => feed)
  const healthy = stage.healthy(look)
  const feed = changes.length === 0 ? healthy : stage.feed(look, changes)
  return (
    ('supply' in of
      ? (feed.supplyA.get(of.supply) ?? healthy.supplyA.get(of.supply))
      : (feed.leadA.get(of.lead) ?? healthy.leadA.get(of.lead))) ?? 0
  )
}

/**
 * Volts from the black tip to the red one with power on; 0 where a tip hangs in the air. What data does is too fast for a meter.
 *
 * @param effects all that is wrong
 */
export function voltsBetween(
  stage: Stage,
  effects: readonly Effect[],
  look: LookCase,
  red: TipPlace,
  black: TipPlace,
): number {
  const changes = effects.flatMap(({ feed = [] }) => feed)
  const healthy = stage.healthy(look)
  const feed = changes.length === 0 ? healthy : stage.feed(look, changes)
  const at = ({ at: own }: TipPlace): number => {
    if (own.kind === 'signal') return NaN
    if (own.kind === 'load')
      return (feed.rails.get(own.run) ?? healthy.rails.get(own.run))?.[own.rail][own.load] ?? NaN
    const place = feed.places.get(own.node) ?? healthy.places.get(own.node)
    return (own.rail === 'plus' ? place?.plusV : place?.minusV) ?? NaN
  }
  const volts = at(red) - at(black)
  return Number.isNaN(volts) ? 0 : volts
}

/**
 * Ohms between two tips without power, with what the meter's own leads add: every wire, joint and rail is a resistor, strip lets hardly
 * anything through from plus to minus.
 *
 * @param terminals the tip on each terminal of the wiring (`terminalTips`)
 * @param effects all that is wrong
 * @returns `Infinity` where nothing leads from one to the other
 */
export function ohmsBetween(
  { wiring, cutRuns }: Pick<MendGiven, 'wiring' | 'cutRuns'>,
  stage: Stage,
  terminals: ReadonlyMap<string, TipPlace>,
  effects: readonly Effect[],
  red: TipPlace,
  black: TipPlace,
): number {
  if (red.id === black.id) return meterLeadOhm
  const changes: readonly FeedChange[] = effects.flatMap(({ feed = [] }) => feed)
  const { network, joins, bridges } = changed(stage.network, changes)
  const all = withPieces(cutRuns, joins)
  const split = splitRuns(network, new Map(), all)
  const copper = new Copper()
  const padsOf = new Map<string, Set<number>>()
  const padOf = padReader(split)
  const noteEnd = (name: string): void => {
    const at = padOf(name)
    if (at === undefined) return
    const own = padsOf.get(at.run) ?? new Set()
    padsOf.set(at.run, own.add(at.pad))
  }
  /** The end in the split network of a place on it. */
  const endOf = (at: Exclude<TipAt, { kind: 'signal' }>): string => {
    if (at.kind === 'node') return at.node
    const run = network.runs.find(({ id }) => id === at.run)
    const part =
      run &&
      runParts(run, new Set(all.get(run.id)?.keys())).find(
        ({ from, run: own }) => at.load >= from && at.load < from + own.loads,
      )
    return part === undefined
      ? ''
      : networkName.pad(part.run.id, at.load - part.from + (at.isBehind ? 1 : 0))
  }
  const nodeOf = (at: TipAt): string => {
    if (at.kind === 'signal') return `signal ${at.terminal}`
    const end = endOf(at)
    noteEnd(end)
    return `${end} ${at.rail}`
  }
  const tips = [nodeOf(red.at), nodeOf(black.at)] as const
  for (const { from, to, plusOhm, minusOhm } of split.leads) {
    noteEnd(from)
    noteEnd(to)
    for (const [rail, ohm] of [
      ['plus', plusOhm],
      ['minus', minusOhm],
    ] as const)
      if (ohm !== null) copper.join(`${from} ${rail}`, `${to} ${rail}`, ohm)
  }
  // Data, clock and signals go from terminal to terminal; a chip in between lets nothing through.
  const signal = effects.flatMap(({ signal: own = [] }) => own)
  const open = new Set(signal.flatMap((one) => (one.kind === 'open' ? [one.wire] : [])))
  for (const { name, from, to, lengthMm, gauge, resistor } of wiring.wires) {
    const [a, b] = [terminals.get(from.id), terminals.get(to.id)]
    // Wires between two places of the feed are in the network.
    if (a === undefined || b === undefined || open.has(name)) continue
    if (a.at.kind !== 'signal' && b.at.kind !== 'signal') continue
    copper.join(
      nodeOf(a.at),
      nodeOf(b.at),
      (lengthMm / 1000) * gauge.ohmPerM + (resistor?.ohm ?? 0),
    )
  }
  const placeOf = endPlaces(network)
  for (const one of signal) {
    const place = one.kind === 'touch' ? placeOf(one.at) : undefined
    if (one.kind !== 'touch' || place === undefined) continue
    copper.join(`signal ${one.terminal}`, nodeOf({ ...place, rail: one.rail }), touchOhm)
  }
  for (const { id, loads, pitchM, railOhmPerM, load } of split.runs) {
    const pads = [...(padsOf.get(id) ?? [])].toSorted((a, b) => a - b)
    for (const [at, pad] of pads.slice(1).entries()) {
      const before = pads[at] ?? 0
      for (const [rail, perM] of [
        ['plus', railOhmPerM.p],
        ['minus', railOhmPerM.m],
      ] as const)
        copper.join(
          `${networkName.pad(id, before)} ${rail}`,
          `${networkName.pad(id, pad)} ${rail}`,
          (pad - before) * pitchM * perM,
        )
    }
    const [first] = pads
    if (first === undefined) continue
    const end = networkName.pad(id, first)
    copper.join(
      `${end} plus`,
      `${end} minus`,
      load.ohmic !== undefined && bridges.has(id)
        ? load.ohmic.ohm + (load.ohmic.forwardV > 0 ? diodeOhm : 0)
        : leakOhm / loads,
    )
  }
  return copper.between(tips[0], tips[1]) + meterLeadOhm
}

/** Each piece by itself: a tip can be held on either side of every joint. */
function withPieces(cutRuns: MendGiven['cutRuns'], joins: PadJoins): PadJoins {
  const all = new Map([...joins].map(([run, own]) => [run, new Map(own)]))
  for (const { run, strip, pieces } of cutRuns) {
    const own =
      all.get(run.id) ?? new Map<number, { plusOhm: number | null; minusOhm: number | null }>()
    let before = 0
    for (const { groups } of pieces) {
      before += groups * loadsPerGroup(strip)
      if (!own.has(before)) own.set(before, { plusOhm: 0, minusOhm: 0 })
    }
    all.set(run.id, own)
  }
  return all
}

/** The least that a wire has, Ω: so that the system can be solved. */
const leastOhm = 1e-6

/** Resistors between places by their names. */
class Copper {
  private readonly nodes = new Map<string, number>()
  private readonly edges: { readonly a: number; readonly b: number; readonly ohm: number }[] = []

  private node(name: string): number {
    const known = this.nodes.get(name) ?? this.nodes.size
    this.nodes.set(name, known)
    return known
  }

  join(a: string, b: string, ohm: number): void {
    this.edges.push({ a: this.node(a), b: this.node(b), ohm })
  }

  /** Ohms between two places: 1 A in at one, out at the other (Kirchhoff's current law). */
  between(red: string, black: string): number {
    const [from, to] = [this.node(red), this.node(black)]
    if (from === to) return 0
    const { edges } = this
    const next = new Map<number, number[]>()
    for (const { a, b } of edges) {
      next.set(a, [...(next.get(a) ?? []), b])
      next.set(b, [...(next.get(b) ?? []), a])
    }
    const reached = new Set([from])
    for (const one of reached) for (const other of next.get(one) ?? []) reached.add(other)
    if (!reached.has(to)) return Infinity
    const index = new Map([...reached].filter((one) => one !== to).map((one, at) => [one, at]))
    const n = index.size
    const matrix = new Float64Array(n * n)
    const right = new Float64Array(n)
    const add = (row: number | undefined, column: number | undefined, value: number): void => {
      if (row !== undefined && column !== undefined)
        matrix[row * n + column] = (matrix[row * n + column] ?? 0) + value
    }
    for (const { a, b, ohm } of edges) {
      if (!reached.has(a)) continue
      const conductance = 1 / Math.max(leastOhm, ohm)
      const [i, j] = [index.get(a), index.get(b)]
      add(i, i, conductance)
      add(j, j, conductance)
      add(i, j, -conductance)
      add(j, i, -conductance)
    }
    const start = index.get(from)
    if (start === undefined) return 0
    right[start] = 1
    return solveDense(matrix, right) ? (right[start] ?? 0) : Infinity
  }
}
