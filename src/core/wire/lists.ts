import { pack } from '../cut/pack'
import type { Wire as Gauge } from '../parts/wires'
import type { WireColour } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { plural } from '../quantity/format'
import { blockOf, splitterOf, type Block, type Circuit, type PlanWire } from './circuit'

/** Wires of one gauge and colour, and what to buy for them. */
export interface WireGroup {
  readonly gauge: Gauge
  readonly colour: WireColour
  /** Longest first: how they are cut. */
  readonly wires: readonly PlanWire[]
  readonly totalMm: number
  /** Spools to buy with the wires that are cut from each, longest first. */
  readonly spools: readonly {
    readonly lengthM: number
    readonly price: number
    readonly wires: readonly PlanWire[]
    readonly leftMm: number
  }[]
}

/** Lengths in which single wire is sold, m, and how much cheaper a metre is on them; *typical*. */
const spoolLengths: readonly (readonly [metres: number, share: number])[] = [
  [2, 1.3],
  [5, 1],
  [10, 0.85],
  [25, 0.7],
  [100, 0.55],
]

/** The wires by gauge and colour, thickest first, each with the spools to buy. */
export function wireGroups(wires: readonly PlanWire[]): WireGroup[] {
  const groups = new Map<string, PlanWire[]>()
  for (const wire of wires) {
    const key = `${wire.gauge.id} ${wire.colour}`
    groups.set(key, [...(groups.get(key) ?? []), wire])
  }
  return [...groups.values()]
    .flatMap((own): WireGroup[] => {
      const [first] = own
      if (first === undefined) return []
      const sorted = own.toSorted((a, b) => b.lengthMm - a.lengthMm)
      return [
        {
          gauge: first.gauge,
          colour: first.colour,
          wires: sorted,
          totalMm: own.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
          spools: spoolsFor(first.gauge, sorted),
        },
      ]
    })
    .toSorted((a, b) => b.gauge.areaMm2 - a.gauge.areaMm2 || a.colour.localeCompare(b.colour))
}

/** More wires than this are laid on spools one after another, longest first: the best way is not looked for any more. */
const mostPacked = 60

/** Wires on as few spools of one length as first fit gives, the last no longer than it has to be. */
function firstFit(gauge: Gauge, wires: readonly PlanWire[]): WireGroup['spools'] {
  const longest = Math.max(...spoolLengths.map(([metres]) => metres)) * 1000
  const bins: { left: number; wires: PlanWire[] }[] = []
  for (const wire of wires) {
    const mm = Math.ceil(wire.lengthMm)
    const bin = bins.find(({ left }) => left >= mm)
    if (bin === undefined)
      bins.push({ left: Math.max(longest, Math.ceil(mm / 1000) * 1000) - mm, wires: [wire] })
    else {
      bin.left -= mm
      bin.wires.push(wire)
    }
  }
  return bins.map(({ wires: own }) => {
    const needMm = own.reduce((sum, { lengthMm }) => sum + Math.ceil(lengthMm), 0)
    const [metres, share] = spoolLengths.find(([length]) => length * 1000 >= needMm) ?? [
      Math.ceil(needMm / 1000),
      1,
    ]
    return {
      lengthM: metres,
      price: Math.round(((metres * gauge.pricePerM) / 2) * share * 100) / 100,
      wires: own,
      leftMm: metres * 1000 - needMm,
    }
  })
}

function spoolsFor(gauge: Gauge, wires: readonly PlanWire[]): WireGroup['spools'] {
  if (wires.length > mostPacked) return firstFit(gauge, wires)
  const packed = pack(
    {
      pieces: wires.map(({ lengthMm }) => Math.ceil(lengthMm)),
      stock: spoolLengths.map(([metres, share]) => ({
        length: metres * 1000,
        price: Math.round(((metres * gauge.pricePerM) / 2) * share * 100) / 100,
      })),
      offcuts: [],
    },
    { mostNodes: 500, mostSets: 60 },
  )
  // Longer than any spool.
  if (!packed.ok) return firstFit(gauge, wires)
  const left = [...wires]
  return packed.packing.bins.map(({ length, price, pieces }) => {
    const own = pieces.flatMap((mm) => {
      const at = left.findIndex(({ lengthMm }) => Math.ceil(lengthMm) === mm)
      return at < 0 ? [] : left.splice(at, 1)
    })
    return {
      lengthM: length / 1000,
      price,
      wires: own,
      leftMm: length - pieces.reduce((sum, mm) => sum + mm, 0),
    }
  })
}

