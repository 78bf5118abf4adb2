import type { RunLoad } from '../load/load'
import { supplyPartOf, type Parts } from '../parts/find'
import type { SupplyPart } from '../plan/parts'
import type { Plan, SupplySlot } from '../plan/plan'
import { isAtLeast } from '../quantity/round'
import { supplySize } from './supply-size'

/** A supply of the plan with what hangs on it. */
export interface FedSupply {
  readonly slot: SupplySlot
  /** What it is; `undefined` where `auto` finds nothing large enough, or has nothing to feed. */
  readonly part: SupplyPart | undefined
  readonly volts: number
  readonly ratedA: number | null
  /** The load it is sized for, by the plan's school. Runs of other volts are not in it. */
  readonly loadA: number
  /** The load with its headroom. */
  readonly needA: number
  readonly idleA: number
  readonly shownA: number
  /** Runs that it can feed, and those made for other volts. */
  readonly fits: readonly RunLoad[]
  readonly misfits: readonly RunLoad[]
  readonly grade: 'ok' | 'tight' | 'short'
}

/** Kinds that `auto` picks from: what can be bought by its amperes alone. */
const pickable: readonly SupplyPart['kind'][] = ['usb-port', 'brick', 'enclosed']

/** Puts every run on its supply and sizes the supplies by the plan's school. */
export function feedSupplies(plan: Plan, loads: readonly RunLoad[], parts: Parts): FedSupply[] {
  const [first] = plan.supplies
  const slotOf = new Map(plan.lines.map((line) => [line.id, line.supplyId ?? first?.id]))
  return plan.supplies.map((slot) => {
    const own = loads.filter((load) => load.groups > 0 && slotOf.get(load.id) === slot.id)
    const chosen = slot.part === 'auto' ? undefined : supplyPartOf(parts, slot.part)
    const volts = slot.trimV ?? chosen?.volts ?? mainVolts(own) ?? defaultVolts(plan, parts)
    const fits = own.filter((load) => suits(load.volts, volts))
    const loadA = sum(fits, plan.rules.sizing === 'scenes' ? 'levelA' : 'peakA')
    const headroom = headroomOf(plan)
    const part = chosen ?? (loadA > 0 ? smallestFor(parts, volts, loadA, headroom) : undefined)
    const { needA } = supplySize({ loadA, headroom, sizesA: [] })
    return {
      slot,
      part,
      volts,
      ratedA: part?.ratedA ?? null,
      loadA,
      needA,
      idleA: sum(fits, 'idleA'),
      shownA: sum(fits, 'shownA'),
      fits,
      misfits: own.filter((load) => !suits(load.volts, volts)),
      grade: gradeOf(part, loadA, needA),
    }
  })
}

/** Cells give a little less than the volts that a strip is made for, and it lights all the same; more than a hair above burns it. */
export const suits = (made: number, given: number): boolean =>
  given <= made * 1.05 + 1e-9 && given >= made * 0.85

/** Share that the plan's school keeps free. */
export const headroomOf = ({ rules }: Plan): number =>
  rules.sizing === 'full-white' ? rules.headroom : 0

/** The smallest supply that can be bought for a load, the cheaper of two equal ones. */
export function smallestFor(
  parts: Parts,
  volts: number,
  loadA: number,
  headroom: number,
): SupplyPart | undefined {
  const candidates = candidatesAt(parts, volts)
  const { pickA } = supplySize({ loadA, headroom, sizesA: candidates.map((part) => part.ratedA) })
  return candidates.find((part) => part.ratedA === pickA)
}

/** The greatest load, A, that any supply to be bought carries at these volts; 0 where there is none. */
export const largestLoadA = (parts: Parts, volts: number, headroom: number): number =>
  (candidatesAt(parts, volts).at(-1)?.ratedA ?? 0) * (1 - headroom)

/** Supplies that can be picked, smallest first, the cheaper of two equal ones before the other. */
const candidatesAt = (parts: Parts, volts: number): SupplyPart[] =>
  parts.supplies
    .filter((part) => part.volts === volts && pickable.includes(part.kind))
    .toSorted((a, b) => a.ratedA - b.ratedA || a.price - b.price)

function gradeOf(part: SupplyPart | undefined, loadA: number, needA: number): FedSupply['grade'] {
  if (part === undefined || !isAtLeast(part.ratedA, loadA)) return 'short'
  return isAtLeast(part.ratedA, needA) ? 'ok' : 'tight'
}

/** The volts at which most of the power is drawn. */
function mainVolts(loads: readonly RunLoad[]): number | undefined {
  const watts = new Map<number, number>()
  for (const { volts, peakA } of loads) watts.set(volts, (watts.get(volts) ?? 0) + volts * peakA)
  return [...watts].toSorted(([, a], [, b]) => b - a)[0]?.[0]
}

const defaultVolts = (plan: Plan, parts: Parts): number =>
  parts.strips.find((strip) => strip.id === plan.defaults.stripId)?.volts ?? 5

const sum = (loads: readonly RunLoad[], key: 'idleA' | 'peakA' | 'levelA' | 'shownA'): number =>
  loads.reduce((total, load) => total + load[key], 0)
