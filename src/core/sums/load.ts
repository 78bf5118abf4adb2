import { working } from '../quantity/figure'
import { loadOf } from '../load/load-of'
import { highestVolts } from '../plan/parts'
import { above0, milliamperes, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

const sum = (values: readonly number[]): number => values.reduce((all, one) => all + one, 0)

export const loadSum = defineSum(
  'load',
  'What pixels draw at a brightness.',
  z.strictObject({
    pixels: upTo(10_000_000, 'pixels'),
    channelMa: z.array(milliamperes).min(1).max(12),
    idleMa: milliamperes.default(0),
    level: z.number().min(0).max(1).default(1),
    volts: above0(highestVolts, '', 1e-6),
  }),
  loadOf,
  {
    title: 'What pixels draw',
    asks: ['how many amperes', 'how much current do pixels take', 'watts'],
    start: { pixels: 150, channelMa: [12, 12, 12], idleMa: 0.7, level: 1, volts: 5 },
    fields: {
      pixels: ['Pixels', 'px'],
      channelMa: ['Each colour', 'mA'],
      idleMa: ['Idle', 'mA'],
      level: ['Brightness', '%'],
      volts: ['Supply', 'V'],
    },
    lines: ({ pixels, channelMa, idleMa, level, volts }, { currentA, powerW }) => [
      line('current', currentA, 'A', {
        working: working`${op('pixels', pixels, 'px')} × (${op('colours', sum(channelMa), 'mA')} × ${op('level', level, '%')} + ${op('idle', idleMa, 'mA')})`,
      }),
      line('power', powerW, 'W', {
        working: working`${op('current', currentA, 'A')} × ${op('supply', volts, 'V')}`,
      }),
    ],
  },
)
