import type { CutStripRun } from '../cut/cut'
import { groupDraw } from '../load/group-draw'
import { isDimmable, levelIn } from '../load/load'
import type { Strip } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { usualMount } from '../plan/usual'
import { usualHeatShare, warmth } from './warmth'

/** How much warmer than the room a run gets at the plan's mix of scenes: heat gathers over many minutes. */
export function warmthOf(
  plan: Plan,
  entry: CutStripRun,
): { readonly wattsPerM: number; readonly riseK: number; readonly exposedMm: number } {
  const { run, strip } = entry
  const mount = { ...usualMount, ...run.line.mount }
  const exposedMm = mount.backingMm ?? strip.widthMm
  const wattsPerM = groupWattsPerM(strip) * meanLevel(plan, entry)
  const { riseK } = warmth({
    wattsPerM,
    heatShare: usualHeatShare,
    exposedMm,
    sealed: strip.isSealed || mount.hasSleeve === true,
    covered: mount.cover !== 'none',
  })
  return { wattsPerM, riseK, exposedMm }
}

/** Everything on, W/m. */
function groupWattsPerM(strip: Strip): number {
  const mA = groupDraw(strip).channelMa.reduce((sum, channel) => sum + channel, 0)
  const perM = strip.light.kind === 'pixels' ? strip.light.perM : 1000 / strip.cutPitchMm
  return (perM * mA * strip.volts) / 1000
}

/** Brightness over an hour of use, 0–1; what nothing dims is at full. */
export function meanLevel(plan: Plan, { run, strip }: CutStripRun): number {
  if (!isDimmable(strip, run.line)) return 1
  const { mix } = plan.use
  const lit =
    mix.fullWhite * levelIn(plan, 'full-white') + mix.level * levelIn(plan, 'level', run.line)
  return lit / Math.max(60, mix.fullWhite + mix.level)
}
