import { working } from '../quantity/figure'
import { hotK, warmK, warmth, whiteHeatShare } from '../feed/warmth'
import { surfaces } from '../plan/choices'
import { above0, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const warmthSum = defineSum(
  'warmth',
  'How warm a strip gets on what it is stuck to.',
  z.strictObject({
    wattsPerM: upTo(10_000, 'W/m'),
    heatShare: z.number().min(0).max(1).default(whiteHeatShare),
    exposedMm: above0(10_000, 'mm', 1e-6),
    surface: z.enum(surfaces).default('wood'),
    sealed: z.boolean().default(false),
    covered: z.boolean().default(false),
  }),
  warmth,
  {
    title: 'Warmth of a strip',
    asks: ['does it get hot', 'do I need an aluminium profile', 'temperature'],
    start: {
      wattsPerM: 9.6,
      heatShare: whiteHeatShare,
      exposedMm: 10,
      surface: 'wood',
      sealed: false,
      covered: false,
    },
    fields: {
      wattsPerM: ['Power', 'W/m'],
      heatShare: ['Becomes heat', '%'],
      exposedMm: ['Width that meets the air', 'mm'],
      surface: ['Stuck to', ''],
      sealed: ['In a sealed sleeve', ''],
      covered: ['Behind a cover', ''],
    },
    lines: ({ wattsPerM, heatShare }, { riseK, kelvinMetrePerWatt }) => [
      line('warmer than the room by', riseK, 'K', {
        working: working`${op('power', wattsPerM, 'W/m')} × ${op('heat', heatShare, '%')} × ${op('K m/W', kelvinMetrePerWatt)}`,
        word: riseK > hotK ? 'too hot' : riseK > warmK ? 'warm' : 'fine',
        note: `within ± 30 %; over ${String(warmK)} K adhesive creeps and LEDs age; over ${String(hotK)} K: do not`,
      }),
    ],
  },
)
