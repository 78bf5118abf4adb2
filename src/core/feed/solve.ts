import { Kept } from '../quantity/kept'
import { once } from '../quantity/once'
import { ChainSpace, reduce, restore, type Chain } from './chain'
import { solveDense } from './dense'
import { solveSparse, sparseRows } from './sparse'
import { drawOf, type Draw } from './draw'
import { endReader, type End, type Network, type NetworkRun } from './network'

/** Volts between the rails of a run, and what it draws. */
export interface SolvedRun {
  readonly firstV: number
  readonly lastV: number
  readonly minV: number
  /** The load at which it is lowest, from 0. */
  readonly minAt: number
  readonly currentA: number
  /** The minus rail at the first load, above the supplies' minus. */
  readonly firstGroundV: number
  /** Volts at each load. */
  readonly volts: Float64Array
  readonly rails?: Rails
}

/** Both rails of a run above the supplies' minus, V, at each load. What reaches no supply says nothing there. */
export interface Rails {
  readonly plus: Float64Array
  readonly minus: Float64Array
}

/** A run that hangs in the air: which of its rails reaches no supply. It draws nothing and has no volts to tell. */
export interface FloatingRun {
  readonly floating: readonly ('plus' | 'minus')[]
  readonly rails?: Rails
}

/** Current in a lead: plus from its first end to its second, minus the way back. */
export interface SolvedLead {
  readonly from: string
  readonly to: string
  readonly plusA: number
  readonly minusA: number
}

export interface PlaceVolts {
  readonly plusV: number
  readonly minusV: number
}

export interface Solution {
  readonly runs: ReadonlyMap<string, SolvedRun | FloatingRun>
  readonly leads: readonly SolvedLead[]
  readonly supplyA: ReadonlyMap<string, number>
  /** Volts of both rails above the supplies' minus, at every place where a lead ends, by its name; NaN where a rail reaches no supply. */
  readonly places: () => ReadonlyMap<string, PlaceVolts>
  readonly iterations: number
  /** Largest current that is left over at a load, A. */
  readonly residualA: number
}

export type SolveResult =
  | { readonly ok: true; readonly solution: Solution }
  /** Never an answer that has not settled. */
  | { readonly ok: false; readonly reason: 'not-settled' | 'singular'; readonly residualA: number }

/** A wire is never quite nothing, Ω: far below what a millivolt would show. */
const leastOhm = 1e-7
/** Settled when no load's current is off by more, A. */
const settledA = 1e-9
const mostIterations = 200

/**
 * Solves a feed network (handbook 3, the feed network). Supplies hold their volts, so what hangs on one lead of a supply does not feel what
 * hangs on another: the network falls into parts that are solved one by one.
 *
 * @param network checked by `networkSchema` and `networkIssues`
 * @param memory of parts that were solved before: what is just the same is not solved again
 */
export function solve(network: Network, memory?: SolvedParts): SolveResult {
  return joined(
    network,
    separateParts(network).map(({ part, leadIndices }) => ({
      leadIndices,
      solve: () =>
        memory === undefined ? partSolver(part)() : memory.recall(part, (own) => partSolver(own)()),
    })),
  )
}

/**
 * Solves a network, and tells the volts of both rails of its runs too.
 *
 * @param near volts at each load of runs as they will be, about: the nearer, the fewer steps it takes
 */
export const solveWithRails = (
  network: Network,
  near: ReadonlyMap<string, Float64Array> = new Map(),
): SolveResult =>
  joined(
    network,
    separateParts(network).map(({ part, leadIndices }) => ({
      leadIndices,
      solve: partSolver(part, true, near),
    })),
  )

/** A network that stays while the brightness of its loads changes: what is asked reads what stands in `duties` by then. */
export interface ChangingFeed {
  /** Solves it, from the volts of the last time. */
  readonly solve: () => SolveResult
  /**
   * What no supply can exceed, A: what its loads would draw at its own volts, since copper leaves them less and no load draws more at less
   * volts. Infinity where several supplies feed a part together. Takes a small share of the time of `solve`.
   */
  readonly mostA: () => ReadonlyMap<string, number>
}

