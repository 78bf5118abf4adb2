import { working } from '../quantity/figure'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { logicLevel } from '../signal/level'
import { defineSum, line, op } from './sum'

export const logicLevelSum = defineSum(
  'logic-level',
  'Whether the first pixel understands the board.',
  z.strictObject({
    boardHighV: above0(60, 'V', 1e-6),
    pixelSupplyV: above0(60, 'V', 1e-6),
    ratio: above0(1, '', 1e-6).default(0.7),
    groundRiseV: z.number().min(-60, 'at least −60 V').max(60, 'at most 60 V').default(0),
  }),
  logicLevel,
  {
    title: 'Logic level',
    asks: ['does 3.3 V drive 5 V pixels', 'why does it flicker', 'level shifter'],
    start: { boardHighV: 3.3, pixelSupplyV: 5, ratio: 0.7, groundRiseV: 0 },
    fields: {
      boardHighV: ['The board’s high', 'V'],
      pixelSupplyV: ['At the first pixel', 'V'],
      ratio: ['It needs', '%'],
      groundRiseV: ['Ground offset', 'V'],
    },
    lines: ({ boardHighV, pixelSupplyV, ratio, groundRiseV }, { thresholdV, marginV, verdict }) => [
      line('margin', marginV, 'V', {
        word: { fail: 'too low', marginal: 'thin', good: 'good' }[verdict],
        working: working`${op('high', boardHighV, 'V')} − ${op('rise', groundRiseV, 'V')} − ${op('threshold', thresholdV, 'V')}`,
      }),
      line('threshold', thresholdV, 'V', {
        working: working`${op('share', ratio, '%')} × ${op('first pixel', pixelSupplyV, 'V')}`,
      }),
    ],
  },
)
