import { working } from '../quantity/figure'
import { hotK, warmK, warmth } from '../feed/warmth'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const warmthSum = defineSum(
  'warmth',
  'How warm a strip gets on what it is stuck to.',
  z.strictObject({
    wattsPerM: z.number().nonnegative(),
    heatShare: z.number().min(0).max(1).default(0.7),
    exposedMm: z.number().positive(),
    sealed: z.boolean().default(false),
    covered: z.boolean().default(false),
  }),
  warmth,
  {
    title: 'Warmth of a strip',
    asks: ['does it get hot', 'do I need an aluminium profile', 'temperature'],
    start: { wattsPerM: 9.6, heatShare: 0.7, exposedMm: 10, sealed: false, covered: false },
    fields: {
      wattsPerM: ['Power', 'W/m'],
      heatShare: ['Becomes heat', '%'],
      exposedMm: ['Width that gives off heat', 'mm'],
      sealed: ['In a sealed sleeve', ''],
      covered: ['Behind a cover', ''],
    },
    lines: ({ wattsPerM, heatShare }, { riseK, kelvinMetrePerWatt }) => [
      line('warmer than the room by', riseK, 'K', {
        working: working`${op('power', wattsPerM, 'W/m')} × ${op('heat', heatShare, '%')} × ${op('K m/W', kelvinMetrePerWatt)}`,
        word: riseK > hotK ? 'too hot' : riseK > warmK ? 'warm' : 'fine',
        note: `over ${String(warmK)} K adhesive creeps and LEDs age; over ${String(hotK)} K: do not`,
      }),
    ],
  },
)
