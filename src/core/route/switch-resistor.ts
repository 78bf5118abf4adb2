import { npnSwitch } from '../lanes/drives'
import type { LitRun } from '../load/lights'
import type { Board } from '../plan/parts'
import type { InLineResistor } from './circuit'

/** Between a pin and a MOSFET's gate, Ω (handbook 3, npn-switch). */
export const gateOhm = 100

/** The resistor between a pin and what it switches: a transistor's base as it is worked out for its load, or a gate. */
export function switchResistor(
  lit: LitRun | undefined,
  { highV, pinA }: Pick<Board, 'highV' | 'pinA'>,
): InLineResistor {
  if (
    lit?.settings.switchWith !== 'transistor' ||
    lit.settings.drive !== 'switch' ||
    lit.peakA <= 0
  )
    return { ohm: gateOhm, why: 'gate' }
  const { baseOhm } = npnSwitch({ loadA: lit.peakA, driveV: highV, pinLimitMa: pinA * 1000 })
  return { ohm: baseOhm, why: 'base' }
}
