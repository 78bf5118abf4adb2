import { entryOf, runName } from '../cut/entry-of'
import { isOnWire, pixelsInNode } from '../cut/on-wire'
import { networkName, planNetwork } from '../feed/plan-network'
import { boardSupply } from '../lanes/boards'
import { dimmersOf } from '../lanes/dimmers'
import { isBoardPin } from '../parts/find'
import { loadsPerGroup } from '../load/group-draw'
import { listed } from '../quantity/listed'
import { blockId, powerSwitchBundle } from '../route/harness'
import { linesOf } from '../route/strip-lines'
import type { PlanJoint } from '../wire/joints'
import type { PlanWire } from '../wire/wires'
import type { Contact, LightChange, Link, MendGiven } from './fault'

/**
 * Every conductor at every joint, and every wire between its joints: the places where something can be open, poor or bridged, each with what
 * is cut off there.
 */
export function contactsOf(given: MendGiven): readonly Contact[] {
  const linker = new Linker(given)
  const { wiring, joints } = given
  const wireAt = new Map<string, PlanWire[]>()
  for (const wire of wiring.wires)
    for (const { id } of [wire.from, wire.to]) listed(wireAt, id).push(wire)
  const wireNamed = new Map(wiring.wires.map((wire) => [wire.name, wire]))
  const contacts: Contact[] = []
  for (const joint of joints) {
    const { at } = joint
    if (at.kind === 'between' || at.kind === 'within') contacts.push(...linker.padded(joint))
    else if (at.kind === 'lights') contacts.push(...linker.lightsOf(joint, at.run))
    else if (at.kind === 'wire') {
      const wire = wireNamed.get(joint.wires[0] ?? '')
      if (wire !== undefined)
        contacts.push({
          ...linker.ofWire(wire),
          joint: joint.id,
          how: joint.kind,
          where: joint.where,
          jointWhere: joint.where,
          isFuse: at.part === 'fuse',
        })
    } else
      for (const terminal of joint.terminals)
        for (const wire of wireAt.get(terminal) ?? []) {
          const isFrom = wire.from.id === terminal
          contacts.push({
            ...linker.ofWire(wire, isFrom),
            joint: joint.id,
            terminal,
            how: joint.kind,
            where: `${wire.name} ${wire.role} at ${joint.where}`,
            jointWhere: joint.where,
          })
        }
  }
  for (const wire of wiring.wires) contacts.push(linker.ofWire(wire))
  return contacts
}

/** Finds what is cut off where a wire or pad is open. */
class Linker {
  private readonly leadIndex: ReadonlyMap<string, number>
  private readonly network: ReturnType<typeof planNetwork>
  private readonly laneOf = new Map<string, MendGiven['lanes'][number]['runs'][number]>()

  constructor(private readonly given: MendGiven) {
    this.network = planNetwork(given, 'full-white')
    this.leadIndex = new Map(given.leads.map(({ id }, index) => [id, index]))
    for (const { runs } of given.lanes)
      for (const run of runs) this.laneOf.set(run.entry.run.id, run)
  }

  /** A wire, told at its beginning, its end, or as a whole. */
  ofWire(wire: PlanWire, isFrom?: boolean): Contact {
    const lead = this.leadIndex.get(wire.bundle)
    const ends = lead === undefined ? undefined : this.network.leads[lead]
    return {
      joint: undefined,
      how: 'wire',
      role: wire.role,
      wire: wire.name,
      where: `${wire.name} ${wire.role}, ${this.blockName(wire.from.block)} to ${this.blockName(wire.to.block)}`,
      place: runName(this.given.cutRuns, wire.about[0] ?? '') || this.blockName(wire.to.block),
      about: [...new Set([wire.name, ...wire.about])],
      links: this.linksOf(wire),
      at: isFrom === undefined ? undefined : ((isFrom ? ends?.from : ends?.to) ?? this.padAt(wire)),
      isFuse: false,
      span: `wire ${wire.name}`,
      ...(wire.home !== undefined &&
        wire.to.spot.kind === 'light' &&
        (wire.role === 'plus' || wire.role === 'minus') && {
          node: `light ${String(wire.to.spot.light + 1)} of ${runName(this.given.cutRuns, wire.home)}`,
        }),
    }
  }

  private blockName(id: string): string {
    return this.given.wiring.blocks.find((block) => block.id === id)?.name ?? ''
  }

