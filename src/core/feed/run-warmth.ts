import type { CutStripRun } from '../cut/cut'
import { fullWPerM } from '../load/group-draw'
import { isDimmable, levelIn } from '../load/load'
import type { Strip } from '../plan/parts'
import type { Surface } from '../plan/choices'
import type { Mount, Plan } from '../plan/plan'
import { usualMount } from '../plan/usual'
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
 * How much warmer than the room a run gets at the plan's mix of use: heat gathers over many minutes.
 *
 * @param other a mount that it is tried with instead of parts of its own
 */
export function warmthOf(plan: Plan, entry: CutStripRun, other: Partial<Mount> = {}): RunWarmth {
  const { run, strip } = entry
  const mount = { ...usualMount, ...run.line.mount, ...other }
  const given = {
    wattsPerM: fullWPerM(strip) * meanLevel(plan, entry),
    exposedMm: mount.backingMm ?? strip.widthMm * (mount.surface === 'air' ? 2 : 1),
    surface: mount.surface ?? usualMount.surface,
    sealed: strip.isSealed || mount.hasSleeve === true,
    covered: mount.cover !== 'none',
    heatShare: isWhite(strip) ? whiteHeatShare : colourHeatShare,
  }
  return { ...given, ...warmth(given) }
}

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
