import { mostParts } from '../measure/shape'
import { working } from '../quantity/figure'
import { above0, milliamperes } from '../quantity/bounded'
import { z } from '../quantity/z'
import { matrixScan } from '../lanes/drives'
import { defineSum, line, op } from './sum'

export const matrixSum = defineSum(
  'matrix',
  'LEDs scanned in rows and columns: pins, how dim they get, whether they flicker.',
  z.strictObject({
    rows: z.int().min(1).max(1_000),
    columns: z.int().min(1).max(1_000),
    dwellUs: above0(10_000_000, 'µs', 0.001),
    peakMa: milliamperes,
    scan: z.enum(['led', 'row']).default('row'),
  }),
  matrixScan,
  {
    title: 'Scanned matrix',
    asks: ['how many pins for a matrix', 'does it flicker', 'how dim do scanned LEDs get'],
    start: { rows: 4, columns: 6, dwellUs: 2000, peakMa: 20, scan: 'row' },
    fields: {
      rows: ['Rows', ''],
      columns: ['Columns', ''],
      dwellUs: ['Each is lit for', 'µs'],
      peakMa: ['Current while lit', 'mA'],
      scan: ['Scanned', ''],
    },
    lines: (
      { rows, columns, scan, dwellUs, peakMa },
      { pins, leds, duty, averageMa, refreshHz, flicker },
    ) => [
      line('refresh', refreshHz, '/s', {
        working: working`1 s ÷ (${op('slots', scan === 'led' ? rows * columns : rows)} × ${op('each', dwellUs, 'µs')})`,
        word: { visible: 'flickers', likely: 'may flicker', none: 'steady' }[flicker],
      }),
      line('pins', pins, '', {
        working: working`${op('rows', rows)} + ${op('columns', columns)}`,
        note: `for ${String(leds)} LEDs`,
      }),
      line('on average', averageMa, 'mA', {
        working: working`${op('peak', peakMa, 'mA')} × ${op('lit', duty, '%')}`,
        note: 'as dim as that: a driver chip keeps them bright',
      }),
    ],
    into: ({ rows, columns, scan, dwellUs }) =>
      rows * columns > mostParts || dwellUs > 1e6
        ? undefined
        : {
            label: 'onto its pad, red LEDs',
            commands: (plan, id) => [
              {
                do: 'add-lines',
                at: plan.lines.length,
                lines: [
                  {
                    id,
                    text: `matrix grid ${String(rows)} x ${String(columns)} @ 20`,
                    lights: { part: 'led-red', drive: 'matrix', scan, dwellUs },
                  },
                ],
              },
            ],
          },
  },
)