  /** The leads that hang on the board's own feed: the board's, and where its 5 V pin is a supply all that hangs on that. */
  private boardLeads(): readonly number[] {
    const { plan, fit, lanes } = this.given
    const supply = boardSupply(plan, fit, lanes)
    const sources =
      supply !== undefined && isBoardPin(plan, supply)
        ? [networkName.supply(supply), networkName.powerSwitch(supply)]
        : []
    return this.network.leads.flatMap(({ from, to }, index) =>
      to === networkName.pad(networkName.board, 0) ||
      (sources.includes(from) && to !== networkName.powerSwitch(supply ?? ''))
        ? [index]
        : [],
    )
  }

  /** The pad in the network that a wire of strip ends at. */
  private padAt({ to, about }: PlanWire): string | undefined {
    const [run] = about
    const entry = run === undefined ? undefined : entryOf(this.given.cutRuns, run)
    if (entry === undefined || entry.groups === 0) return undefined
    if (to.spot.kind === 'data') {
      const isAgainst = this.laneOf.get(entry.run.id)?.isAgainstArrow === true
      return networkName.pad(
        entry.run.id,
        isAgainst ? entry.groups * loadsPerGroup(entry.strip) : 0,
      )
    }
    return to.spot.kind === 'piece'
      ? networkName.pad(entry.run.id, this.padBefore(entry.run.id, to.spot.piece))
      : undefined
  }

  private linksOf(wire: PlanWire): readonly Link[] {
    const { given } = this
    const { from, to, role, bundle } = wire
    const lead = this.leadIndex.get(bundle)
    if (lead !== undefined && (role === 'plus' || role === 'minus')) {
      if (role === 'plus') return [{ kind: 'lead', lead, rail: 'plus' }]
      return [{ kind: 'lead', lead: this.minusOf(lead), rail: 'minus' }]
    }
    if (from.spot.kind === 'piece' && to.spot.kind === 'piece')
      return this.railLinks(
        wire.about[0] ?? '',
        this.padBefore(wire.about[0] ?? '', to.spot.piece),
        role,
        from.spot.channel,
      )
    const powerSwitch = given.plan.supplies.find(({ id }) => bundle === powerSwitchBundle(id))
    if (powerSwitch !== undefined) {
      const name = networkName.powerSwitch(powerSwitch.id)
      const index = this.network.leads.findIndex(({ to: end }) => end === name)
      return index >= 0 && role === 'plus' ? [{ kind: 'lead', lead: index, rail: 'plus' }] : []
    }
    if (bundle === 'board') {
      if (role === 'plus' || role === 'minus') {
        const own = this.boardLeads()
        if (own.length > 0) return own.map((index) => ({ kind: 'lead', lead: index, rail: role }))
      }
      // A board with a plug of its own: the minuses no longer meet.
      return given.lanes.flatMap((lane) => this.wholeLane(lane, 'flicker'))
    }
    if (bundle === 'buffer') return given.lanes.flatMap((lane) => this.wholeLane(lane, 'dark'))
    if (wire.hasDiode === true) return this.dataFrom(wire.about[0] ?? '', 0)
    if (role === 'data' || role === 'clock') return this.dataFrom(wire.about[0] ?? '', 0)
    if (wire.home !== undefined && to.spot.kind === 'light') {
      const { home } = wire
      return given.lit.some(({ id }) => id === home)
        ? this.lightsFrom(home, to.spot.light)
        : this.nodeAt(home, to.spot.light)
    }
    const dimmer = dimmersOf(given.cutRuns, given.lit).find(
      ({ name }) => blockId.switch(name) === to.block,
    )
    if (dimmer !== undefined) {
      if (role === 'minus') {
        const index = this.network.leads.findIndex(
          ({ to: end, plusOhm }) => plusOhm === null && end === networkName.switch(dimmer.name),
        )
        return index < 0 ? [] : [{ kind: 'lead', lead: index, rail: 'minus' }]
      }
      return dimmer.runs.map(({ run }) => ({
        kind: 'light',
        light: { run: run.id, from: 0, count: null, state: 'dark' },
      }))
    }
    return []
  }

  /** The lead in the network that carries the minus of a lead: its own, or the one from its switch. */
  private minusOf(lead: number): number {
    const own = this.network.leads[lead]
    if (own?.minusOhm !== null) return lead
    const index = this.network.leads.findIndex(
      ({ to, plusOhm }, at) => at !== lead && plusOhm === null && to === own.to,
    )
    return index < 0 ? lead : index
  }

  private padBefore(run: string, piece: string): number {
    const entry = entryOf(this.given.cutRuns, run)
    if (entry === undefined) return 0
    let before = 0
    for (const { name, groups } of entry.pieces) {
      if (name === piece) break
      before += groups
    }
    return before * loadsPerGroup(entry.strip)
  }

