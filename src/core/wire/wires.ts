import { fuseFor } from '../feed/fuse'
import type { FedPlan } from '../feed/fed-plan'
import { leadFuse } from '../feed/lead-fuse'
import { capacitorFor, capacitorUf } from '../feed/capacitor'
import { highestVolts } from '../feed/highest-volts'
import { entryOf } from '../cut/entry-of'
import { plusPads } from '../route/route-context'
import { diodeOf } from '../parts/diodes'
import type { Wire as Gauge } from '../parts/wires'
import type { WireColour } from '../plan/choices'
import { supplyBehind } from '../plan/supply-of'
import { formatQuantity, significant } from '../quantity/format'
import type { Block, Cable, Circuit, RoutedWire, Terminal } from '../route/circuit'

/** What sits in a wire. */
export interface InLine {
  readonly kind: 'fuse' | 'resistor' | 'diode' | 'connector'
  readonly text: string
  /** Of a fuse its A, of a resistor its Ω; of a diode or a connector the id of its part. */
  readonly value: number | string
}

/** One wire as it is cut: of one colour, with what sits in it and what is done at its ends. */
export interface PlanWire extends RoutedWire {
  /** W1, W2 … in the order of the feed; as it is written on both its ends. */
  readonly name: string
  readonly colour: WireColour
  /** Bared at its beginning and its end, mm. */
  readonly bareMm: readonly [number, number]
  /** Bore of the heat-shrink sleeve over its soldered joints, or `null` where both ends are screwed. */
  readonly sleeveMm: number | null
  readonly inLine: readonly InLine[]
}

/** A block as it is drawn. */
export interface PlanBlock extends Block {
  /** Of a supply that is plugged into the mains: its mains side is never drawn. */
  readonly hasMains: boolean
}

/** A capacitor across plus and minus, its legs soldered to a run's pads. */
export interface PlanCapacitor {
  readonly supplyId: string
  readonly text: string
  readonly microfarad: number
  /** What it stands, V. */
  readonly ratingV: number
  /** The pair of pads that it sits on. */
  readonly at: { readonly run: string; readonly pad: number }
}

/** Everything that is joined, and by what. */
export interface Wiring {
  readonly blocks: readonly PlanBlock[]
  readonly wires: readonly PlanWire[]
  readonly cables: readonly Cable[]
  readonly capacitors: readonly PlanCapacitor[]
  readonly lightJoints: Circuit['lightJoints']
  readonly padJoints: Circuit['padJoints']
}

/** Bared at a screw, at a pad of a strip, and at a pin, mm. */
export const bare = { screw: 7, pad: 3, pin: 5 } as const

/** Heat-shrink sleeves by what they go over, mm² and mm. */
const sleeves: readonly (readonly [upToMm2: number, sleeveMm: number])[] = [
  [0.25, 2.4],
  [0.8, 3.2],
  [1.6, 4.8],
]
const widestSleeveMm = 6.4
const sleeveFor = ({ areaMm2 }: Gauge): number =>
  sleeves.find(([upTo]) => areaMm2 <= upTo)?.[1] ?? widestSleeveMm

/** Supplies that have no mains side. */
const cellKinds: readonly string[] = ['battery', 'power-bank', 'boosted-cell', 'board-pin']

