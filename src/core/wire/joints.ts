import { runName } from '../cut/entry-of'
import type { StripReels } from '../cut/reels'
import type { FedPlan } from '../feed/fed-plan'
import { profileOf } from '../parts/profiles'
import type { Line, Plan } from '../plan/plan'
import { formatDrill, plural } from '../quantity/format'
import { sleeveText } from './ends-text'
import { blockId } from '../route/harness'
import { linesOf } from '../route/strip-lines'
import type { BlockOf, Terminal } from '../route/circuit'
import type { InLine, PlanBlock, PlanWire, Wiring } from './wires'

/** Where a joint is. */
export type JointAt =
  /** In a wire: a fuse, a resistor, a diode. */
  | { readonly kind: 'wire'; readonly part: InLine['kind'] }
  /** At a supply, junction, board, buffer, switch, hub or sensor. */
  | { readonly kind: 'block'; readonly block: string; readonly of: BlockOf }
  /** Pads where leads and data meet a run, counted in cut groups from pad 0. */
  | { readonly kind: 'pads'; readonly run: string; readonly pad: number }
  /** Where data leaves a run. */
  | { readonly kind: 'out'; readonly run: string }
  /** The end of a piece that a jumper is soldered to. */
  | {
      readonly kind: 'piece'
      readonly run: string
      readonly piece: string
      readonly end: 'start' | 'end'
    }
  /** One piece on the next, pad on pad or plug in plug. */
  | { readonly kind: 'between'; readonly run: string; readonly from: string; readonly to: string }
  /** A piece that is made of two lengths. */
  | { readonly kind: 'within'; readonly run: string; readonly piece: string }
  /** A capacitor across plus and minus of a run's pads. */
  | {
      readonly kind: 'capacitor'
      readonly run: string
      readonly pad: number
      readonly supply: string
    }
  /** A single light or node, from 0, or the splitter of some. */
  | { readonly kind: 'light'; readonly run: string; readonly light: number }
  | { readonly kind: 'splitter'; readonly run: string }
  /** The legs of all lights of a run. */
  | { readonly kind: 'lights'; readonly run: string }

/** One place where wires are joined. */
export interface PlanJoint {
  /** From what meets there, so that it stays while the rest of the plan changes. */
  readonly id: string
  readonly kind: 'screw' | 'solder' | 'in-line' | 'pad' | 'plug'
  readonly at: JointAt
  readonly where: string
  /** What meets what there. */
  readonly meets: readonly string[]
  /** What has to be on the wires before. */
  readonly threadFirst: readonly string[]
  readonly minutes: number
  /** Wire ends and pads that are soldered there: none at a screw or a plug. */
  readonly soldered: number
  /** With all that come before it. */
  readonly soFarMin: number
  readonly wires: readonly string[]
  /** Ids of the terminals whose wires end there. */
  readonly terminals: readonly string[]
  readonly about: readonly string[]
}

/** *Typical* minutes (handbook 7): of a soldered joint by its wires, of a screw, and of a part in a wire. */
const minutes = {
  perJoint: [0, 3, 4, 6],
  moreWires: 8,
  screw: 1,
  inLine: 3,
  plug: 0.5,
} as const
const solderMinutes = (wires: number): number => minutes.perJoint[wires] ?? minutes.moreWires

/** Wire ends that are joined in one go: a terminal by itself, or the pads at one place of a strip. */
function placeOf({ id, block, spot }: Terminal, of: BlockOf): Place {
  const named = (text: string, at: JointAt): Place => ({ id: `${block}/${text}`, text, at })
  const alone: Place = { id, text: '', at: { kind: 'block', block, of } }
  if (of.kind !== 'run') return alone
  const { run } = of
  switch (spot.kind) {
    case 'splitter':
      return named(spot.splitter, { kind: 'splitter', run })
    case 'piece':
      return named(`${spot.piece} ${spot.end}`, {
        kind: 'piece',
        run,
        piece: spot.piece,
        end: spot.end,
      })
    case 'data':
      return spot.side === 'in'
        ? named('start', { kind: 'pads', run, pad: 0 })
        : named('out', { kind: 'out', run })
    case 'pad':
      return named(spot.pad === 0 ? 'start' : `pad ${String(spot.pad)}`, {
        kind: 'pads',
        run,
        pad: spot.pad,
      })
    case 'light':
      return named(`light ${String(spot.light + 1)}`, { kind: 'light', run, light: spot.light })
    case 'lead':
    case 'power':
    case 'output':
    case 'pin':
      return alone
  }
}

