import { boardA as boardCurrent, boardSupply } from '../lanes/boards'
import { eachCase, type CaseAmperes, type RunLoad } from '../load/load'
import { isOnPins } from '../load/lights'
import { supplyPartOf, type Parts } from '../parts/find'
import type { SupplyPart } from '../plan/parts'
import type { Dims } from '../plan/mix-text'
import type { Plan, SupplySlot } from '../plan/plan'
import { supplyBehind } from '../plan/supply-of'
import { isAtLeast } from '../quantity/round'
import type { RoutedPlan } from '../route/routed-plan'
import { linearRegulator } from './linear-regulator'
import type { SolvedFeed } from './solved-feed'
import { supplySize } from './supply-size'
import { listed } from '../quantity/listed'

/** What a run has on a supply: all of it, or the share that its leads from there carry. */
export interface SupplyShare {
  readonly load: RunLoad
  /** 0–1. */
  readonly share: number
}

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
  /** Everything that it feeds, board and sensors too, in each load case, A. */
  readonly currentA: CaseAmperes
  /** … while the light is switched off: what nothing dims is off then. */
  readonly offA: number
  /** The board with its sensors, where they hang on it, A. */
  readonly boardA: number
  /**
   * What the program may let draw of it beyond what is drawn anyway, A: what it may give less its headroom and what the program cannot dim;
   * `null` where no part is chosen (handbook 3, limit).
   */
  readonly limitA: number | null
  /** What the program can dim, at full white, A. */
  readonly dimmableA: number
  /** Runs that it can feed, and those made for other volts. */
  readonly fits: readonly SupplyShare[]
  /** Single lights on the pins of the board that it feeds. */
  readonly onPins: readonly SupplyShare[]
  readonly misfits: readonly RunLoad[]
  readonly grade: 'ok' | 'tight' | 'short'
}

/** More than this no USB port is taken to give unless it was named, A (handbook 4). */
const anyPortA = 0.5

/** What `auto` picks from: what can be bought by its amperes alone, and the port that everybody has. */
const isPickable = ({ kind, ratedA }: SupplyPart): boolean =>
  kind === 'brick' || kind === 'enclosed' || (kind === 'usb-port' && isAtLeast(anyPortA, ratedA))

/** Sources of one kind can take each other's place: with a plug in the wall, on a port, on cells of one chemistry. */
const sourceKind = ({ kind, battery }: SupplyPart): string =>
  kind === 'brick' || kind === 'enclosed' ? 'wall' : `${kind} ${battery?.chemistry ?? ''}`

/** How much of what a supply feeds can be dimmed; board and sensors are not light. */
export function dimsOf({ dimmableA, currentA, offA }: FedSupply): Dims {
  if (dimmableA <= 0) return 'none'
  return currentA['full-white'] - dimmableA - offA > 1e-9 ? 'some' : 'all'
}

/** What a switch by hand at a supply carries at the most, A: next to nothing at a booster's enable pin. */
export const switchedA = ({ part, currentA }: Pick<FedSupply, 'part' | 'currentA'>): number =>
  part?.kind === 'boosted-cell' ? 0 : Math.max(...Object.values(currentA))

/** Puts every run on the supplies that its leads reach, and sizes the supplies by the plan's school. */
export function feedSupplies(
  given: Pick<RoutedPlan, 'plan' | 'loads' | 'parts' | 'volts' | 'fit' | 'lanes' | 'lit' | 'leads'>,
  full: Pick<SolvedFeed, 'leads'>,
): FedSupply[] {
  const { plan, loads, parts, volts: voltsOf, fit, lit, lanes } = given
  const onPins = new Set(lit.filter(({ settings }) => isOnPins(settings)).map(({ id }) => id))
  const shares = sharesOf(given, full)
  const boardOn = boardSupply(plan, fit, lanes)
  const headroom = headroomOf(plan)
  return plan.supplies.map((slot) => {
    const volts = voltsOf.get(slot.id) ?? 0
    const own = loads.flatMap((load): SupplyShare[] => {
      const share = shares.get(load.id)?.get(slot.id)
      return load.groups > 0 && share !== undefined && !onPins.has(load.id) ? [{ load, share }] : []
    })
    const fits = own.filter(({ load }) => suits(load.volts, volts))
    const board = boardOn === slot.id ? fit : undefined
    const boardA = board === undefined ? 0 : boardCurrent(plan, board)
    const pinned =
      board === undefined
        ? []
        : loads.filter(({ id }) => onPins.has(id)).map((load): SupplyShare => ({ load, share: 1 }))
    const fed = [...fits, ...pinned]
    const currentA = eachCase((loadCase) =>
      fed.reduce((sum, { load, share }) => sum + load.currentA[loadCase] * share, boardA),
    )
    const loadA = currentA[plan.rules.sizing === 'scenes' ? 'level' : 'full-white']
    const part =
      slot.part === 'auto'
        ? loadA > 0
          ? smallestFor(parts, volts, loadA, headroom)
          : undefined
        : supplyPartOf(parts, slot.part)
    const { needA } = supplySize({ loadA, headroom, sizesA: [] })
    const dimmableA = fed.reduce((sum, share) => sum + dimmableOf(share), 0)
    return {
      slot,
      part,
      volts,
      ratedA: part?.ratedA ?? null,
      loadA,
      needA,
      currentA,
      offA: fed.reduce(
        (sum, { load, share }) => sum + (load.isDimmable ? load.currentA.idle * share : 0),
        boardA,
      ),
      boardA,
      limitA:
        part === undefined
          ? null
          : Math.max(0, mayGive(part, headroom) - (currentA['full-white'] - dimmableA)),
      dimmableA,
      fits,
      onPins: pinned,
      misfits: own.flatMap(({ load }) => (suits(load.volts, volts) ? [] : [load])),
      grade: gradeOf(part, loadA, needA),
    }
  })
}

