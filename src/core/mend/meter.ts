import { runName } from '../cut/entry-of'
import { solveDense } from '../feed/dense'
import { networkName } from '../feed/plan-network'
import { runParts, splitRuns } from '../feed/split-runs'
import { loadsPerGroup } from '../load/group-draw'
import type { Effect, FeedChange, MendGiven, Rail } from './fault'
import type { LookCase } from './fault-feed'
import { changed } from './faulted-network'
import type { Stage } from './look'

/** A place where the tip of a meter can be held: a screw, or a pad at the end of a piece. */
export interface TipPlace {
  readonly id: string
  readonly name: string
  readonly rail: Rail
  /** Of a piece of strip; else a supply or junction. */
  readonly run?: string
  /** The load beside it, from pad 0, and whether it is the one behind the pad. */
  readonly load?: number
  readonly isStart?: boolean
  /** The supply or junction, as the network names it. */
  readonly node?: string
}

/** Where a plus is opened, so that its current goes through the meter. */
export interface OpenPlace {
  readonly id: string
  readonly name: string
  /** All that a supply gives, by its id; or what goes through one lead of the network, by its index. */
  readonly of: { readonly supply: string } | { readonly lead: number }
}

/** What a meter's own leads add, Ω. *Typical.* */
const meterLeadOhm = 0.1
/** A pixel, or a group of plain strip, lets so little through without power, Ω. *Typical.* */
const leakOhm = 100_000
/** What a diode in the way looks like to an ohm-meter, Ω. *Typical.* */
const diodeOhm = 500

/** Every place where a tip can be held. */
export function tipPlaces({ plan, cuts }: Pick<MendGiven, 'plan' | 'cuts'>): readonly TipPlace[] {
  const places: TipPlace[] = []
  const both = (id: string, name: string, rest: Omit<TipPlace, 'id' | 'name' | 'rail'>): void => {
    for (const [rail, sign] of [
      ['plus', '+'],
      ['minus', '−'],
    ] as const)
      places.push({ id: `${id} ${sign}`, name: `${name} ${sign}`, rail, ...rest })
  }
  for (const { id, name } of plan.supplies)
    both(`supply ${id}`, name, { node: networkName.supply(id) })
  for (const { id, name } of plan.junctions)
    both(`junction ${id}`, name, { node: networkName.junction(id) })
  for (const { run, strip, pieces } of cuts) {
    const perGroup = loadsPerGroup(strip)
    let before = 0
    for (const { name, cuts: groups } of pieces) {
      if (groups === 0) continue
      const [first, last] = [before * perGroup, (before + groups) * perGroup - 1]
      both(`${run.id} ${name} start`, `${run.name}, ${name} start`, {
        run: run.id,
        load: first,
        isStart: true,
      })
      both(`${run.id} ${name} end`, `${run.name}, ${name} end`, {
        run: run.id,
        load: last,
        isStart: false,
      })
      before += groups
    }
  }
  return places
}

/** Every plus that can be opened: of each supply, and of each lead. */
export function openPlaces({
  plan,
  cuts,
  leads,
  wiring,
}: Pick<MendGiven, 'plan' | 'cuts' | 'leads' | 'wiring'>): readonly OpenPlace[] {
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
      const name = to.kind === 'run' ? `${wire}, to ${runName(cuts, to.run)}` : wire
      return [{ id: `lead ${id}`, name, of: { lead } }]
    }),
  ]
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
 * Volts from the black tip to the red one with power on; 0 where a tip hangs in the air.
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
  const at = ({ rail, run, load = 0, node = '' }: TipPlace): number => {
    if (run !== undefined)
      return (feed.rails.get(run) ?? healthy.rails.get(run))?.[rail][load] ?? NaN
    const place = feed.places.get(node) ?? healthy.places.get(node)
    return (rail === 'plus' ? place?.plusV : place?.minusV) ?? NaN
  }
  const volts = at(red) - at(black)
  return Number.isNaN(volts) ? 0 : volts
}

/**
 * Ohms between two tips without power, with what the meter's own leads add: every wire, joint and rail is a resistor, strip lets hardly
 * anything through from plus to minus.
 *
 * @returns `Infinity` where nothing leads from one to the other
 */
