import { pack } from '../cut/pack'
import { soldWire, type Sold } from '../parts/sold'
import { ownPacks } from '../parts/sold-strip'
import type { Wire as Gauge } from '../parts/wires'
import type { Buy } from '../plan/plan'
import { listed } from '../quantity/listed'
import type { WireColour } from '../plan/choices'
import type { Cable } from '../route/circuit'
import { Rooms } from './first-room'
import type { PlanWire, Wiring } from './wires'

/** Something that is cut to length in one go: a wire, or a cable. */
interface Length {
  readonly name: string
  readonly lengthMm: number
}

/** A spool, or a length from the drawer, with what is cut from it, longest first. */
export interface Spool<Cut extends Length = Length> {
  readonly kind: 'spool' | 'drawer'
  readonly lengthM: number
  readonly price: number
  readonly cuts: readonly Cut[]
  readonly leftMm: number
}

/** Wires of one gauge and colour, and what to buy for them. */
export interface WireGroup {
  readonly sold: Sold
  readonly gauge: Gauge
  readonly colour: WireColour
  /** Longest first: how they are cut. */
  readonly wires: readonly PlanWire[]
  readonly totalMm: number
  readonly spools: readonly Spool<PlanWire>[]
}

/** Lengths that the drawer gives to things on the bill, mm, by the ids of the things. */
export type DrawerLengths = ReadonlyMap<string, readonly number[]>

/** The lengths that a plan takes from the drawer. */
export function drawerLengths({ taken }: Pick<Buy, 'taken'>): DrawerLengths {
  const lengths = new Map<string, number[]>()
  for (const { line, amount } of taken) listed(lengths, line).push(amount * 1000)
  return lengths
}

/** The wires by gauge and colour, thickest first, each with the spools that they are cut from. */
export function wireGroups(
  wires: readonly PlanWire[],
  buy: Pick<Buy, 'taken' | 'prices'>,
): WireGroup[] {
  const drawer = drawerLengths(buy)
  const groups = new Map<string, PlanWire[]>()
  for (const wire of wires) {
    // What is a core of a cable is bought as that.
    if (wire.cable !== undefined) continue
    const key = `${wire.gauge.id} ${wire.colour}`
    listed(groups, key).push(wire)
  }
  return [...groups.values()]
    .flatMap((own): WireGroup[] => {
      const [first] = own
      if (first === undefined) return []
      const { gauge, colour } = first
      const shipped = soldWire(gauge, colour)
      const sold = { ...shipped, packs: ownPacks(shipped, buy) }
      const sorted = own.toSorted((a, b) => b.lengthMm - a.lengthMm)
      return [
        {
          sold,
          gauge,
          colour,
          wires: sorted,
          totalMm: own.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
          spools: spoolsFor(sold, sorted, drawer.get(sold.id)),
        },
      ]
    })
    .toSorted((a, b) => b.gauge.areaMm2 - a.gauge.areaMm2 || a.colour.localeCompare(b.colour))
}

/** More lengths than this are laid on spools one after another, longest first: the best way is not looked for any more. */
const mostPacked = 60

/** Spools as they are sold, shortest first. */
const stockOf = ({ packs }: Sold): { readonly lengthM: number; readonly price: number }[] =>
  packs.map(({ size, price }) => ({ lengthM: size, price: price ?? 0 }))

/** Lengths on as few spools of one length as first fit gives, the last no longer than it has to be. */
function firstFit<Cut extends Length>(
  sold: Sold,
  lengths: readonly Cut[],
  drawerMm: readonly number[],
): Spool<Cut>[] {
  const stock = stockOf(sold)
  const longest = Math.max(...stock.map(({ lengthM }) => lengthM)) * 1000
  const bins: { kind: Spool['kind']; mm: number; left: number; cuts: Cut[] }[] = drawerMm.map(
    (mm) => ({ kind: 'drawer', mm, left: mm, cuts: [] }),
  )
  const rooms = new Rooms(bins.length + lengths.length)
  for (const [at, { left }] of bins.entries()) rooms.set(at, left)
  for (const cut of lengths) {
    const mm = Math.ceil(cut.lengthMm)
    let at = rooms.first(mm)
    if (at < 0) {
      const lengthMm = Math.max(longest, Math.ceil(mm / 1000) * 1000)
      at = bins.push({ kind: 'spool', mm: lengthMm, left: lengthMm, cuts: [] }) - 1
    }
    const bin = bins[at]
    if (bin === undefined) continue
    bin.left -= mm
    bin.cuts.push(cut)
    rooms.set(at, bin.left)
  }
  return bins
    .filter(({ cuts }) => cuts.length > 0)
    .map(({ kind, mm, left, cuts }): Spool<Cut> => {
      if (kind === 'drawer') return { kind, lengthM: mm / 1000, price: 0, cuts, leftMm: left }
      const needMm = mm - left
      const found = stock.find(({ lengthM }) => lengthM * 1000 >= needMm)
      const perM = stock.at(-1)
      const metres = Math.ceil(needMm / 1000)
      return {
        kind,
        lengthM: found?.lengthM ?? metres,
        // Longer than any spool: by the metre, as the longest costs.
        price: found?.price ?? ((perM?.price ?? 0) / (perM?.lengthM ?? 1)) * metres,
        cuts,
        leftMm: (found?.lengthM ?? metres) * 1000 - needMm,
      }
    })
}

/**
 * What lengths are cut from: those in the drawer first, then the cheapest spools on which each is whole.
 *
 * @param lengths longest first
 */
export function spoolsFor<Cut extends Length>(
  sold: Sold,
  lengths: readonly Cut[],
  drawerMm: readonly number[] = [],
): Spool<Cut>[] {
  if (lengths.length > mostPacked) return firstFit(sold, lengths, drawerMm)
  const packed = pack(
    {
      pieces: lengths.map(({ lengthMm }) => Math.ceil(lengthMm)),
      stock: stockOf(sold).map(({ lengthM, price }) => ({ length: lengthM * 1000, price })),
      offcuts: drawerMm.map(Math.floor),
    },
    { mostNodes: 500, mostSets: 60 },
  )
  if (!packed.ok) return firstFit(sold, lengths, drawerMm)
  const left = [...lengths]
  return packed.packing.bins.map(({ kind, length, price, pieces }) => {
    const cuts = pieces.flatMap((mm) => {
      const at = left.findIndex(({ lengthMm }) => Math.ceil(lengthMm) === mm)
      return at < 0 ? [] : left.splice(at, 1)
    })
    return {
      kind: kind === 'reel' ? 'spool' : 'drawer',
      lengthM: length / 1000,
      price,
      cuts,
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
    listed(byCable, wire.cable.cable).push(wire)
  }
  return cables.map((cable) => ({ cable, wires: byCable.get(cable.name) ?? [] }))
}