/** Makes a network ready to be solved again and again. */
export function changingFeed(network: Network): ChangingFeed {
  const parts = separateParts(network).map(({ part, leadIndices }) => {
    const isFixed = part.runs.every(({ duties }) => duties === undefined)
    const [solvePart, most] = [partSolver(part), mostOf(part)]
    return {
      leadIndices,
      solve: isFixed ? once(solvePart) : solvePart,
      supplies: part.supplies,
      most: isFixed ? once(most) : most,
    }
  })
  return {
    solve: () => joined(network, parts),
    mostA: () => {
      const all = new Map(network.supplies.map(({ id }) => [id, 0]))
      for (const { supplies, most } of parts)
        for (const { id } of supplies)
          all.set(id, (all.get(id) ?? 0) + (supplies.length > 1 ? Infinity : most()))
      return all
    },
  }
}

/** What the loads of a part draw at the highest volts of its supplies, A. */
function mostOf({ supplies, runs }: Network): () => number {
  const volts = Math.max(...supplies.map(({ volts: own }) => own))
  const draws = runs.map(({ load, loads, duties }) => ({ draw: drawOf(load, duties), loads }))
  return () => {
    let sum = 0
    for (const { draw, loads } of draws)
      for (let at = 0; at < loads; at += 1) sum += draw.current(volts, at)
    return sum
  }
}

/** The answers of a network's parts as one. */
function joined(
  network: Network,
  parts: readonly {
    readonly leadIndices: readonly number[]
    readonly solve: () => SolveResult
  }[],
): SolveResult {
  const runs = new Map<string, SolvedRun | FloatingRun>()
  const leads: SolvedLead[] = []
  const places: Solution['places'][] = []
  const supplyA = new Map(network.supplies.map(({ id }) => [id, 0]))
  let [iterations, residualA] = [0, 0]
  for (const { leadIndices, solve: solvePart } of parts) {
    const result = solvePart()
    if (!result.ok) return result
    const { solution } = result
    for (const [id, run] of solution.runs) runs.set(id, run)
    places.push(solution.places)
    for (const [at, lead] of solution.leads.entries()) leads[leadIndices[at] ?? at] = lead
    for (const [id, amperes] of solution.supplyA) supplyA.set(id, (supplyA.get(id) ?? 0) + amperes)
    iterations = Math.max(iterations, solution.iterations)
    residualA = Math.max(residualA, solution.residualA)
  }
  return {
    ok: true,
    solution: {
      runs,
      leads,
      supplyA,
      places: () => new Map(places.flatMap((own) => [...own()])),
      iterations,
      residualA,
    },
  }
}

/** What is remembered, bytes, about; twice as much at the most. */
const mostRemembered = 12_000_000
/** A solved part: its frame, and its volts at each load. */
const [bytesAPart, bytesALoad] = [600, 24]

/**
 * Remembers the parts of the networks that were solved last, by all that goes into them: after an edit of one run only its own part is
 * solved again.
 */
class SolvedParts {
  private recent = new Map<string, SolveResult>()
  private before = new Map<string, SolveResult>()
  private bytes = 0
  /** … of a run that is a part by itself, for as long as it is the same object. */
  private ofRun = new Kept<NetworkRun, SolveResult>()

  recall(part: Network, work: (part: Network) => SolveResult): SolveResult {
    // Brightness pixel by pixel changes with every frame: there is nothing to remember.
    if (part.runs.some(({ duties }) => duties !== undefined)) return work(part)
    const [run] = part.runs
    if (run === undefined || part.runs.length > 1) return this.byText(part, work)
    const inputs = [
      part.supplies.length,
      ...part.supplies.flatMap(({ id, volts }) => [id, volts]),
      ...part.leads.flatMap(({ from, to, plusOhm, minusOhm }) => [from, to, plusOhm, minusOhm]),
    ]
    return this.ofRun.get(run, inputs, () => this.byText(part, work))
  }

