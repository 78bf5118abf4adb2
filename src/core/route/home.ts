import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { isOnPins, type LitRun } from '../load/lights'
import { isPlugged } from './plugs'

/**
 * Where the wires home of a run's lights end: at the board's pins, or at a hub beside the board (a terminal strip, or the boards that drive
 * them). `undefined` where lights have no wires of their own: they hang on their neighbours or are plugged.
 */
export function homeOf(
  { run, strip }: Pick<CutStripRun, 'run' | 'strip'>,
  lit: LitRun | undefined,
): 'pins' | 'hub' | undefined {
  if (run.lights.length === 0 || isOnWire({ run, strip })) return undefined
  if (lit === undefined) return run.shape === 'scatter' ? 'hub' : undefined
  if (isPlugged(lit)) return undefined
  const { drive } = lit.settings
  if (drive === 'pins') return 'pins'
  if (drive === 'sink') return 'hub'
  return run.shape === 'scatter' && !isOnPins(lit.settings) ? 'hub' : undefined
}

/**
 * Lights from which a wire goes home, group by group: the first of each group in series, the others hang on their neighbours; a light of
 * several colours once for each.
 */
export function homeLights({ run }: Pick<CutStripRun, 'run'>, lit: LitRun | undefined): number[] {
  const { inSeries } = lit?.settings ?? { inSeries: 1 }
  const colours = lit?.colours ?? [undefined]
  return run.lights.flatMap((_, index) => (index % inSeries === 0 ? colours.map(() => index) : []))
}
