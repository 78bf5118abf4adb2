import type { CutStripRun } from '../cut/cut'
import { fullWPerM } from '../load/group-draw'
import { isDimmable, levelIn } from '../load/load'
import type { Strip } from '../plan/parts'
import type { Surface } from '../plan/choices'
import { mounted } from '../parts/mounted'
import type { Mount, Plan } from '../plan/plan'
import type { RoutedPlan } from '../route/routed-plan'
import { highestOf } from './highest-volts'
import { colourHeatShare, warmth, whiteHeatShare } from './warmth'

/** How warm a run gets, and what makes it so. */
export interface RunWarmth {
  readonly wattsPerM: number
  readonly heatShare: number
  readonly kelvinMetrePerWatt: number
  readonly riseK: number
  readonly exposedMm: number
  readonly surface: Surface
  readonly sealed: boolean
  readonly covered: boolean
}

/**
 * How much warmer than the room a run gets at the plan's mix of use and the highest volts of its source: heat gathers over many minutes.
 *
 * @param other a mount that it is tried with instead of parts of its own
 */
export function warmthOf(
  given: Pick<RoutedPlan, 'plan' | 'parts' | 'volts'>,
  entry: CutStripRun,
  other: Partial<Mount> = {},
): RunWarmth {
  const { run, strip } = entry
  const mount = mounted(given.plan.own, { ...run.line.mount, ...other })
  const causes = {
    wattsPerM:
      fullWPerM(strip) *
      wattShare(strip, highestOf(given, run.line)) *
      meanLevel(given.plan, entry),
    exposedMm: mount.backingMm ?? strip.widthMm * (mount.surface === 'air' ? 2 : 1),
    surface: mount.surface,
    sealed: strip.isSealed || mount.hasSleeve,
    covered: mount.cover !== 'none',
    heatShare: isWhite(strip) ? whiteHeatShare : colourHeatShare,
  }
  return { ...causes, ...warmth(causes) }
}

/** Watts of a strip above its volts, as a share of those at its volts: a plain strip draws more; a pixel's current is held. */
function wattShare({ light, volts }: Strip, highestV: number): number {
  // What burns at once is told as such, and not as heat.
  if (highestV <= volts || !suitsAtAll(volts, highestV)) return 1
  if (light.kind === 'pixels') return highestV / volts
  const drops = light.channels.map(({ forwardV }) => forwardV)
  const forwardV = Math.min(...drops)
  return (highestV / volts) * ((highestV - forwardV) / (volts - forwardV))
}

/** More than a quarter above its volts no strip is meant to be. */
const suitsAtAll = (volts: number, given: number): boolean => given <= volts * 1.25

const isWhite = ({ light }: Strip): boolean =>
  light.kind === 'plain' && light.channels.every(({ name }) => /white/i.test(name))

/** Brightness over an hour of use, 0–1; what nothing dims is at full. */
export function meanLevel(plan: Plan, { run, strip }: CutStripRun): number {
  if (!isDimmable(strip, run.line)) return 1
  const { mix } = plan.use
  const lit =
    mix.fullWhite * levelIn(plan, 'full-white') + mix.level * levelIn(plan, 'level', run.line)
  return lit / Math.max(60, mix.fullWhite + mix.level)
}