  private byText(part: Network, work: (part: Network) => SolveResult): SolveResult {
    const key = JSON.stringify(part)
    const known = this.recent.get(key)
    if (known !== undefined) return known
    const result = this.before.get(key) ?? work(part)
    const loads = part.runs.reduce((sum, run) => sum + run.loads, 0)
    this.bytes += key.length + bytesAPart + bytesALoad * loads
    if (this.bytes > mostRemembered) {
      // What was not asked for since the last time is forgotten.
      this.before = this.recent
      this.recent = new Map()
      this.bytes = 0
    }
    this.recent.set(key, result)
    return result
  }

  /** Begins anew, as at the start of the program. */
  forget(): void {
    this.recent = new Map()
    this.before = new Map()
    this.bytes = 0
    this.ofRun = new Kept()
  }
}

/** The one memory of the feeds of plans, and of single runs that are tried in other ways. */
export const solvedParts = new SolvedParts()

/**
 * Solves a part for the volts at every load, as often as it is called.
 *
 * The loads of a run between two lead pads are a chain that is eliminated in one sweep, so time grows in proportion to the loads; what is
 * left, pads and junctions, is a small dense system, or a sparse one where many leads hang together. Loads are linearized and solved again (Newton). The network is the minimum of a convex
 * energy, so a step that goes past the minimum along it is shortened to near there.
 */
function partSolver(
  network: Network,
  hasRails = false,
  near: ReadonlyMap<string, Float64Array> = new Map(),
): () => SolveResult {
  const model = modelOf(network)
  const { draws, runOf, firstNode, total } = model
  const g = new Float64Array(total)
  const c = new Float64Array(total)
  const volts = new Float64Array(total).fill(Math.max(...network.supplies.map(({ volts: v }) => v)))
  for (const [run, { id, loads }] of network.runs.entries())
    volts.set(near.get(id)?.subarray(0, loads) ?? [], firstNode[run])
  const state = {
    plus: new Float64Array(total),
    minus: new Float64Array(total),
    ports: new Float64Array(2 * model.ports),
  }
  const next = {
    plus: new Float64Array(total),
    minus: new Float64Array(total),
    ports: new Float64Array(2 * model.ports),
  }
  /** Current left over at each load at the present state, A. */
  const left = new Float64Array(total)
  const change = new Float64Array(total)

  const linearize = (): void => {
    for (let node = 0; node < total; node += 1) {
      const draw = draws[runOf[node] ?? 0]
      if (draw === undefined) continue
      const v = volts[node] ?? 0
      const at = node - (firstNode[runOf[node] ?? 0] ?? 0)
      const slope = draw.slope(v, at)
      g[node] = slope
      c[node] = draw.current(v, at) - slope * v
    }
  }
  /** What a load draws beyond its linearization when its volts are `t` of the way on. */
  const beyond = (node: number, t: number): number => {
    const v = (volts[node] ?? 0) + t * (change[node] ?? 0)
    const run = runOf[node] ?? 0
    return (
      (draws[run]?.current(v, node - (firstNode[run] ?? 0)) ?? 0) -
      (g[node] ?? 0) * v -
      (c[node] ?? 0)
    )
  }
  /** Slope of the energy along the step, at `t` of it. */
  const slopeAt = (t: number): number => {
    let sum = 0
    for (let node = 0; node < total; node += 1)
      sum += ((1 - t) * (left[node] ?? 0) + beyond(node, t)) * (change[node] ?? 0)
    return sum
  }

  return () => {
    let residualA = Infinity
    for (let iteration = 1; iteration <= mostIterations; iteration += 1) {
      linearize()
      if (!solveLinear(model, g, c, next)) return { ok: false, reason: 'singular', residualA }
      for (let node = 0; node < total; node += 1)
        change[node] = (next.plus[node] ?? 0) - (next.minus[node] ?? 0) - (volts[node] ?? 0)

      // The first step is whole: the volts before it were a guess that belongs to no state.
      const t = iteration === 1 ? 1 : stepAlong(slopeAt)
      residualA = 0
      for (let node = 0; node < total; node += 1) {
        const rest = (iteration === 1 ? 0 : (1 - t) * (left[node] ?? 0)) + beyond(node, t)
        left[node] = rest
        residualA = Math.max(residualA, Math.abs(rest))
      }
      for (let node = 0; node < total; node += 1)
        volts[node] = (volts[node] ?? 0) + t * (change[node] ?? 0)
      advance(state.plus, next.plus, t)
      advance(state.minus, next.minus, t)
      advance(state.ports, next.ports, t)
      if (residualA <= settledA)
        return {
          ok: true,
          solution: solutionOf(network, model, volts, state, iteration, residualA, hasRails),
        }
    }
    return { ok: false, reason: 'not-settled', residualA }
  }
}

