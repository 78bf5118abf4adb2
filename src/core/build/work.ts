import type { CutStripRun, Piece } from '../cut/cut'
import type { Plan } from '../plan/plan'
import { listed } from '../quantity/listed'
import type { JointAt, PlanJoint } from '../wire/joints'
import type { WiredPlan } from '../wire/wired-plan'
import type { PlanWire } from '../wire/wires'
import type { Step } from './step'

/** What steps are made from. */
export type StepsGiven = Pick<
  WiredPlan,
  'plan' | 'cutRuns' | 'lit' | 'nodes' | 'lanes' | 'supplies' | 'wiring' | 'joints'
>

/** Places of the work that are no run, junction, sensor or supply. */
export const places = { first: 'first', board: 'board', last: 'last' } as const

/** Ids of steps. */
export const stepId = {
  measure: (run: string) => `measure:${run}`,
  dryFit: (run: string) => `dry-fit:${run}`,
  reel: (strip: string) => `test:reel:${strip}`,
  cutPiece: (run: string, piece: string) => `cut:${run}/${piece}`,
  sawProfile: (run: string) => `cut:${run}/profile`,
  cutSheet: (run: string) => `cut:${run}/sheet`,
  tinPiece: (run: string, piece: string) => `tin:${run}/${piece}`,
  testPiece: (run: string, piece: string) => `test:${run}/${piece}`,
  slidePiece: (run: string, piece: string) => `thread:${run}/${piece}`,
  mountPiece: (run: string, piece: string) => `mount:${run}/${piece}`,
  mountProfile: (run: string) => `mount:${run}/profile`,
  cutWires: (bundle: string) => `cut:wires:${bundle}`,
  tinWires: (bundle: string) => `tin:wires:${bundle}`,
  thread: (bundle: string) => `thread:wires:${bundle}`,
  joint: (group: string) => `joint:${group}`,
  check: (station: string) => `check:${station}`,
  tested: (station: string) => `test:${station}`,
  label: (place: string) => `label:${place}`,
  insulate: (place: string) => `insulate:${place}`,
  clean: (run: string) => `clean:${run}`,
  mount: (what: string) => `mount:${what}`,
  relief: (run: string) => `relief:${run}`,
  cover: (run: string) => `cover:${run}`,
  unloaded: (supply: string) => `check:${supply}/unloaded`,
  card: (supply: string) => `label:${supply}/card`,
  power: (supply: string) => `power:${supply}`,
  soak: 'soak',
  book: 'book',
} as const

/** Wires that run side by side: cut, tinned and threaded in one go. */
export interface Bundle {
  readonly id: string
  readonly wires: readonly PlanWire[]
  /** Whose work it is. */
  readonly place: string
}

/** Joints that are made in one go. */
export interface JointGroup {
  readonly id: string
  readonly joints: readonly PlanJoint[]
  readonly place: string
  /** What is measured and tested together: several groups may belong to one. */
  readonly station: string
  /** Where it is. */
  readonly at: JointAt
}

/** A run with the pieces that carry light. */
export interface StripWork {
  readonly entry: CutStripRun
  readonly pieces: readonly Piece[]
}

/** The plan seen as work: which place each wire belongs to, and which joints are made together. */
export class Work {
  readonly steps = new Map<string, Step>()
  readonly bundles = new Map<string, Bundle>()
  readonly bundlesOfPlace = new Map<string, Bundle[]>()
  readonly bundleOfWire = new Map<string, Bundle>()
  readonly groups = new Map<string, JointGroup & { readonly joints: PlanJoint[] }>()
  private readonly indexOfWire: ReadonlyMap<string, number>
  private readonly idsAt = new Map<string, string[]>()
  /** Groups of joints at a run. */
  readonly groupsOfRun = new Map<string, JointGroup[]>()
  private readonly groupsOfWire = new Map<string, Set<JointGroup>>()
  private readonly jointsOfWire = new Map<string, PlanJoint[]>()
  /** All runs, those with data in its order first. */
  readonly cutRuns: readonly CutStripRun[]
  readonly strips: readonly StripWork[]
  /** … by their runs. */
  readonly stripOf: ReadonlyMap<string, StripWork>
  readonly entryOf: ReadonlyMap<string, CutStripRun>
  readonly blockOf: ReadonlyMap<string, WiredPlan['wiring']['blocks'][number]>
  readonly lineOf: ReadonlyMap<string, Plan['lines'][number]>

