import { chemistries, type Chemistry, type ChemistryName } from '../parts/chemistries'

export interface BatteryGiven {
  readonly chemistry: ChemistryName
  /** Ah of a cell as printed, where it is not the chemistry's usual one. */
  readonly ah?: number | undefined
  readonly inSeries: number
  readonly inParallel: number
  /** Constant current, direct or through a linear regulator; or constant power behind a converter of some efficiency. */
  readonly load:
    | { readonly currentA: number }
    | { readonly powerW: number; readonly efficiency: number }
  readonly cutoffV: number
}

export interface BatteryLife {
  readonly hours: number
  /** Terminal volts at the start, under load. */
  readonly firstV: number
  /** Depth of discharge at the end, 0 to 1. */
  readonly usedShare: number
  readonly endsBy: 'cut-off' | 'empty'
}

/** Steps from full to empty: finer changes no answer by a thousandth. */
const steps = 2_000

/**
 * How long a battery lasts (handbook 3, battery). Stepped by depth of discharge, so that a fast drain is followed as finely as a slow one.
 *
 * - terminal V = OCV(depth) × series − A × R, R = cell Ω × (1 + growth × depth) × series / parallel
 * - a cell holds Ah × (ref A / A)^(k−1) above its reference current
 * - behind a converter A = W / efficiency / V: the current rises as the cell sags
 */
export function batteryLife(given: BatteryGiven): BatteryLife {
  const { course, endsBy } = discharge({ ...given, peak: given.load })
  const [start, end] = [course[0], course.at(-1)]
  return {
    hours: end?.hours ?? 0,
    firstV: start?.meanV ?? 0,
    usedShare: end?.depth ?? 0,
    endsBy,
  }
}

/** A moment of a discharge. */
export interface Moment {
  readonly hours: number
  /** Depth of discharge, 0–1. */
  readonly depth: number
  /** Terminal volts at the mean load, and when the most is drawn. */
  readonly meanV: number
  readonly peakV: number
}

/**
 * The volts of a battery from full until it goes out: it is drained by its mean load, and goes out when the peak pulls it below the cut-off.
 *
 * @returns moments in their order; the last is the end
 */
export function discharge({
  chemistry,
  inSeries,
  inParallel,
  load,
  peak,
  cutoffV,
  ah,
}: BatteryGiven & { readonly peak: BatteryGiven['load'] }): {
  readonly course: readonly Moment[]
  readonly endsBy: BatteryLife['endsBy']
} {
  const cell = cellOf(chemistries[chemistry], ah)
  const terminal = (
    depth: number,
    of: BatteryGiven['load'],
  ): { volts: number; amperes: number } => {
    const open = openVolts(cell, depth) * inSeries
    const ohm = (cell.ohm * (1 + cell.growth * depth) * inSeries) / inParallel
    if ('currentA' in of) return { volts: open - of.currentA * ohm, amperes: of.currentA }
    const watts = of.powerW / of.efficiency
    // V² − open V + R W = 0; where that has no answer the battery cannot give the power at any voltage.
    const root = open ** 2 - 4 * ohm * watts
    if (root < 0) return { volts: 0, amperes: Infinity }
    const volts = (open + Math.sqrt(root)) / 2
    return { volts, amperes: watts / volts }
  }
  const course: Moment[] = []
  let hours = 0
  for (let step = 0; step <= steps; step += 1) {
    const depth = step / steps
    const [meanV, peakV] = [terminal(depth, load).volts, terminal(depth, peak).volts]
    course.push({ hours, depth, meanV, peakV })
    if (step === steps) break
    if (peakV < cutoffV) return { course, endsBy: 'cut-off' }
    const cellA = terminal(depth + 0.5 / steps, load).amperes / inParallel
    hours += capacityAt(cell, cellA) / steps / cellA
  }
  return { course, endsBy: 'empty' }
}

/** A cell of other capacity: its reference current grows with its Ah, its resistance falls (handbook 3, battery). */
const cellOf = (usual: Chemistry, ah = usual.ampereHours): Chemistry => ({
  ...usual,
  ampereHours: ah,
  refA: (usual.refA * ah) / usual.ampereHours,
  ohm: (usual.ohm * usual.ampereHours) / ah,
})

/** Ah that a cell holds at a current. */
const capacityAt = ({ ampereHours, refA, k }: Chemistry, cellA: number): number =>
  cellA > refA ? ampereHours * (refA / cellA) ** (k - 1) : ampereHours

function openVolts({ ocv }: Chemistry, depth: number): number {
  const behind = Math.max(
    1,
    ocv.findIndex(([at]) => at >= depth),
  )
  const [from = 0, fromV = 0] = ocv[behind - 1] ?? []
  const [to = 1, toV = 0] = ocv[behind] ?? []
  return fromV + ((toV - fromV) * (depth - from)) / (to - from)
}
