import { z } from '../quantity/z'
import { resistorAtMost } from './e-series'
import { defineSum } from './sum'

/** Drops of a small transistor that is fully on, V (handbook 3, npn-switch). */
const baseV = 0.75
const saturatedV = 0.2

export const npnSwitchSum = defineSum(
  'npn-switch',
  'The base resistor of a transistor that switches a load, and whether the pin stands it.',
  z.strictObject({
    loadA: z.number().positive(),
    driveV: z.number().gt(baseV, 'above 0.75 V, or the transistor stays off').max(60),
    forcedGain: z.number().positive().default(20),
    pinLimitMa: z.number().positive(),
  }),
  ({ loadA, driveV, forcedGain, pinLimitMa }) => {
    const baseMa = (loadA / forcedGain) * 1000
    const baseOhm = resistorAtMost((driveV - baseV) / (baseMa / 1000), 'E12')
    const realBaseA = (driveV - baseV) / baseOhm
    return {
      baseMa,
      baseOhm,
      pinOk: realBaseA * 1000 <= pinLimitMa,
      heatW: loadA * saturatedV + realBaseA * baseV,
    }
  },
)
