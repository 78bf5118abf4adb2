import { nodeReader, type Network } from '../feed/network'
import { networkName, planNetwork } from '../feed/plan-network'
import { leadFuse } from '../feed/lead-fuse'
import { separateParts } from '../feed/separate'
import { solveWithRails } from '../feed/solve'
import type { PlaceVolts, Rails, SolveResult } from '../feed/solution'
import { runParts, splitRuns, type PadJoins } from '../feed/split-runs'
import { loadRuns } from '../load/load'
import { changed } from './faulted-network'
import type { FeedChange, MendGiven } from './fault'

/** In which light a fault is looked at: white as bright as the plan lets it be, dim, or nothing lit. */
export const looks = ['bright', 'low', 'idle'] as const
export type LookCase = (typeof looks)[number]

/** Of the plan's limit, in the dim look. */
const lowShare = 0.15

/** A supply stops at so much of what it is rated for; a fuse blows soon at so much. *Typical.* */
const [tripShare, blowShare] = [1.3, 1.9]
/** What a supply without a part can give before it stops, A. */
const anySupplyA = 10

/** The feed with a fault in it, solved. Only what the fault reaches is in it: all else is as it was. */
export interface FaultedFeed {
  /** Volts at each load of a run; NaN where a rail reaches no supply. */
  readonly runs: ReadonlyMap<string, Float64Array>
  /** Both rails above the supplies' minus, V; NaN where a rail reaches no supply. */
  readonly rails: ReadonlyMap<string, Rails>
  /** At supplies and junctions. */
  readonly places: ReadonlyMap<string, PlaceVolts>
  /** Of each supply of the plan by its id, A. */
  readonly supplyA: ReadonlyMap<string, number>
  /** Through the plus of each lead of the network by its index, A. */
  readonly leadA: ReadonlyMap<number, number>
}

interface Part {
  readonly network: Network
  /** Index in the whole network of each of its leads. */
  readonly leads: readonly number[]
  readonly solved: Solved
}

interface Solved {
  readonly runs: ReadonlyMap<string, Float64Array>
  readonly rails: ReadonlyMap<string, Rails>
  readonly places: ReadonlyMap<string, PlaceVolts>
  readonly supplyA: ReadonlyMap<string, number>
  readonly leadA: readonly number[]
}

const idOfSupply = (given: Pick<MendGiven, 'plan'>): ReadonlyMap<string, string> =>
  new Map(given.plan.supplies.map(({ id }) => [networkName.supply(id), id]))

/** The plan with nothing brighter than a share of its limit. */
function dimmedTo(given: MendGiven, share: number): MendGiven {
  const plan = { ...given.plan, limit: given.plan.limit * share }
  return { ...given, plan, loads: loadRuns(plan, given.cutRuns, given.lit) }
}

/** The feed of a plan in one look, in which faults are tried one after another: only the part that a fault is in is solved again. */
export class FaultFeed {
  readonly network: Network
  private readonly nodeOf: (name: string) => string
  private readonly parts: readonly Part[]
  private readonly partOfRun = new Map<string, number>()
  private readonly partOfLead = new Map<number, number>()
  private readonly partsOfSupply = new Map<string, number[]>()
  private readonly supplyIds: ReadonlyMap<string, string>
  private readonly ratedA: ReadonlyMap<string, number>
  private readonly fuseA: readonly (number | undefined)[]
  readonly healthy: FaultedFeed

  constructor(given: MendGiven, look: LookCase) {
    this.network =
      look === 'low'
        ? planNetwork(dimmedTo(given, lowShare), 'full-white')
        : planNetwork(given, look === 'idle' ? 'idle' : 'full-white')
    this.nodeOf = nodeReader(this.network)
    this.supplyIds = idOfSupply(given)
    this.ratedA = new Map(
      given.supplies.map(({ slot, ratedA }) => [networkName.supply(slot.id), ratedA ?? anySupplyA]),
    )
    this.fuseA = given.leads.map((_, index) => {
      const fed = given.full.leads[index]
      const fuse = fed === undefined ? null : leadFuse(fed)
      return typeof fuse === 'number' ? fuse : undefined
    })
    this.parts = separateParts(this.network).map(({ part, leadIndices }, index): Part => {
      for (const { id } of part.runs) this.partOfRun.set(id, index)
      for (const lead of leadIndices) this.partOfLead.set(lead, index)
      for (const { id } of part.supplies)
        this.partsOfSupply.set(id, [...(this.partsOfSupply.get(id) ?? []), index])
      return { network: part, leads: leadIndices, solved: solved(part, new Map()) }
    })
    this.healthy = this.whole()
  }