/** One place where wires are joined. */
export interface PlanJoint {
  /** Stable while the plan changes: where it is. */
  readonly id: string
  readonly kind: 'screw' | 'solder' | 'in-line' | 'pad' | 'plug'
  readonly where: string
  /** What meets what there. */
  readonly meets: readonly string[]
  /** What has to be on the wires before. */
  readonly threadFirst: readonly string[]
  readonly minutes: number
  /** With all that come before it. */
  readonly soFarMin: number
  readonly wires: readonly string[]
  readonly about: readonly string[]
}

/** *Typical* minutes (handbook 7): of a soldered joint by its wires, of a screw, and of a part in a wire. */
const minutes = {
  perJoint: [0, 3, 4, 6],
  moreWires: 8,
  screw: 1,
  inLine: 3,
  pad: 6,
  plug: 0.5,
} as const
const solderMinutes = (wires: number): number => minutes.perJoint[wires] ?? minutes.moreWires

/** A group of wire ends that are joined in one go: all at one terminal strip, or the pads at one end of a strip. */
const placeOf = (terminal: string): string => {
  const [block = '', key = ''] = terminal.split('/')
  const splitter = splitterOf(terminal)
  if (splitter !== undefined) return `${block}/${splitter}`
  if (!block.startsWith('run:') || !/^(?:[+−DC] ?|\S+ [+−DC])/.test(key)) return terminal
  // Pads side by side: plus, data and minus of a start, of an end, or of a feed along the way.
  const along = / (\d+)$/.exec(key)?.[1]
  const piece = /^(\S+) \S+(?: \S+)* (start|end)$/.exec(key)
  if (piece !== null) return `${block}/${piece[1] ?? ''} ${piece[2] ?? ''}`
  if (key.endsWith('out')) return `${block}/out`
  return along === undefined ? `${block}/start` : `${block}/pad ${along}`
}

/**
 * Every joint in the order of the feed: screws at the supply, what sits in the wire, then the pads.
 *
 * A joint at a strip takes all the wires of its pads at once.
 */
