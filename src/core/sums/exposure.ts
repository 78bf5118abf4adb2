import { exposure } from '../glow/nights'
import { working } from '../quantity/figure'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

const lux = above0(200_000, 'lux', 1e-6)

export const exposureSum = defineSum(
  'exposure',
  'How much brighter a place becomes, in stops.',
  z.strictObject({ luxBefore: lux, luxAfter: lux }),
  exposure,
  {
    title: 'Brighter by stops',
    asks: ['how much brighter', 'stops', 'compare with today'],
    start: { luxBefore: 60, luxAfter: 300 },
    fields: { luxBefore: ['Today', 'lx'], luxAfter: ['Then', 'lx'] },
    lines: ({ luxBefore, luxAfter }, { times, stops }) => [
      line('stops', stops, '', {
        working: working`log2 of ${op('then', luxAfter, 'lx')} ÷ ${op('today', luxBefore, 'lx')}`,
        note: 'one stop is twice as bright, which an eye just calls brighter',
      }),
      line('times as bright', times, ''),
    ],
  },
)