/** Halvings of a step, at most: past these the rest is below what floating numbers tell. */
const mostHalvings = 50

/**
 * How much of a step is taken, 0–1. The slope of a convex energy along it grows steadily: as long as it has not changed its sign the whole
 * step goes downhill; otherwise the minimum is bracketed and halved until the slope there is at most half of what it was.
 */
function stepAlong(slopeAt: (t: number) => number): number {
  const start = slopeAt(0)
  const end = slopeAt(1)
  if (Math.abs(end) <= 0.5 * Math.abs(start) + 1e-18 || end * start > 0) return 1
  let [low, high] = [0, 1]
  for (let halving = 0; halving < mostHalvings; halving += 1) {
    const t = (low + high) / 2
    const slope = slopeAt(t)
    if (Math.abs(slope) <= 0.5 * Math.abs(start)) return t
    if (slope * start > 0) low = t
    else high = t
  }
  return (low + high) / 2
}

/** Goes `t` of the way from where something is to where it would be next. */
function advance(from: Float64Array, to: Float64Array, t: number): void {
  if (t === 1) from.set(to)
  else
    for (let index = 0; index < from.length; index += 1) {
      const start = from[index] ?? 0
      from[index] = start + t * ((to[index] ?? 0) - start)
    }
}

/** Index of a port's plus; its minus is the next. -1 where a chain ends in the air. */
type Port = number

interface Model {
  readonly chains: readonly (Chain & { readonly left: Port; readonly right: Port })[]
  readonly space: ChainSpace
  readonly total: number
  readonly ports: number
  readonly draws: readonly Draw[]
  /** Run of each node. */
  readonly runOf: Int32Array
  readonly firstNode: readonly number[]
  /** Volts that a port is held at, or NaN: plus of a supply, its minus, and rails that reach no supply. */
  readonly held: Float64Array
  readonly supplyPorts: ReadonlySet<Port>
  readonly ends: readonly (readonly [Port, Port])[]
  readonly leads: Network['leads']
  readonly floating: readonly (readonly ('plus' | 'minus')[])[]
}

interface State {
  readonly plus: Float64Array
  readonly minus: Float64Array
  readonly ports: Float64Array
}