/** Gives every wire its name, its colour, what sits in it and what is done at its ends. */
export function wiringOf(
  given: Pick<FedPlan, 'plan' | 'cutRuns' | 'lanes' | 'circuit' | 'full' | 'supplies' | 'leads'>,
): Wiring {
  const { plan, circuit, full, supplies } = given
  const supplyOf = new Map(supplies.map((supply) => [supply.slot.id, supply]))
  const blocks = circuit.blocks.map((block): PlanBlock => {
    const part = block.of.kind === 'supply' ? supplyOf.get(block.of.supply)?.part : undefined
    return {
      ...block,
      ...(part !== undefined && { detail: part.name }),
      hasMains:
        block.of.kind === 'supply' && (part === undefined || !cellKinds.includes(part.kind)),
    }
  })
  const blockOf = new Map(blocks.map((block) => [block.id, block]))
  const isBared = ({ block }: Terminal): number => {
    switch (blockOf.get(block)?.of.kind) {
      case 'supply':
      case 'junction':
      case 'switch':
      case 'hub':
        return bare.screw
      case 'run':
        return bare.pad
      default:
        return bare.pin
    }
  }
  const fusedA = new Map(full.leads.map((fed) => [fed.lead.id, leadFuse(fed)]))
  const inLineOf = (wire: RoutedWire): InLine[] => {
    const fuse = wire.fusedLead === undefined ? undefined : fusedA.get(wire.fusedLead)
    return [
      ...(typeof fuse === 'number'
        ? [{ kind: 'fuse', text: `${significant(fuse)} A`, value: fuse } as const]
        : []),
      ...(wire.apart === undefined
        ? []
        : [{ kind: 'connector', text: wire.apart.name, value: wire.apart.id } as const]),
      ...(wire.isBoardFeed === true ? [fuseOfBoard(wire.gauge)] : []),
      ...(wire.resistor === undefined
        ? []
        : [
            {
              kind: 'resistor',
              text: formatQuantity(wire.resistor.ohm, 'Ω'),
              value: wire.resistor.ohm,
            } as const,
          ]),
      ...(wire.hasDiode === true
        ? [
            {
              kind: 'diode',
              value: plan.signal.diode,
              text: `${diodeOf(plan.signal.diode).name} from + at pad 1 to + at pad 0, its stripe to pad 0; the strip’s plus is cut between them`,
            } as const,
          ]
        : []),
    ]
  }
  const builtAs = new Map(
    (plan.wiring.asBuilt ?? []).map(({ from, to, colour }) => [`${from} ${to}`, colour]),
  )
  return {
    blocks,
    wires: circuit.wires.map((wire, index): PlanWire => {
      const [from, to] = [isBared(wire.from), isBared(wire.to)]
      return {
        ...wire,
        name: `W${String(index + 1)}`,
        colour: builtAs.get(`${wire.from.id} ${wire.to.id}`) ?? plan.wiring.colours[wire.role],
        bareMm: [from, to],
        sleeveMm: from === bare.screw && to === bare.screw ? null : sleeveFor(wire.gauge),
        inLine: inLineOf(wire),
      }
    }),
    cables: circuit.cables,
    capacitors: capacitorsOf(given),
    lightJoints: circuit.lightJoints,
    padJoints: circuit.padJoints,
  }
}

/** What a board draws with its sensors, at the most. *Typical.* */
const boardA = 0.5

/** Of the board's own feed: as its wire allows. */
function fuseOfBoard({ limitA }: Gauge): InLine {
  const value = fuseFor(boardA, limitA) ?? limitA
  return { kind: 'fuse', text: `${significant(value)} A`, value }
}

/** A capacitor at the first feed of each supply's strips. */
function capacitorsOf({
  plan,
  cutRuns,
  lanes,
  supplies,
  leads,
}: Pick<FedPlan, 'plan' | 'cutRuns' | 'lanes' | 'supplies' | 'leads'>): PlanCapacitor[] {
  const plusPad = plusPads({ plan, lanes })
  return supplies.flatMap(({ slot, volts, part }): PlanCapacitor[] => {
    const rating =
      slot.capacitorV === undefined ? capacitorFor(highestVolts(part, volts)) : slot.capacitorV
    // Single lights and plain strips need none.
    const first = leads.find(
      ({ to, from, lightShare }) =>
        to.kind === 'run' &&
        lightShare === undefined &&
        entryOf(cutRuns, to.run)?.strip.light.kind === 'pixels' &&
        supplyBehind(plan, from) === slot.id,
    )
    if (rating === null || first?.to.kind !== 'run') return []
    const { run, pad } = first.to
    return [
      {
        supplyId: slot.id,
        text: `${String(capacitorUf(part))} µF ${significant(rating)} V`,
        microfarad: capacitorUf(part),
        ratingV: rating,
        at: { run, pad: plusPad(run, pad) },
      },
    ]
  })
}