  private railLinks(run: string, pad: number, role: string, channel?: string): readonly Link[] {
    const entry = entryOf(this.given.cutRuns, run)
    if (entry === undefined || entry.groups === 0) return []
    const loads = entry.groups * loadsPerGroup(entry.strip)
    if (role === 'data' || role === 'clock') {
      const isAgainst = this.laneOf.get(run)?.isAgainstArrow === true
      return this.dataFrom(run, isAgainst ? loads - pad : pad)
    }
    if (channel !== undefined && entry.strip.light.channels.length > 1)
      return [
        {
          kind: 'light',
          light: { run, from: pad, count: loads - pad, state: 'tinted' },
        },
      ]
    return [{ kind: 'rail', run, pad, rail: role === 'plus' ? 'plus' : 'minus' }]
  }

  private dataFrom(run: string, from: number): readonly Link[] {
    const entry = entryOf(this.given.cutRuns, run)
    if (entry === undefined) return []
    return [{ kind: 'light', light: { run, from, count: null, state: 'dark' } }]
  }

  private wholeLane(
    { runs }: MendGiven['lanes'][number],
    state: LightChange['state'],
  ): readonly Link[] {
    const run = runs[0]?.entry.run.id
    return run === undefined ? [] : [{ kind: 'light', light: { run, from: 0, count: null, state } }]
  }

  /** What a node senses no longer arrives: its light stands as it is. */
  private nodeAt(run: string, node: number): readonly Link[] {
    const entry = entryOf(this.given.cutRuns, run)
    const count = entry !== undefined && isOnWire(entry) ? pixelsInNode(entry.run) : 1
    return [{ kind: 'light', light: { run, from: node * count, count, state: 'frozen' } }]
  }

  /** A light with the others of its group in series. */
  private lightsFrom(run: string, light: number): readonly Link[] {
    const own = this.given.lit.find(({ id }) => id === run)
    const { inSeries } = own?.settings ?? { inSeries: 1 }
    return [
      {
        kind: 'light',
        light: {
          run,
          from: Math.floor(light / inSeries) * inSeries,
          count: inSeries,
          state: 'dark',
        },
      },
    ]
  }

  /** Pad on pad, plug in plug: every line of the strip. */
  padded(joint: PlanJoint): readonly Contact[] {
    const { at } = joint
    if (at.kind !== 'between' && at.kind !== 'within') return []
    const entry = entryOf(this.given.cutRuns, at.run)
    if (entry === undefined) return []
    const pad =
      at.kind === 'between'
        ? this.padBefore(at.run, at.to)
        : this.padBefore(at.run, at.piece) + this.groupsBefore(joint) * loadsPerGroup(entry.strip)
    return linesOf(entry.strip).map(({ role, channel }): Contact => ({
      joint: joint.id,
      how: joint.kind,
      role,
      wire: undefined,
      where: `${channel === undefined ? role : `${role} ${channel}`} at ${joint.where}`,
      jointWhere: joint.where,
      place: entry.run.name,
      about: [at.run],
      links: this.railLinks(at.run, pad, role, channel),
      at: networkName.pad(at.run, pad),
      isFuse: false,
      span: `joint ${joint.id} ${channel ?? role}`,
    }))
  }

  /** Cut groups of a piece that is made of several lengths, up to the join. */
  private groupsBefore({ id, at }: PlanJoint): number {
    if (at.kind !== 'within') return 0
    const own = this.given.joints.filter(
      (one) => one.at.kind === 'within' && one.at.run === at.run && one.at.piece === at.piece,
    )
    const part = own.findIndex((one) => one.id === id) + 1
    return this.given.reels
      .flatMap(({ reels }) => reels.flatMap(({ cuts }) => cuts))
      .filter((one) => one.runId === at.run && one.piece === at.piece && one.part <= part)
      .reduce((sum, { fromGroup, toGroup }) => sum + toGroup - fromGroup + 1, 0)
  }

  /** The legs of single lights, light by light. */
  lightsOf(joint: PlanJoint, run: string): readonly Contact[] {
    const own = this.given.lit.find(({ id }) => id === run)
    const { inSeries } = own?.settings ?? { inSeries: 1 }
    const groups = Math.ceil((own?.lights ?? 0) / inSeries)
    return Array.from({ length: groups }, (_, group): Contact => {
      const where = `light ${String(group * inSeries + 1)} of ${runName(this.given.cutRuns, run)}`
      return {
        joint: joint.id,
        how: joint.kind,
        role: 'signal',
        wire: undefined,
        where,
        jointWhere: where,
        place: runName(this.given.cutRuns, run),
        about: [run],
        links: this.lightsFrom(run, group * inSeries),
        at: undefined,
        isFuse: false,
        span: `legs ${run} ${String(group)}`,
      }
    })
  }
}