  constructor(readonly given: StepsGiven) {
    const { cutRuns, wiring, joints, plan } = given
    this.entryOf = new Map(cutRuns.map((entry) => [entry.run.id, entry]))
    this.blockOf = new Map(wiring.blocks.map((block) => [block.id, block]))
    this.lineOf = new Map(plan.lines.map((line) => [line.id, line]))
    const inLanes = new Set(given.lanes.flatMap(({ runs }) => runs.map(({ entry }) => entry)))
    this.cutRuns = [...inLanes, ...cutRuns.filter((entry) => !inLanes.has(entry))]
    this.strips = this.cutRuns.flatMap((entry) => {
      const pieces = entry.pieces.filter((piece) => piece.groups > 0)
      return pieces.length > 0 ? [{ entry, pieces }] : []
    })
    this.stripOf = new Map(this.strips.map((strip) => [strip.entry.run.id, strip]))
    this.indexOfWire = new Map(wiring.wires.map(({ name }, index) => [name, index]))
    const wiresOf = new Map<string, PlanWire[]>()
    const firstHome = new Map<string, string>()
    for (const wire of wiring.wires) {
      // Wires home are many and alike: those of the first light are the sample, the others are made together.
      const { home, bundle } = wire
      if (home !== undefined && !firstHome.has(home)) firstHome.set(home, bundle)
      const isRest = home !== undefined && firstHome.get(home) !== bundle
      listed(wiresOf, isRest ? `${home}.home` : bundle).push(wire)
    }
    for (const [id, wires] of wiresOf) {
      const bundle: Bundle = { id, wires, place: this.placeOfWires(wires) }
      this.bundles.set(id, bundle)
      listed(this.bundlesOfPlace, bundle.place).push(bundle)
      for (const wire of wires) this.bundleOfWire.set(wire.name, bundle)
    }
    for (const joint of joints) this.addJoint(joint)
  }

  add(step: Step): void {
    if (!this.steps.has(step.id)) listed(this.idsAt, `${step.kind} ${step.place}`).push(step.id)
    this.steps.set(step.id, step)
  }

  /** Ids of the steps of a kind that belong to a place, as far as they are made. */
  stepsAt(kind: Step['kind'], place: string): readonly string[] {
    return this.idsAt.get(`${kind} ${place}`) ?? []
  }

  /** Steps that no other needs: once they are done, all are. */
  ends(): string[] {
    const needed = new Set([...this.steps.values()].flatMap(({ needs }) => needs))
    return [...this.steps.keys()].filter((id) => !needed.has(id))
  }

  /** Those of the ids that are steps. */
  known(ids: readonly string[]): string[] {
    return [...new Set(ids)].filter((id) => this.steps.has(id))
  }

  wireOf(name: string): PlanWire | undefined {
    return this.given.wiring.wires[this.indexOfWire.get(name) ?? -1]
  }

  /** Names in the order of the list. */
  inListOrder(names: readonly string[]): string[] {
    const at = (name: string): number => this.indexOfWire.get(name) ?? 0
    return names.toSorted((a, b) => at(a) - at(b))
  }

  /** Whether one wire comes right behind another in the list. */
  follows(before: string, name: string): boolean {
    return this.indexOfWire.get(name) === (this.indexOfWire.get(before) ?? NaN) + 1
  }

  /** Joints that a wire is part of: at its ends, and what sits in it. */
  jointsOf(wire: string): readonly PlanJoint[] {
    return this.jointsOfWire.get(wire) ?? []
  }

  /** Groups of joints in which any of the wires ends. */
  groupsOf(wires: readonly PlanWire[]): JointGroup[] {
    return [...new Set(wires.flatMap(({ name }) => [...(this.groupsOfWire.get(name) ?? [])]))]
  }

  /** Ids of the meter checks of everything that any of the wires is joined to, but for supplies: those come last. */
  checksOf(wires: readonly PlanWire[]): string[] {
    return this.groupsOf(wires).flatMap(({ at, station }) =>
      at.kind === 'wire' || (at.kind === 'block' && at.of.kind === 'supply')
        ? []
        : [stepId.check(station)],
    )
  }