interface Place {
  readonly id: string
  readonly text: string
  readonly at: JointAt
}

const screwed: readonly PlanBlock['of']['kind'][] = ['supply', 'junction', 'switch', 'hub']

type NewJoint = Omit<PlanJoint, 'soFarMin' | 'terminals'> & Partial<Pick<PlanJoint, 'terminals'>>

/** A joint while its wires come together: thousands may meet at one place. */
interface Growing {
  readonly rest: Omit<
    NewJoint,
    'meets' | 'wires' | 'threadFirst' | 'minutes' | 'soldered' | 'terminals'
  >
  readonly terminals: Set<string>
  readonly meets: string[]
  readonly wires: string[]
  readonly thread: Set<string>
  takes: number
  soldered: number
}

/**
 * Every joint in the order of the feed: screws at the supply, what sits in the wire, then the pads; last those inside pieces that are made
 * of two. A joint at a strip takes all the wires of its pads at once, and one at a light all that meets its legs.
 */
export function jointsOf(
  wiring: Wiring,
  { plan, cutRuns }: Pick<FedPlan, 'plan' | 'cutRuns'>,
  reels: readonly StripReels[],
): PlanJoint[] {
  const { blocks, wires, capacitors, padJoints, lightJoints } = wiring
  const blockOf = new Map(blocks.map((block) => [block.id, block]))
  const lineOf = new Map(plan.lines.map((line) => [line.id, line]))
  const joints = new Map<string, Growing>()
  const put = (id: string, joint: Omit<NewJoint, 'id'>): void => {
    const known = joints.get(id)
    if (known === undefined) {
      const {
        meets,
        wires: own,
        threadFirst: first,
        minutes: takes,
        soldered,
        terminals = [],
        ...rest
      } = joint
      const [grown, thread] = [[...own], new Set(first)]
      joints.set(id, {
        rest: { id, ...rest },
        terminals: new Set(terminals),
        meets: [...meets],
        wires: grown,
        thread,
        takes,
        soldered,
      })
      return
    }
    known.meets.push(...joint.meets)
    known.wires.push(...joint.wires)
    for (const text of joint.threadFirst) known.thread.add(text)
    for (const one of joint.terminals ?? []) known.terminals.add(one)
    known.soldered += joint.soldered
    known.takes =
      known.rest.kind === 'solder' ? solderMinutes(known.wires.length) : known.takes + joint.minutes
  }
  const addEnd = (wire: PlanWire, terminal: Terminal): void => {
    const block = blockOf.get(terminal.block)
    if (block === undefined) return
    const { label } = terminal
    const isScrew = screwed.includes(block.of.kind)
    const isPlug = terminal.spot.kind === 'splitter'
    const place = placeOf(terminal, block.of)
    const spot = block.of.kind === 'run' ? place.text || label : label
    put(place.id, {
      kind: isPlug ? 'plug' : isScrew ? 'screw' : 'solder',
      at: place.at,
      where: `${block.name}${spot === '' ? '' : `, ${spot}`}`,
      meets: [`${wire.name} ${roleText(wire)} to ${label}`],
      threadFirst:
        isScrew || isPlug
          ? []
          : threadsAt(
              plan,
              wire,
              place.at,
              block.of.kind === 'run' ? lineOf.get(block.of.run) : undefined,
            ),
      minutes: isPlug ? minutes.plug / 2 : isScrew ? minutes.screw : solderMinutes(1),
      soldered: isPlug || isScrew ? 0 : 1,
      wires: [wire.name],
      terminals: [terminal.id],
      about: wire.about,
    })
  }
  for (const bundle of bundlesOf(wires)) {
    for (const wire of bundle) addEnd(wire, wire.from)
    for (const wire of bundle)
      for (const { kind, text } of wire.inLine) {
        if (kind === 'connector') {
          put(`${wire.from.id}~${kind}`, connectorJoint(wire, bundle, text, plan))
          continue
        }
        put(`${wire.from.id}~${kind}`, {
          kind: 'in-line',
          at: { kind: 'wire', part: kind },
          where: `in ${wire.name}`,
          meets: [kind === 'diode' ? text : `${kind} ${text}, both ends`],
          threadFirst: sleeveOn(wire, plan),
          minutes: minutes.inLine,
          soldered: 2,
          wires: [wire.name],
          about: wire.about,
        })
      }
    for (const wire of bundle) addEnd(wire, wire.to)
  }
  for (const { supplyId, text, at } of capacitors)
    put(`capacitor:${supplyId}`, {
      kind: 'solder',
      at: { kind: 'capacitor', run: at.run, pad: at.pad, supply: supplyId },
      where: `${runName(cutRuns, at.run)}, ${at.pad === 0 ? 'start' : `pad ${String(at.pad)}`}`,
      meets: [`${text} across + and −, its stripe to −`],
      threadFirst: [],
      minutes: solderMinutes(2),
      soldered: 2,
      wires: [],
      about: [at.run],
    })
  for (const { run, from, to, wires: lines, isPlugged } of padJoints)
    put(`${blockId.run(run)}/${from} to ${to}`, {
      kind: isPlugged ? 'plug' : 'pad',
      at: { kind: 'between', run, from, to },
      where: `${runName(cutRuns, run)}, ${from} to ${to}`,
      meets: [
        isPlugged
          ? `plug of ${from} into ${to}`
          : `pads of ${from} on those of ${to}, same to same`,
      ],
      threadFirst: [],
      minutes: isPlugged ? minutes.plug : solderMinutes(lines),
      soldered: isPlugged ? 0 : lines,
      wires: [],
      about: [run],
    })
  for (const { run, piece, part, lines } of joinsIn(reels))
    put(`${blockId.run(run)}/${piece} within ${String(part)}`, {
      kind: 'pad',
      at: { kind: 'within', run, piece },
      where: `${runName(cutRuns, run)}, within ${piece}`,
      meets: [`part ${String(part)} of ${piece} on part ${String(part + 1)}, same to same`],
      threadFirst: [],
      minutes: solderMinutes(lines),
      soldered: lines,
      wires: [],
      about: [run],
    })
  for (const own of lightJoints) addLightJoints(own, put, runName(cutRuns, own.run))
  let soFarMin = 0
  return [...joints.values()].map(
    ({ rest, meets, wires: own, thread, takes, soldered, terminals }) => {
      soFarMin += takes
      return {
        ...rest,
        meets,
        wires: own,
        terminals: [...terminals],
        threadFirst: [...thread],
        minutes: takes,
        soldered,
        soFarMin,
      }
    },
  )
}