/** All that depends on the network alone and not on what its loads draw. */
function modelOf(network: Network): Model {
  const ports = new Map<string, Port>()
  const portOf = (end: End): Port => {
    const key =
      end.kind === 'pad'
        ? `${String(end.run)}@${String(end.pad)}`
        : end.kind === 'supply'
          ? `supply ${String(end.index)}`
          : `junction ${end.name}`
    const known = ports.get(key)
    if (known !== undefined) return known
    ports.set(key, ports.size)
    return ports.size - 1
  }
  const supplyPorts = network.supplies.map((_, index) => portOf({ kind: 'supply', index }))
  const pads = network.runs.map(() => new Map<number, Port>())
  const readEnd = endReader(network)
  const ends = network.leads.map((lead): [Port, Port] => {
    const [from, to] = [lead.from, lead.to].map((name): Port => {
      const result = readEnd(name)
      if (!result.ok) throw new RangeError(result.message)
      const port = portOf(result.end)
      if (result.end.kind === 'pad') pads[result.end.run]?.set(result.end.pad, port)
      return port
    })
    return [from ?? -1, to ?? -1]
  })

  // Which rails reach a supply: each rail of a run is one, leads join them.
  const reaches = { plus: [] as boolean[], minus: [] as boolean[] }
  for (const rail of ['plus', 'minus'] as const) {
    const groups = new Groups(ports.size)
    for (const ofRun of pads) {
      const [first, ...others] = ofRun.values()
      for (const port of others) groups.join(first ?? 0, port)
    }
    for (const [index, lead] of network.leads.entries())
      if ((rail === 'plus' ? lead.plusOhm : lead.minusOhm) !== null)
        groups.join(ends[index]?.[0] ?? 0, ends[index]?.[1] ?? 0)
    const fed = new Set(supplyPorts.map((port) => groups.find(port)))
    for (let port = 0; port < ports.size; port += 1) reaches[rail].push(fed.has(groups.find(port)))
  }
  const held = new Float64Array(2 * ports.size).fill(NaN)
  for (let port = 0; port < ports.size; port += 1) {
    if (reaches.plus[port] !== true) held[2 * port] = 0
    if (reaches.minus[port] !== true) held[2 * port + 1] = 0
  }
  for (const [index, port] of supplyPorts.entries()) {
    held[2 * port] = network.supplies[index]?.volts ?? 0
    held[2 * port + 1] = 0
  }

  const total = network.runs.reduce((sum, run) => sum + run.loads, 0)
  const runOf = new Int32Array(total)
  const firstNode: number[] = []
  const floating: ('plus' | 'minus')[][] = []
  const draws: Draw[] = []
  const chains: Model['chains'][number][] = []
  let first = 0
  for (const [index, run] of network.runs.entries()) {
    firstNode.push(first)
    runOf.fill(index, first, first + run.loads)
    const own = pads[index] ?? new Map<number, Port>()
    const [anyPort] = own.values()
    const hasPlus = anyPort !== undefined && reaches.plus[anyPort] === true
    const hasMinus = anyPort !== undefined && reaches.minus[anyPort] === true
    floating.push([
      ...(hasPlus ? [] : (['plus'] as const)),
      ...(hasMinus ? [] : (['minus'] as const)),
    ])
    draws.push(hasPlus && hasMinus ? drawOf(run.load, run.duties) : drawOf({ idleA: 0 }))

    const perPitch = (ohmPerM: number, isThere: boolean): number =>
      isThere ? 1 / Math.max(leastOhm, ohmPerM * run.pitchM) : 0
    const [p, m] = [perPitch(run.railOhmPerM.p, hasPlus), perPitch(run.railOhmPerM.m, hasMinus)]
    const padsInOrder = [...own.keys()].toSorted((a, b) => a - b)
    const bounds = [...new Set([0, ...padsInOrder, run.loads])]
    for (const [at, from] of bounds.slice(0, -1).entries()) {
      const to = bounds[at + 1] ?? run.loads
      const [left, right] = [own.get(from) ?? -1, own.get(to) ?? -1]
      const count = to - from
      const links = (between: number, isPlus: boolean): Float64Array => {
        const values = new Float64Array(count + 1).fill(between)
        // From a pad to the load beside it is half a pitch; an open end has no link.
        values[0] = left < 0 ? 0 : 2 * between
        values[count] = right < 0 ? 0 : 2 * between
        for (const { pad, plusOhm, minusOhm } of run.jumpers ?? []) {
          const link = values[pad - from]
          if (pad < from || pad >= to || link === undefined || link === 0) continue
          values[pad - from] = 1 / (1 / link + (isPlus ? plusOhm : minusOhm))
        }
        return values
      }
      chains.push({
        first: first + from,
        count,
        linkP: links(p, true),
        linkM: links(m, false),
        hasPlus,
        hasMinus,
        left,
        right,
      })
    }
    first += run.loads
  }
  return {
    chains,
    space: new ChainSpace(total),
    total,
    ports: ports.size,
    draws,
    runOf,
    firstNode,
    held,
    supplyPorts: new Set(supplyPorts),
    ends,
    leads: network.leads,
    floating,
  }
}

/** Up to so many unknowns a plain matrix is faster than one that leaves out what is 0. */
const mostDense = 48