  private whole(): FaultedFeed {
    const runs = new Map<string, Float64Array>()
    const rails = new Map<string, Rails>()
    const places = new Map<string, PlaceVolts>()
    const supplyA = new Map<string, number>()
    const leadA = new Map<number, number>()
    for (const { leads, solved: own } of this.parts) {
      for (const [at, lead] of leads.entries()) leadA.set(lead, own.leadA[at] ?? 0)
      for (const [id, volts] of own.runs) runs.set(id, volts)
      for (const [id, both] of own.rails) rails.set(id, both)
      for (const [id, at] of own.places) places.set(id, at)
      for (const [id, amperes] of own.supplyA) {
        const supply = this.supplyIds.get(id) ?? id
        supplyA.set(supply, (supplyA.get(supply) ?? 0) + amperes)
      }
    }
    return { runs, rails, places, supplyA, leadA }
  }

  /** The feed with changes in it; fuses that blow and supplies that stop for it have done so. */
  with(changes: readonly FeedChange[]): FaultedFeed {
    let all = changes
    // A bridge blows what is before it, one thing after another.
    for (let times = 0; times < 4; times += 1) {
      const { feed, over } = this.tried(all)
      if (over === undefined) return feed
      // A supply that has stopped is the same whatever stopped it.
      if (over.kind === 'volts') return this.stopped(over)
      all = [...all, over]
    }
    return this.tried(all).feed
  }

  private readonly stoppedFeeds = new Map<string, FaultedFeed>()

  private stopped(over: Extract<FeedChange, { kind: 'volts' }>): FaultedFeed {
    const known = this.stoppedFeeds.get(over.supply) ?? this.tried([over]).feed
    this.stoppedFeeds.set(over.supply, known)
    return known
  }

  private reached(changes: readonly FeedChange[]): Set<number> {
    const reached = new Set<number>()
    const add = (part: number | undefined): void => {
      if (part !== undefined) reached.add(part)
    }
    for (const change of changes)
      switch (change.kind) {
        case 'lead':
        case 'swap':
          add(this.partOfLead.get(change.lead))
          break
        case 'rail':
          add(this.partOfRun.get(change.run))
          break
        case 'bridge': {
          const node = this.nodeOf(change.at)
          add(
            this.partOfRun.get(node) ??
              this.partsOfSupply.get(node)?.[0] ??
              this.partOfLead.get(
                this.network.leads.findIndex(({ from, to }) => from === node || to === node),
              ),
          )
          break
        }
        case 'volts':
        case 'behind':
          for (const part of this.partsOfSupply.get(change.supply) ?? []) add(part)
      }
    return reached
  }

  /** @returns what else gives way because of it */
  private tried(changes: readonly FeedChange[]): {
    readonly feed: FaultedFeed
    readonly over: FeedChange | undefined
  } {
    const reached = this.reached(changes)
    const own = [...reached].flatMap((index) => this.parts[index] ?? [])
    // What hangs on one cable is no longer apart.
    const network: Network = {
      supplies: this.network.supplies.filter(({ id }) =>
        own.some((part) => part.network.supplies.some((supply) => supply.id === id)),
      ),
      runs: own.flatMap((part) => part.network.runs),
      leads: own.flatMap((part) => part.network.leads),
    }
    const indices = own.flatMap(({ leads }) => leads)
    const local = new Map(indices.map((lead, index) => [lead, index]))
    const { network: faulty, joins } = changed(
      network,
      changes.map((change) =>
        change.kind === 'lead' || change.kind === 'swap'
          ? { ...change, lead: local.get(change.lead) ?? -1 }
          : change,
      ),
    )
    const found = solved(faulty, joins, this.healthy.runs)
    const supplyA = new Map(this.healthySupplyA())
    for (const part of own)
      for (const [id, amperes] of part.solved.supplyA)
        supplyA.set(id, (supplyA.get(id) ?? 0) - amperes)
    for (const [id, amperes] of found.supplyA) supplyA.set(id, (supplyA.get(id) ?? 0) + amperes)
    const over = changes.some(({ kind }) => kind === 'bridge' || kind === 'swap')
      ? this.givesWay(found.leadA, indices, supplyA, changes)
      : undefined
    return {
      feed: {
        runs: found.runs,
        rails: found.rails,
        places: found.places,
        supplyA: new Map(
          [...supplyA].map(([id, amperes]) => [this.supplyIds.get(id) ?? id, amperes]),
        ),
        leadA: new Map(indices.map((lead, at) => [lead, found.leadA[at] ?? 0])),
      },
      over,
    }
  }