/** Both halves of what a lead or a data wire comes apart at, on all wires beside it. */
function connectorJoint(
  wire: PlanWire,
  bundle: readonly PlanWire[],
  text: string,
  plan: Pick<Plan, 'units'>,
): Omit<NewJoint, 'id'> {
  const by = wire.apart?.by ?? 'solder'
  const names = bundle.map(({ name }) => name)
  const ends = 2 * names.length
  return {
    kind: by === 'solder' ? 'in-line' : by === 'screw' ? 'screw' : 'plug',
    at: { kind: 'wire', part: 'connector' },
    where: `in ${names.join(' ')}`,
    meets: [`${text}, both halves, ${wire.role} to ${wire.role}`],
    threadFirst:
      by === 'solder'
        ? bundle.flatMap((one) => sleeveOn(one, plan).map((text) => `${text}, two`))
        : [],
    minutes: by === 'solder' ? solderMinutes(1) * ends : minutes.screw * ends,
    soldered: by === 'solder' ? ends : 0,
    wires: names,
    about: wire.about,
  }
}

const legNames: Readonly<Record<number, string>> = { 2: 'two', 3: 'three', 4: 'four' }

/** Legs and resistors of single lights: each by itself where wires come home from it, else all of a run together. */
function addLightJoints(
  { run, lights, legs, resistors, isPlugged, hasWiresHome }: Wiring['lightJoints'][number],
  put: (id: string, joint: Omit<NewJoint, 'id'>) => void,
  name: string,
): void {
  const ends = lights * legs + resistors
  // Where a wire comes home, its joint at the light is counted there.
  const own = isPlugged ? 0 : Math.max(0, hasWiresHome ? ends - lights * (legs - 1) : ends)
  put(`${blockId.run(run)}/lights`, {
    kind: isPlugged ? 'plug' : 'solder',
    at: { kind: 'lights', run },
    where: `${name}, every light`,
    meets: isPlugged
      ? [`${plural(lights, 'light')} into splitters`]
      : [
          `${plural(lights, 'light')} by ${legNames[legs] ?? String(legs)} legs each`,
          ...(resistors > 0
            ? [
                `${plural(resistors, 'resistor')} in ${legs > 2 ? 'the leg of each colour' : 'their plus'}`,
              ]
            : []),
        ],
    threadFirst: isPlugged ? ['plug through the hole'] : ['sleeve on each leg'],
    minutes: isPlugged ? minutes.plug * lights : solderMinutes(1) * own,
    soldered: own,
    wires: [],
    about: [run],
  })
}