export function jointsOf(
  { blocks, wires, capacitors, padJoints, lightJoints }: Circuit,
  plan: Plan,
): PlanJoint[] {
  const byId = new Map(blocks.map((block) => [block.id, block]))
  const labels = new Map(
    blocks.flatMap(({ terminals }) => terminals.map(({ id, label }) => [id, label])),
  )
  const joints = new Map<string, Omit<PlanJoint, 'soFarMin'>>()
  const put = (id: string, joint: Omit<PlanJoint, 'soFarMin' | 'id'>): void => {
    const known = joints.get(id)
    joints.set(
      id,
      known === undefined
        ? { id, ...joint }
        : {
            ...known,
            meets: [...known.meets, ...joint.meets],
            wires: [...known.wires, ...joint.wires],
            threadFirst: [...new Set([...known.threadFirst, ...joint.threadFirst])],
            minutes:
              known.kind === 'solder'
                ? solderMinutes(known.wires.length + joint.wires.length)
                : known.minutes + joint.minutes,
          },
    )
  }
  const addEnd = (wire: PlanWire, terminal: string): void => {
    const block = byId.get(blockOf(terminal))
    if (block === undefined) return
    const label = labels.get(terminal) ?? ''
    const isScrew = ['supply', 'junction', 'switch'].includes(block.kind)
    const isPlug = splitterOf(terminal) !== undefined
    put(placeOf(terminal), {
      kind: isPlug ? 'plug' : isScrew ? 'screw' : 'solder',
      where: `${block.name}${spotText(placeOf(terminal), block, label)}`,
      meets: [`${wire.name} ${roleText(wire)} to ${label}`],
      threadFirst: isScrew || isPlug ? [] : threadFirst(wire, block, plan),
      minutes: isPlug ? minutes.plug / 2 : isScrew ? minutes.screw : solderMinutes(1),
      wires: [wire.name],
      about: wire.about,
    })
  }
  for (const bundle of bundlesOf(wires)) {
    for (const wire of bundle) addEnd(wire, wire.from)
    for (const wire of bundle)
      for (const { kind, text } of wire.inLine)
        put(`${wire.from}~${kind}`, {
          kind: 'in-line',
          where: `in ${wire.name}`,
          meets: [kind === 'diode' ? text : `${kind} ${text}, both ends`],
          threadFirst: wire.sleeve === null ? [] : [`sleeve ${wire.sleeve} on ${wire.name}`],
          minutes: minutes.inLine,
          wires: [wire.name],
          about: wire.about,
        })
    for (const wire of bundle) addEnd(wire, wire.to)
  }
  for (const { supplyId, text, at } of capacitors)
    put(`capacitor:${supplyId}`, {
      kind: 'solder',
      where: `${byId.get(`run:${at.run}`)?.name ?? ''}, ${at.pad === 0 ? 'start' : `pad ${String(at.pad)}`}`,
      meets: [`${text} across + and −, its stripe to −`],
      threadFirst: [],
      minutes: solderMinutes(2),
      wires: [],
      about: [at.run],
    })
  for (const { run, from, to, isPlugged } of padJoints)
    put(`run:${run}/${from} to ${to}`, {
      kind: isPlugged ? 'plug' : 'pad',
      where: `${byId.get(`run:${run}`)?.name ?? ''}, ${from} to ${to}`,
      meets: [
        isPlugged
          ? `plug of ${from} into ${to}`
          : `pads of ${from} on those of ${to}, same to same`,
      ],
      threadFirst: [],
      minutes: isPlugged ? minutes.plug : minutes.pad,
      wires: [],
      about: [run],
    })
  for (const { run, lights, resistors, isPlugged } of lightJoints)
    put(`run:${run}/lights`, {
      kind: isPlugged ? 'plug' : 'solder',
      where: `${byId.get(`run:${run}`)?.name ?? ''}, every light`,
      meets: isPlugged
        ? [`${plural(lights, 'light')} into splitters`]
        : [
            `${plural(lights, 'light')} by two legs each`,
            ...(resistors > 0 ? [`${plural(resistors, 'resistor')} in their plus`] : []),
          ],
      threadFirst: isPlugged ? ['plug through the hole'] : ['sleeve on each leg'],
      minutes: isPlugged ? minutes.plug * lights : solderMinutes(1) * (lights * 2 + resistors),
      wires: [],
      about: [run],
    })
  let soFarMin = 0
  return [...joints.values()].map((joint) => {
    soFarMin += joint.minutes
    return { ...joint, soFarMin }
  })
}

/** Wires that run side by side and follow on from each other in the list. */
export function bundlesOf(wires: readonly PlanWire[]): PlanWire[][] {
  const bundles: PlanWire[][] = []
  for (const wire of wires) {
    const last = bundles.at(-1)
    if (last?.[0]?.bundle === wire.bundle) last.push(wire)
    else bundles.push([wire])
  }
  return bundles
}

const roleText = ({ role, colour }: PlanWire): string => `${role} (${colour})`

function spotText(place: string, { kind }: Block, label: string): string {
  const key = place.split('/')[1] ?? ''
  if (kind === 'run') return `, ${key}`
  return label === '' ? '' : `, ${label}`
}

/** What would be trapped by the joint, and so comes first. */
function threadFirst({ sleeve, name }: PlanWire, { kind, about }: Block, plan: Plan): string[] {
  const things = sleeve === null ? [] : [`sleeve ${sleeve} on ${name}`]
  if (kind !== 'run') return things
  const mount = plan.lines.find(({ id }) => id === about[0])?.mount
  if (mount?.hasSleeve === true || mount?.hasCaps === true) things.push('end cap')
  if (mount?.damp === 'outdoors') things.push('gland')
  return things
}
