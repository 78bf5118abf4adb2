import { working } from '../quantity/figure'
import { above0, amperesAbove0, milliamperesAbove0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { baseV, npnSwitch } from '../lanes/drives'
import { defineSum, line, op } from './sum'

export const npnSwitchSum = defineSum(
  'npn-switch',
  'The base resistor of a transistor that switches a load, and whether the pin stands it.',
  z.strictObject({
    loadA: amperesAbove0,
    driveV: z.number().gt(baseV, 'above 0.75 V, or the transistor stays off').max(60),
    forcedGain: above0(100_000, '', 0.001).default(20),
    pinLimitMa: milliamperesAbove0,
  }),
  npnSwitch,
  {
    title: 'Transistor as a switch',
    asks: ['base resistor', 'switch LEDs from a pin', 'can a pin switch it'],
    start: { loadA: 0.3, driveV: 5, forcedGain: 20, pinLimitMa: 20 },
    fields: {
      loadA: ['It switches', 'A'],
      driveV: ['The pin gives', 'V'],
      forcedGain: ['Forced gain', ''],
      pinLimitMa: ['The pin stands', 'mA'],
    },
    lines: ({ loadA, forcedGain, driveV }, { baseMa, baseOhm, pinOk, heatW }) => [
      line('base resistor', baseOhm, 'Ω', {
        working: working`(${op('pin', driveV, 'V')} − 0.75 V) ÷ ${op('base', baseMa, 'mA')}`,
        note: 'E12, the value down, or up where only that spares the pin; the switch goes into the minus wire, grounds joined',
      }),
      line('base current', baseMa, 'mA', {
        working: working`${op('load', loadA, 'A')} ÷ ${op('gain', forcedGain)}`,
        word: pinOk ? 'the pin stands it' : 'too much for the pin',
      }),
      line('dissipates', heatW, 'W'),
    ],
  },
)