/** Joins inside pieces that are made of several lengths from the reels. */
function joinsIn(
  reels: readonly StripReels[],
): { run: string; piece: string; part: number; lines: number }[] {
  return reels.flatMap(({ strip, reels: bins }) =>
    bins.flatMap(({ cuts }) =>
      cuts
        .filter(({ part, parts }) => part < parts)
        .map(({ runId, piece, part }) => ({
          run: runId,
          piece,
          part,
          lines: linesOf(strip).length,
        })),
    ),
  )
}

/** Joints and minutes by kind, as every page tells them. */
export interface JointCount {
  readonly kind: PlanJoint['kind']
  readonly count: number
  readonly minutes: number
}

/** How many joints of each kind there are, and how long they take. */
export function countJoints(joints: readonly PlanJoint[]): JointCount[] {
  const counts = new Map<PlanJoint['kind'], { count: number; minutes: number }>()
  for (const { kind, minutes: own } of joints) {
    const known = counts.get(kind) ?? { count: 0, minutes: 0 }
    counts.set(kind, { count: known.count + 1, minutes: known.minutes + own })
  }
  return [...counts].map(([kind, of]) => ({ kind, ...of }))
}

/** Wires that run side by side and follow on from each other in the list. */
export function bundlesOf<Wire extends { readonly bundle: string }>(
  wires: readonly Wire[],
): Wire[][] {
  const bundles: Wire[][] = []
  for (const wire of wires) {
    const last = bundles.at(-1)
    if (last?.[0]?.bundle === wire.bundle) last.push(wire)
    else bundles.push([wire])
  }
  return bundles
}

const roleText = ({ role, colour }: PlanWire): string => `${role} (${colour})`

const sleeveOn = (wire: PlanWire, { units }: Pick<Plan, 'units'>): string[] =>
  wire.sleeveMm === null ? [] : [`sleeve ${sleeveText(wire, units)} on ${wire.name}`]

/** What would be trapped by a joint of the wire at that place, and so is threaded on before. */
const threadsAt = (
  plan: Pick<Plan, 'own' | 'units'>,
  wire: PlanWire,
  at: JointAt,
  line?: ThreadedLine,
): string[] => [
  ...sleeveOn(wire, plan),
  ...(line === undefined ? [] : thingsAt(plan, wire, at, line)),
]

/** … besides its sleeve: at a run the holes that it goes through, the cap of the profile, the end cap, the gland. */
export function thingsAt(
  { own, units }: Pick<Plan, 'own' | 'units'>,
  { name }: PlanWire,
  at: JointAt,
  line: ThreadedLine,
): string[] {
  const things: string[] = []
  const { mount, into } = line
  const isAtEnd = at.kind === 'out' || (at.kind === 'pads' && at.pad > 0)
  if (into !== undefined && (at.kind === 'out' || at.kind === 'pads' || at.kind === 'light'))
    for (const hole of into.holes)
      if (at.kind === 'light' || (hole.at === 'end') === isAtEnd)
        things.push(`${name} through the ${formatDrill(hole.mm, units)} hole in the ${into.what}`)
  const { shape = 'bar' } = profileOf(own, mount?.profile) ?? {}
  if (shape !== 'bar' && (at.kind === 'out' || at.kind === 'pads'))
    things.push('end cap of the profile')
  if (mount?.hasSleeve === true || mount?.hasCaps === true) things.push('end cap')
  if (mount?.damp === 'outdoors') things.push('gland')
  return things
}

/** What a line says of how its wires come in. */
type ThreadedLine = Pick<Line, 'mount' | 'into'>
