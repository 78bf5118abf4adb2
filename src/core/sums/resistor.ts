import { working } from '../quantity/figure'
import { resistorFor } from '../load/e-series'
import { eSeriesNames } from '../plan/choices'
import { above0, amperesAbove0, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op, refuse } from './sum'
import { fixed, plain } from '../quantity/format'

export const resistorSum = defineSum(
  'resistor',
  'The resistor in front of LEDs, the current that it really sets, and the power it has to stand.',
  z.strictObject({
    supplyV: above0(60, 'V', 1e-6),
    forwardV: upTo(60, 'V'),
    inSeries: z.int().min(1).max(100).default(1),
    currentA: amperesAbove0,
    series: z.enum(eSeriesNames).default('E24'),
    tolerance: z.number().min(0).max(0.99).default(0.05),
  }),
  (given) => {
    const { supplyV, forwardV, inSeries } = given
    return (
      resistorFor(given) ??
      refuse([
        {
          path: 'supplyV',
          message: `no headroom: ${String(inSeries)} × ${plain(forwardV)} V leave nothing of ${plain(supplyV)} V; put fewer in series or take more volts`,
        },
      ])
    )
  },
  {
    title: 'Resistor of an LED',
    asks: ['which resistor', 'resistor for an LED', 'ohms in series'],
    start: {
      supplyV: 5,
      forwardV: 2,
      inSeries: 1,
      currentA: 0.015,
      series: 'E24',
      tolerance: 0.05,
    },
    fields: {
      supplyV: ['Supply', 'V'],
      forwardV: ['Forward volts of an LED', 'V'],
      inSeries: ['LEDs in series', ''],
      currentA: ['Current wanted', 'A'],
      series: ['Values', ''],
      tolerance: ['Tolerance', '%'],
    },
    lines: (
      { supplyV, forwardV, inSeries, currentA: wantedA, tolerance },
      { pickOhm, idealOhm, currentA, powerW, ratingW, lowOhm, highOhm },
    ) => [
      line('take', pickOhm, 'Ω', {
        working: working`(${op('supply', supplyV, 'V')} − ${op('in series', inSeries)} × ${op('forward', forwardV, 'V')}) ÷ ${op('current', wantedA, 'A')} = ${op('ideal', idealOhm, 'Ω')}`,
        note: `next value up; ${fixed(lowOhm, 1)} to ${fixed(highOhm, 1)} Ω at ${String(tolerance * 100)} %`,
      }),
      line('current', currentA * 1000, 'mA'),
      line('dissipates', powerW, 'W', {
        working: working`${op('current', currentA, 'A')}² × ${op('resistor', pickOhm, 'Ω')}`,
      }),
      line('rated', ratingW, 'W', { note: 'at least twice what it dissipates' }),
    ],
    into: ({ series, tolerance }) =>
      tolerance > 0.5
        ? undefined
        : {
            label: `resistors of ${series}, ±${String(Math.round(tolerance * 100))} %`,
            commands: () => [{ do: 'set-rules', rules: { eSeries: series, tolerance } }],
          },
  },
)
