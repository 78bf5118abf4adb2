import { eachCase, type CaseAmperes } from '../load/load'
import { isChemistry } from '../parts/chemistries'
import type { SupplyPart } from '../plan/parts'
import type { Use } from '../plan/plan'
import { isAtLeast } from '../quantity/round'
import { discharge, type Moment } from './battery'
import type { FedSupply } from './supplies'

/** How a battery, a boosted cell or a power bank does in use. */
export interface BatteryUse {
  readonly meanA: number
  readonly peakA: number
  /** Until it goes out; `null`, for ever, where nothing is drawn. */
  readonly hours: number | null
  readonly endsBy: 'cut-off' | 'empty'
  /** Volts under the peak load when full, V. */
  readonly peakFirstV: number
  readonly cutoffV: number
  /** A hundred moments at most, for a chart; none for a power bank, whose port keeps its volts. */
  readonly course: readonly Moment[]
  /** At its level and at full white all the time; `null`, for ever, where nothing is drawn. */
  readonly hoursAt: Readonly<Record<'level' | 'full-white', number | null>>
  /** It is asked for more than it gives. */
  readonly isOver: boolean
  /** A power bank that switches off while idle. */
  readonly sleeps: boolean
}

/** … at one mean and one peak. */
export type CellUse = Omit<BatteryUse, 'hoursAt' | 'isOver'>

/** The mean over an hour of use: so many minutes of each load case, the rest idle. */
export function meanOf(currentA: CaseAmperes, { mix }: Pick<Use, 'mix'>): number {
  const idle = Math.max(0, 60 - mix.fullWhite - mix.level)
  const all = idle + mix.fullWhite + mix.level
  return (
    (currentA.idle * idle + currentA.level * mix.level + currentA['full-white'] * mix.fullWhite) /
    all
  )
}

/** What is drawn at the most in that hour. */
const peakOf = (currentA: CaseAmperes, { mix }: Pick<Use, 'mix'>): number =>
  Math.max(
    currentA.idle,
    mix.level > 0 ? currentA.level : 0,
    mix.fullWhite > 0 ? currentA['full-white'] : 0,
  )

/** How long cells last at the plan's mix of load cases; `undefined` for a supply that does not live on cells. */
export function batteryUse(
  part: SupplyPart,
  currentA: CaseAmperes,
  use: Use,
): BatteryUse | undefined {
  const idleA = currentA.idle
  const peakA = peakOf(currentA, use)
  const found = cellUse(part, { idleA, meanA: meanOf(currentA, use), peakA })
  const hoursAt = (amperes: number): number | null =>
    cellUse(part, { idleA, meanA: amperes, peakA: amperes })?.hours ?? null
  return (
    found && {
      ...found,
      hoursAt: {
        level: hoursAt(currentA.level),
        'full-white': hoursAt(currentA['full-white']),
      },
      isOver: !isAtLeast(part.ratedA, peakA),
    }
  )
}

/** The same for a pack of other volts: it would have to give the same watts through a converter. */
export const packUse = (
  part: SupplyPart,
  { volts, currentA }: { readonly volts: number; readonly currentA: CaseAmperes },
  use: Use,
): BatteryUse | undefined =>
  batteryUse(
    part,
    eachCase((loadCase) => (currentA[loadCase] * volts) / part.volts),
    use,
  )

/** How long cells last at a mean, with their sag at the peak; `undefined` for a supply that does not live on cells. */
export function cellUse(
  part: SupplyPart,
  {
    idleA,
    meanA,
    peakA,
  }: { readonly idleA: number; readonly meanA: number; readonly peakA: number },
): CellUse | undefined {
  if (part.bank !== undefined) {
    const { wattHours, sleepsBelowA } = part.bank
    return {
      meanA,
      peakA,
      // USB power bank: Wh × efficiency / W at the port (handbook 3, battery).
      hours: meanA > 0 ? (wattHours * part.efficiency) / (meanA * part.volts) : null,
      endsBy: 'empty',
      peakFirstV: part.volts,
      cutoffV: 0,
      course: [],
      sleeps: idleA < sleepsBelowA,
    }
  }
  const cells = part.battery
  if (cells === undefined || !isChemistry(cells.chemistry)) return undefined
  if (meanA <= 0)
    return {
      meanA,
      peakA,
      hours: null,
      endsBy: 'empty',
      peakFirstV: part.volts,
      cutoffV: cells.cutoffV,
      course: [],
      sleeps: false,
    }
  const loadAt = (amperes: number): { currentA: number } | { powerW: number; efficiency: number } =>
    part.kind === 'boosted-cell'
      ? { powerW: amperes * part.volts, efficiency: part.efficiency }
      : { currentA: amperes }
  const { course, endsBy } = discharge({
    ...cells,
    chemistry: cells.chemistry,
    load: loadAt(meanA),
    peak: loadAt(peakA),
  })
  const every = Math.max(1, Math.ceil(course.length / 100))
  return {
    meanA,
    peakA,
    hours: course.at(-1)?.hours ?? 0,
    endsBy,
    peakFirstV: course[0]?.peakV ?? 0,
    cutoffV: cells.cutoffV,
    course: course.filter((_, index) => index % every === 0 || index === course.length - 1),
    sleeps: false,
  }
}

/** How every supply that lives on cells does in use, by the ids of their places in the plan. */
export const batteriesOf = (
  supplies: readonly FedSupply[],
  use: Use,
): ReadonlyMap<string, BatteryUse> =>
  new Map(
    supplies.flatMap(({ slot, part, currentA }) => {
      const own = part && batteryUse(part, currentA, use)
      return own === undefined ? [] : [[slot.id, own] as const]
    }),
  )