  /** Wires that belong to a place. */
  wiresAt(place: string): PlanWire[] {
    return (this.bundlesOfPlace.get(place) ?? []).flatMap(({ wires }) => wires)
  }

  /** Ids of the blocks that the wires of a place end at. */
  blocksOf(place: string): string[] {
    return [...new Set(this.wiresAt(place).flatMap(({ from, to }) => [from.block, to.block]))]
  }

  /** Bundles whose wires meet in a joint. */
  bundlesAt(joints: readonly PlanJoint[]): Bundle[] {
    const found = new Set<Bundle>()
    for (const { wires } of joints)
      for (const wire of wires) {
        const bundle = this.bundleOfWire.get(wire)
        if (bundle !== undefined) found.add(bundle)
      }
    return [...found]
  }

  /** A wire belongs to the run, sensor or junction that it ends at; what feeds the board is the board's. */
  private placeOfWires(wires: readonly PlanWire[]): string {
    const [first] = wires
    if (first === undefined || first.bundle === places.board) return places.board
    const ends = [first.to, first.from].map(({ block }) => this.blockOf.get(block))
    const input = ends.find((block) => block?.of.kind === 'input')
    if (input !== undefined) return input.id
    const of = ends[0]?.of
    switch (of?.kind) {
      case 'run':
      case 'hub':
        return of.run
      case 'junction':
        return of.junction
      case 'buffer':
        return places.board
      case 'power-switch':
        return of.supply
      default:
        return first.about[0] ?? places.board
    }
  }

  private addJoint(joint: PlanJoint): void {
    const { group, station } = this.keysOf(joint)
    const known = this.groups.get(group)
    const own = known ?? {
      id: group,
      joints: [],
      place: this.placeOfJoint(joint),
      station,
      at: joint.at,
    }
    own.joints.push(joint)
    if (known === undefined) {
      this.groups.set(group, own)
      if ('run' in joint.at) listed(this.groupsOfRun, joint.at.run).push(own)
    }
    for (const wire of joint.wires) {
      listed(this.jointsOfWire, wire).push(joint)
      const groups = this.groupsOfWire.get(wire)
      if (groups === undefined) this.groupsOfWire.set(wire, new Set([own]))
      else groups.add(own)
    }
  }

  private placeOfJoint({ at, wires }: PlanJoint): string {
    if ('run' in at) return at.run
    if (at.kind === 'block' && at.of.kind === 'supply') return at.of.supply
    return this.bundleOfWire.get(wires[0] ?? '')?.place ?? places.board
  }

  /** Which joints are made in one go, and which are measured and tested together. */
  private keysOf(joint: PlanJoint): { readonly group: string; readonly station: string } {
    const { at, wires } = joint
    const bundle = this.bundleOfWire.get(wires[0] ?? '')?.id ?? joint.id
    const alone = (group: string): { group: string; station: string } => ({ group, station: group })
    switch (at.kind) {
      case 'wire':
        return { group: `${bundle}/in-line`, station: '' }
      case 'block':
        return at.of.kind === 'supply'
          ? alone(at.of.supply)
          : alone(`${at.block}/${this.placeOfJoint(joint)}`)
      case 'pads':
        return alone(`${at.run}/${padName(at.pad)}`)
      case 'capacitor':
        return {
          group: joint.id,
          station: `${at.run}/${padName(at.pad)}`,
        }
      case 'out':
        return alone(`${at.run}/out`)
      case 'piece':
        return alone(bundle)
      case 'between':
        return alone(`${at.run}/${at.from} to ${at.to}`)
      case 'within':
        return alone(`${at.run}/within ${at.piece}`)
      case 'light':
        // One first, as the sample.
        return {
          group: `${at.run}/${at.light === 0 ? 'first light' : 'lights home'}`,
          station: `${at.run}/lights`,
        }
      case 'splitter':
        return { group: `${at.run}/splitters`, station: `${at.run}/lights` }
      case 'lights':
        return { group: `${at.run}/lights`, station: `${at.run}/lights` }
    }
  }
}

/** How a pad is called in ids. */
export const padName = (pad: number): string => (pad === 0 ? 'start' : `pad ${String(pad)}`)
