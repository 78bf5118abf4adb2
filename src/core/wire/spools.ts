import { pack } from '../cut/pack'
import type { Wire as Gauge } from '../parts/wires'
import type { WireColour } from '../plan/choices'
import type { Cable } from '../route/circuit'
import type { PlanWire, Wiring } from './wires'

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
    // What is a core of a cable is bought as that.
    if (wire.cable !== undefined) continue
    const key = `${wire.gauge.id} ${wire.colour}`
    const known = groups.get(key)
    if (known === undefined) groups.set(key, [wire])
    else known.push(wire)
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

/** The cables with their cores in order. */
export function cableGroups({ cables, wires }: Pick<Wiring, 'cables' | 'wires'>): {
  readonly cable: Cable
  readonly wires: readonly PlanWire[]
}[] {
  const byCable = new Map<string, PlanWire[]>()
  for (const wire of wires) {
    if (wire.cable === undefined) continue
    const known = byCable.get(wire.cable.cable)
    if (known === undefined) byCable.set(wire.cable.cable, [wire])
    else known.push(wire)
  }
  return cables.map((cable) => ({ cable, wires: byCable.get(cable.name) ?? [] }))
}
