import { ChainSpace, reduce, restore, type Chain } from './chain'
import { solveDense } from './dense'
import { solveSparse, sparseRows } from './sparse'
import { drawOf, type Draw } from './draw'
import { endReader, type End, type Network } from './network'
import { Groups } from './separate'
import type {
  FloatingRun,
  PlaceVolts,
  Solution,
  SolvedLead,
  SolvedRun,
  SolveResult,
} from './solution'

/** A wire is never quite nothing, Ω: far below what a millivolt would show. */
const leastOhm = 1e-7
/** Settled when no load's current is off by more, A. */
const settledA = 1e-9
const mostIterations = 200

/**
 * Solves a part for the volts at every load, as often as it is called.
 *
 * The loads of a run between two lead pads are a chain that is eliminated in one sweep, so time grows in proportion to the loads; what is
 * left, pads and junctions, is a small dense system, or a sparse one where many leads hang together. Loads are linearized and solved again (Newton). The network is the minimum of a convex
 * energy, so a step that goes past the minimum along it is shortened to near there.
 */
export function partSolver(
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