/** Which part of every run hangs on which supply: by the currents that its leads carry, evenly where they carry none. */
function sharesOf(
  { plan, leads }: Pick<RoutedPlan, 'plan' | 'leads'>,
  full: Pick<SolvedFeed, 'leads'>,
): ReadonlyMap<string, ReadonlyMap<string, number>> {
  const amperes = new Map(full.leads.map(({ lead, currentA }) => [lead.id, currentA]))
  const byRun = new Map<string, { supply: string; currentA: number }[]>()
  for (const { id, to, from } of leads) {
    const supply = supplyBehind(plan, from)
    if (to.kind !== 'run' || supply === undefined) continue
    const entry = { supply, currentA: amperes.get(id) ?? 0 }
    listed(byRun, to.run).push(entry)
  }
  return new Map(
    [...byRun].map(([run, own]) => {
      const allA = own.reduce((sum, { currentA }) => sum + currentA, 0)
      const shares = new Map<string, number>()
      for (const { supply, currentA } of own)
        shares.set(
          supply,
          (shares.get(supply) ?? 0) + (allA > 1e-9 ? currentA / allA : 1 / own.length),
        )
      return [run, shares] as const
    }),
  )
}

/** What the program can dim of a run on a supply, at full white, A. */
export const dimmableOf = ({ load, share }: SupplyShare): number =>
  load.isDimmable ? (load.currentA['full-white'] - load.currentA.idle) * share : 0

/** What a supply may give, A: its rating less the headroom, and no more than its regulator passes. */
export const mayGive = (part: SupplyPart, headroom: number): number =>
  Math.min(part.ratedA * (1 - headroom), regulatorA(part) ?? Infinity)

/** What a supply behind a linear regulator passes without getting too hot, A; `undefined` of one without. */
export const regulatorA = ({ regulator, volts }: SupplyPart): number | undefined =>
  regulator === undefined
    ? undefined
    : linearRegulator({
        inputV: regulator.inV,
        outputV: volts,
        currentA: 0,
        limitA: regulator.limitA,
        limitW: regulator.limitW,
      }).allowedA

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
  return smallestOf(candidatesAt(parts, volts), loadA, headroom)
}

/** … of the kind of source that a supply is, or of the supplies with a plug in the wall. */
export const smallestLike = (
  parts: Parts,
  like: SupplyPart | 'wall',
  volts: number,
  loadA: number,
  headroom: number,
): SupplyPart | undefined =>
  smallestOf(
    bySize(
      parts.supplies.filter(
        (part) =>
          part.volts === (like === 'wall' ? volts : like.volts) &&
          sourceKind(part) === (like === 'wall' ? 'wall' : sourceKind(like)),
      ),
    ),
    loadA,
    headroom,
  )

function smallestOf(
  candidates: readonly SupplyPart[],
  loadA: number,
  headroom: number,
): SupplyPart | undefined {
  const { pickA } = supplySize({ loadA, headroom, sizesA: candidates.map((part) => part.ratedA) })
  return candidates.find((part) => part.ratedA === pickA)
}

/** The greatest load, A, that any supply to be bought carries at these volts; 0 where there is none. */
export const largestLoadA = (parts: Parts, volts: number, headroom: number): number =>
  (candidatesAt(parts, volts).at(-1)?.ratedA ?? 0) * (1 - headroom)

/** Share of its volts by which a supply's trimmer moves it either way. *Typical.* */
const trimShare = 0.1

/** Supplies that can be picked for some volts, or trimmed to them; smallest first, the cheaper of two equal ones before the other. */
const candidatesAt = (parts: Parts, volts: number): SupplyPart[] => {
  const sold = parts.supplies.filter(isPickable)
  const right = sold.filter((part) => part.volts === volts)
  const found =
    right.length > 0
      ? right
      : sold.filter(
          (part) =>
            part.kind === 'enclosed' && Math.abs(part.volts - volts) <= trimShare * part.volts,
        )
  return bySize(found)
}

const bySize = (parts: readonly SupplyPart[]): SupplyPart[] =>
  parts.toSorted((a, b) => a.ratedA - b.ratedA || a.price - b.price)

function gradeOf(part: SupplyPart | undefined, loadA: number, needA: number): FedSupply['grade'] {
  if (loadA === 0) return 'ok'
  if (part === undefined || !isAtLeast(part.ratedA, loadA)) return 'short'
  return isAtLeast(part.ratedA, needA) ? 'ok' : 'tight'
}