export function ohmsBetween(
  { cuts }: Pick<MendGiven, 'cuts'>,
  stage: Stage,
  effects: readonly Effect[],
  red: TipPlace,
  black: TipPlace,
): number {
  if (red.id === black.id) return meterLeadOhm
  const changes: readonly FeedChange[] = effects.flatMap(({ feed = [] }) => feed)
  const { network, joins, bridges } = changed(stage.network, changes)
  const all = new Map([...joins].map(([run, own]) => [run, new Map(own)]))
  // Each piece by itself: a tip can be held on either side of every joint.
  for (const { run, strip, pieces } of cuts) {
    const own =
      all.get(run.id) ?? new Map<number, { plusOhm: number | null; minusOhm: number | null }>()
    let before = 0
    for (const { cuts: groups } of pieces) {
      before += groups * loadsPerGroup(strip)
      if (!own.has(before)) own.set(before, { plusOhm: 0, minusOhm: 0 })
    }
    all.set(run.id, own)
  }
  const split = splitRuns(network, new Map(), all)
  const nodes = new Map<string, number>()
  const nodeAt = (end: string, rail: Rail): number => {
    const key = `${end} ${rail}`
    const known = nodes.get(key)
    if (known !== undefined) return known
    nodes.set(key, nodes.size)
    return nodes.size - 1
  }
  const edges: { readonly a: number; readonly b: number; readonly ohm: number }[] = []
  const padsOf = new Map<string, Set<number>>()
  const noteEnd = (end: string): void => {
    const [run = '', pad] = end.split('@')
    if (pad === undefined) return
    const own = padsOf.get(run) ?? new Set()
    padsOf.set(run, own.add(Number(pad)))
  }
  const tipEnd = (tip: TipPlace): string => {
    if (tip.run === undefined) return tip.node ?? ''
    const run = network.runs.find(({ id }) => id === tip.run)
    const part =
      run &&
      runParts(run, new Set(all.get(run.id)?.keys())).find(
        ({ from, run: own }) => (tip.load ?? 0) >= from && (tip.load ?? 0) < from + own.loads,
      )
    if (part === undefined) return ''
    return networkName.pad(part.run.id, tip.isStart === true ? 0 : part.run.loads)
  }
  const tips = [tipEnd(red), tipEnd(black)] as const
  for (const { from, to, plusOhm, minusOhm } of split.leads) {
    noteEnd(from)
    noteEnd(to)
    for (const [rail, ohm] of [
      ['plus', plusOhm],
      ['minus', minusOhm],
    ] as const)
      if (ohm !== null) edges.push({ a: nodeAt(from, rail), b: nodeAt(to, rail), ohm })
  }
  for (const end of tips) noteEnd(end)
  for (const { id, loads, pitchM, railOhmPerM, load } of split.runs) {
    const pads = [...(padsOf.get(id) ?? [])].toSorted((a, b) => a - b)
    for (const [at, pad] of pads.slice(1).entries()) {
      const before = pads[at] ?? 0
      for (const [rail, perM] of [
        ['plus', railOhmPerM.p],
        ['minus', railOhmPerM.m],
      ] as const)
        edges.push({
          a: nodeAt(networkName.pad(id, before), rail),
          b: nodeAt(networkName.pad(id, pad), rail),
          ohm: (pad - before) * pitchM * perM,
        })
    }
    const [first] = pads
    if (first === undefined) continue
    const end = networkName.pad(id, first)
    edges.push({
      a: nodeAt(end, 'plus'),
      b: nodeAt(end, 'minus'),
      ohm:
        load.ohmic !== undefined && bridges.has(id)
          ? load.ohmic.ohm + (load.ohmic.forwardV > 0 ? diodeOhm : 0)
          : leakOhm / loads,
    })
  }
  const [a, b] = [nodeAt(tips[0], red.rail), nodeAt(tips[1], black.rail)]
  return resistance(edges, a, b) + meterLeadOhm
}

/** The least that a wire has, Ω: so that the system can be solved. */
const leastOhm = 1e-6

/** Ohms between two nodes of resistors: 1 A in at one, out at the other (Kirchhoff's current law). */
function resistance(
  edges: readonly { readonly a: number; readonly b: number; readonly ohm: number }[],
  from: number,
  to: number,
): number {
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
