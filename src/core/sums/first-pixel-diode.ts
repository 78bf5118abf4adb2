import { above0, milliamperes, milliamperesAbove0, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { firstPixelDiode, levelGrade } from '../signal/level'
import { defineSum, line } from './sum'
import { fixed } from '../quantity/format'

const levelWords = { fail: 'too low', marginal: 'thin', good: 'good' } as const

export const firstPixelDiodeSum = defineSum(
  'first-pixel-diode',
  'A diode in the first pixel’s plus lowers what it asks of the board: whether both hops then have margin.',
  z.strictObject({
    boardHighV: above0(60, 'V', 1e-6),
    pixelSupplyV: above0(60, 'V', 1e-6),
    ratio: above0(1, '', 1e-6).default(0.7),
    diodeV: upTo(60, 'V').default(0.7),
    firstPixelMa: milliamperes,
    diodeLimitMa: milliamperesAbove0,
  }),
  firstPixelDiode,
  {
    title: 'Diode before the first pixel',
    asks: ['sacrificial pixel', 'diode trick for 3.3 V', 'level without a buffer'],
    start: {
      boardHighV: 3.3,
      pixelSupplyV: 5,
      ratio: 0.7,
      diodeV: 0.7,
      firstPixelMa: 60,
      diodeLimitMa: 1000,
    },
    fields: {
      boardHighV: ['The board’s high', 'V'],
      pixelSupplyV: ['Strip', 'V'],
      ratio: ['A pixel needs', '%'],
      diodeV: ['The diode drops', 'V'],
      firstPixelMa: ['The pixel draws', 'mA'],
      diodeLimitMa: ['The diode carries', 'mA'],
    },
    lines: (_, { firstSupplyV, firstThresholdV, firstMarginV, nextMarginV, diodeOk }) => [
      line('board to first pixel', firstMarginV, 'V', {
        word: levelWords[levelGrade(firstMarginV)],
      }),
      line('first to second pixel', nextMarginV, 'V', {
        word: levelWords[levelGrade(nextMarginV)],
      }),
      line('the first pixel has', firstSupplyV, 'V', {
        note: `and needs ${fixed(firstThresholdV, 2)} V; it is a little dimmer`,
      }),
      line('the diode', null, '', { word: diodeOk ? 'stands it' : 'is too small' }),
    ],
  },
)
