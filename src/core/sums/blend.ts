import { blend } from '../glow/blend'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line } from './sum'

export const blendSum = defineSum(
  'blend',
  'Whether the single dots show behind a cover.',
  z.strictObject({
    pitchMm: z.number().min(0.5).max(10_000),
    depthMm: above0(10_000, 'mm', 0.001),
  }),
  blend,
  {
    title: 'Dots behind a cover',
    asks: ['do the dots show', 'how deep a profile', 'diffuser distance'],
    start: { pitchMm: 16.7, depthMm: 15 },
    fields: { pitchMm: ['From light to light', 'mm'], depthMm: ['From lights to cover', 'mm'] },
    lines: (_, { ripple }) => [
      line('ripple', ripple, '%', {
        word: ripple < 0.05 ? 'the dots are gone' : ripple < 0.2 ? 'a soft wave' : 'dots show',
        note: 'below about 5 % the line is even',
      }),
    ],
  },
)
