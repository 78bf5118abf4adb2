import { chemistryNames, type ChemistryName } from '../parts/chemistries'
import type { SupplyPart } from '../plan/parts'
import type { Use } from '../plan/plan'
import { discharge, type Moment } from './battery'
import type { FedSupply } from './supplies'

/** What hangs on a battery, A at its output: in each scene. */
export interface Drain {
  readonly idleA: number
  readonly levelA: number
  readonly fullA: number
}

/** What hangs on a supply. */
export const drainOf = ({ fits, idleA }: FedSupply): Drain => ({
  idleA,
  levelA: fits.reduce((sum, { levelA }) => sum + levelA, 0),
  fullA: fits.reduce((sum, { peakA }) => sum + peakA, 0),
})

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
  /** A power bank that switches off while idle. */
  readonly sleeps: boolean
}

const isChemistry = (name: string): name is ChemistryName =>
  (chemistryNames as readonly string[]).includes(name)

/** The mean over an hour of use: so many minutes of each scene, the rest idle. */
export function meanOf({ idleA, levelA, fullA }: Drain, { mix }: Pick<Use, 'mix'>): number {
  const idle = Math.max(0, 60 - mix.fullWhite - mix.level)
  const all = idle + mix.fullWhite + mix.level
  return (idleA * idle + levelA * mix.level + fullA * mix.fullWhite) / all
}

/** What is drawn at the most in that hour. */
const peakOf = ({ idleA, levelA, fullA }: Drain, { mix }: Pick<Use, 'mix'>): number =>
  Math.max(idleA, mix.level > 0 ? levelA : 0, mix.fullWhite > 0 ? fullA : 0)

/** How long cells last at the plan's mix of scenes; `undefined` for a supply that does not live on cells. */
export function batteryUse(part: SupplyPart, drain: Drain, use: Use): BatteryUse | undefined {
  const [meanA, peakA] = [meanOf(drain, use), peakOf(drain, use)]
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
      sleeps: drain.idleA < sleepsBelowA,
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
  const loadAt = (
    amperes: number,
  ): { currentA: number } | { powerW: number; efficiency: number } =>
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
