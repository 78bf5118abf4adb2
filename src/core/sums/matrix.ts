import { z } from '../quantity/z'
import { defineSum } from './sum'

/** Below 50 Hz flicker is visible, below 100 Hz likely: moving eyes, cameras (handbook 3, matrix). */
const flickerOf = (refreshHz: number): 'visible' | 'likely' | 'none' =>
  refreshHz < 50 ? 'visible' : refreshHz < 100 ? 'likely' : 'none'

export const matrixSum = defineSum(
  'matrix',
  'LEDs scanned in rows and columns: pins, how dim they get, whether they flicker.',
  z.strictObject({
    rows: z.int().min(1).max(1_000),
    columns: z.int().min(1).max(1_000),
    dwellUs: z.number().positive(),
    peakMa: z.number().nonnegative(),
    scan: z.enum(['led', 'row']).default('row'),
  }),
  ({ rows, columns, dwellUs, peakMa, scan }) => {
    const slots = scan === 'led' ? rows * columns : rows
    const duty = 1 / slots
    const refreshHz = 1e6 / (slots * dwellUs)
    return {
      pins: rows + columns,
      leds: rows * columns,
      duty,
      averageMa: peakMa * duty,
      refreshHz,
      flicker: flickerOf(refreshHz),
    }
  },
)