/** Solves the network with its loads made linear; `false` where that has no answer. */
function solveLinear(model: Model, g: Float64Array, c: Float64Array, into: State): boolean {
  const { chains, space, held, ends, leads } = model
  const n = 2 * model.ports
  const isSmall = n <= mostDense
  const matrix = new Float64Array(isSmall ? n * n : 0)
  const rows = sparseRows(isSmall ? 0 : n)
  const right = new Float64Array(n)
  const add = isSmall
    ? (row: number, column: number, value: number): void => {
        matrix[row * n + column] = (matrix[row * n + column] ?? 0) + value
      }
    : (row: number, column: number, value: number): void => {
        rows[row]?.set(column, (rows[row].get(column) ?? 0) + value)
      }
  for (const [index, [from, to]] of ends.entries()) {
    const { plusOhm = null, minusOhm = null } = leads[index] ?? {}
    for (const [rail, ohm] of [plusOhm, minusOhm].entries()) {
      if (ohm === null) continue
      const conductance = 1 / Math.max(leastOhm, ohm)
      const [a, b] = [2 * from + rail, 2 * to + rail]
      add(a, a, conductance)
      add(b, b, conductance)
      add(a, b, -conductance)
      add(b, a, -conductance)
    }
  }
  for (const chain of chains) {
    const { y, s } = reduce(chain, g, c, space)
    const ports = [
      chain.left < 0 ? -1 : 2 * chain.left,
      chain.left < 0 ? -1 : 2 * chain.left + 1,
      chain.right < 0 ? -1 : 2 * chain.right,
      chain.right < 0 ? -1 : 2 * chain.right + 1,
    ]
    for (const [i, row] of ports.entries()) {
      if (row < 0) continue
      right[row] = (right[row] ?? 0) + (s[i] ?? 0)
      for (const [j, column] of ports.entries())
        if (column >= 0) add(row, column, y[4 * i + j] ?? 0)
    }
  }
  for (let row = 0; isSmall && row < n; row += 1) {
    const volts = held[row] ?? NaN
    if (Number.isNaN(volts)) continue
    matrix.fill(0, row * n, (row + 1) * n)
    matrix[row * n + row] = 1
    right[row] = volts
  }
  if (!(isSmall ? solveDense(matrix, right) : solveSparse(rows, right, held))) return false
  into.ports.set(right)
  const at = (port: Port): [number, number] =>
    port < 0 ? [0, 0] : [right[2 * port] ?? 0, right[2 * port + 1] ?? 0]
  for (const chain of chains) {
    // The space still holds each chain's own elimination: their nodes do not overlap.
    restore(chain, space, at(chain.left), at(chain.right), into.plus, into.minus)
  }
  return true
}

function solutionOf(
  network: Network,
  { ends, firstNode, draws, floating, held, supplyPorts }: Model,
  volts: Float64Array,
  { plus, minus, ports }: State,
  iterations: number,
  residualA: number,
  hasRails: boolean,
): Solution {
  const runs = new Map<string, SolvedRun | FloatingRun>()
  for (const [index, run] of network.runs.entries()) {
    const loose = floating[index] ?? []
    const first = firstNode[index] ?? 0
    const rails = hasRails && {
      rails: {
        plus: plus.slice(first, first + run.loads),
        minus: minus.slice(first, first + run.loads),
      },
    }
    if (loose.length > 0) {
      runs.set(run.id, { floating: loose, ...rails })
      continue
    }
    const own = volts.slice(first, first + run.loads)
    let minAt = 0
    let currentA = 0
    const draw = draws[index]
    for (let at = 0; at < own.length; at += 1) {
      const v = own[at] ?? 0
      if (v < (own[minAt] ?? Infinity) - 1e-9) minAt = at
      currentA += draw?.current(v, at) ?? 0
    }
    runs.set(run.id, {
      firstV: own[0] ?? 0,
      lastV: own.at(-1) ?? 0,
      minV: own[minAt] ?? 0,
      minAt,
      currentA,
      firstGroundV: minus[first] ?? 0,
      volts: own,
      ...rails,
    })
  }
  const supplyA = new Map(network.supplies.map(({ id }) => [id, 0]))
  const leads = network.leads.map(({ from, to, plusOhm, minusOhm }, index): SolvedLead => {
    const [a, b] = ends[index] ?? [0, 0]
    const across = (rail: number): number => (ports[2 * a + rail] ?? 0) - (ports[2 * b + rail] ?? 0)
    const plusA = plusOhm === null ? 0 : across(0) / Math.max(leastOhm, plusOhm)
    const minusA = minusOhm === null ? 0 : -across(1) / Math.max(leastOhm, minusOhm)
    supplyA.set(from, (supplyA.get(from) ?? 0) + plusA)
    supplyA.set(to, (supplyA.get(to) ?? 0) - plusA)
    return { from, to, plusA, minusA }
  })
  for (const id of supplyA.keys())
    if (!network.supplies.some((supply) => supply.id === id)) supplyA.delete(id)
  // The solver goes on with its ports: what is asked for later is read off a copy.
  const kept = ports.slice()
  const voltsOf = (port: Port, rail: 0 | 1): number =>
    // Rails that reach no supply are held at 0 V, as its minus is.
    !supplyPorts.has(port) && !Number.isNaN(held[2 * port + rail] ?? NaN)
      ? NaN
      : (kept[2 * port + rail] ?? NaN)
  const places = (): ReadonlyMap<string, PlaceVolts> =>
    new Map(
      network.leads.flatMap(({ from, to }, index) =>
        [from, to].map((name, side): [string, PlaceVolts] => {
          const port = ends[index]?.[side] ?? 0
          return [name, { plusV: voltsOf(port, 0), minusV: voltsOf(port, 1) }]
        }),
      ),
    )
  return { runs, leads, supplyA, places, iterations, residualA }
}