  private suppliesA: ReadonlyMap<string, number> | undefined

  private healthySupplyA(): ReadonlyMap<string, number> {
    if (this.suppliesA !== undefined) return this.suppliesA
    const all = new Map<string, number>()
    for (const { solved: own } of this.parts)
      for (const [id, amperes] of own.supplyA) all.set(id, (all.get(id) ?? 0) + amperes)
    this.suppliesA = all
    return all
  }

  private givesWay(
    leadA: readonly number[],
    indices: readonly number[],
    supplyA: ReadonlyMap<string, number>,
    changes: readonly FeedChange[],
  ): FeedChange | undefined {
    for (const [at, lead] of indices.entries()) {
      const fuse = this.fuseA[lead]
      const isBlown = changes.some(
        (one) => one.kind === 'lead' && one.lead === lead && one.ohm === null,
      )
      if (fuse !== undefined && !isBlown && Math.abs(leadA[at] ?? 0) > blowShare * fuse)
        return { kind: 'lead', lead, rail: 'plus', ohm: null }
    }
    for (const [id, amperes] of supplyA) {
      const isOff = changes.some((one) => one.kind === 'volts' && one.supply === id)
      if (!isOff && amperes > tripShare * (this.ratedA.get(id) ?? anySupplyA))
        return { kind: 'volts', supply: id, volts: 0 }
    }
    return undefined
  }
}

/** @param healthy volts of its runs without a fault: most faults leave most of them about there */
function solved(network: Network, joins: PadJoins, healthy: Solved['runs'] = new Map()): Solved {
  const split = splitRuns(network, new Map(), joins)
  const ownParts = network.runs.map((run) => ({
    id: run.id,
    loads: run.loads,
    parts: runParts(run, new Set(joins.get(run.id)?.keys())),
  }))
  const near = new Map(
    ownParts.flatMap(({ id, parts }) => {
      const volts = healthy.get(id)
      // Without volts there is nothing to start from.
      return volts === undefined || volts.includes(NaN)
        ? []
        : parts.map(({ from, run }) => [run.id, volts.subarray(from, from + run.loads)] as const)
    }),
  )
  const result: SolveResult = solveWithRails(split, near)
  const runs = new Map<string, Float64Array>()
  const rails = new Map<string, Rails>()
  if (!result.ok) {
    for (const { id, loads } of network.runs) runs.set(id, new Float64Array(loads).fill(NaN))
    return { runs, rails, places: new Map(), supplyA: new Map(), leadA: [] }
  }
  const { solution } = result
  for (const { id, loads, parts } of ownParts) {
    const volts = new Float64Array(loads).fill(NaN)
    const both: Rails = {
      plus: new Float64Array(loads).fill(NaN),
      minus: new Float64Array(loads).fill(NaN),
    }
    for (const { from, run: part } of parts) {
      const own = solution.runs.get(part.id)
      if (own === undefined) continue
      if ('volts' in own) volts.set(own.volts, from)
      const isLoose = (rail: 'plus' | 'minus'): boolean =>
        'floating' in own && own.floating.includes(rail)
      for (const rail of ['plus', 'minus'] as const)
        if (own.rails !== undefined && !isLoose(rail)) both[rail].set(own.rails[rail], from)
    }
    runs.set(id, volts)
    rails.set(id, both)
  }
  return {
    runs,
    rails,
    places: solution.places(),
    supplyA: solution.supplyA,
    leadA: solution.leads.map(({ plusA }) => plusA),
  }
}