/** Places that belong together, joined pair by pair. */
class Groups {
  private readonly parent: number[]

  constructor(size: number) {
    this.parent = Array.from({ length: size }, (_, index) => index)
  }

  find(item: number): number {
    let root = item
    while (this.parent[root] !== undefined && this.parent[root] !== root)
      root = this.parent[root] ?? root
    this.parent[item] = root
    return root
  }

  join(a: number, b: number): void {
    this.parent[this.find(a)] = this.find(b)
  }
}

/** A part of a network, and which of the network's leads its leads are. */
export interface SeparatePart {
  readonly part: Network
  readonly leadIndices: readonly number[]
}

/** Runs and junctions that hang together otherwise than by a supply. A run without a lead is a part by itself. */
export function separateParts(network: Network): SeparatePart[] {
  const places = new Map<string, number>()
  const placeOf = (key: string): number => {
    const known = places.get(key)
    if (known !== undefined) return known
    places.set(key, places.size)
    return places.size - 1
  }
  for (const { id } of network.runs) placeOf(`run ${id}`)
  const readEnd = endReader(network)
  const ends = network.leads.map(({ from, to }) =>
    [from, to].flatMap((name) => {
      const result = readEnd(name)
      if (!result.ok) throw new RangeError(result.message)
      const { end } = result
      if (end.kind === 'supply') return []
      return [
        placeOf(
          end.kind === 'pad' ? `run ${network.runs[end.run]?.id ?? ''}` : `junction ${end.name}`,
        ),
      ]
    }),
  )
  const groups = new Groups(places.size)
  for (const [a, b] of ends) if (a !== undefined && b !== undefined) groups.join(a, b)
  const parts = new Map<number, { runs: NetworkRun[]; leads: number[] }>()
  const partAt = (root: number): { runs: NetworkRun[]; leads: number[] } => {
    const part = parts.get(root) ?? { runs: [], leads: [] }
    parts.set(root, part)
    return part
  }
  for (const run of network.runs) partAt(groups.find(placeOf(`run ${run.id}`))).runs.push(run)
  for (const [index, [end]] of ends.entries())
    partAt(end === undefined ? -1 : groups.find(end)).leads.push(index)
  return [...parts.values()].map(({ runs, leads }) => {
    const own = leads.flatMap((index) => network.leads[index] ?? [])
    // Without any supply there is none to hold it; one keeps the volts to begin with.
    const named = new Set(own.flatMap(({ from, to }) => [from, to]))
    const fed = network.supplies.filter(({ id }) => named.has(id))
    return {
      part: { supplies: fed.length > 0 ? fed : network.supplies.slice(0, 1), runs, leads: own },
      leadIndices: leads,
    }
  })
}
