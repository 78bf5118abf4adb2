import { working } from '../quantity/figure'
import { cutRun } from '../cut/cut-run'
import { roundings } from '../plan/choices'
import { lengthMm, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line, op } from './sum'

export const cutRunSum = defineSum(
  'cut-run',
  'How much strip lies in a straight part when it is cut at its marks.',
  z.strictObject({
    lengthMm,
    cutPitchMm: lengthMm,
    pixelsPerCut: z.int().min(0).max(10_000).default(1),
    fit: z.enum(roundings).default('inside'),
    endAllowanceMm: upTo(1_000_000, 'mm').default(0),
  }),
  // Called `cuts` in what a sum answers.
  (given) => {
    const { groups, ...placed } = cutRun(given)
    return { cuts: groups, ...placed }
  },
  {
    title: 'Strip cut at its marks',
    asks: ['how many pixels fit', 'where do I cut', 'how large is the gap'],
    start: { lengthMm: 655, cutPitchMm: 16.667, pixelsPerCut: 1, fit: 'inside', endAllowanceMm: 0 },
    fields: {
      lengthMm: ['Length', 'mm'],
      cutPitchMm: ['From cut mark to cut mark', 'mm'],
      pixelsPerCut: ['Pixels a group', ''],
      fit: ['Round', ''],
      endAllowanceMm: ['Kept free at each end', 'mm'],
    },
    lines: ({ cutPitchMm, lengthMm }, { cuts, placedMm, gapMm, pixels }) => [
      line('strip', placedMm, 'mm', {
        working: working`${op('groups', cuts)} × ${op('pitch', cutPitchMm, 'mm')}`,
      }),
      line(gapMm < 0 ? 'hangs over' : 'gap', Math.abs(gapMm), 'mm', {
        working: working`${op('length', lengthMm, 'mm')} − ${op('strip', placedMm, 'mm')}`,
      }),
      line('pixels', pixels, 'px'),
    ],
    into: ({ lengthMm, fit, endAllowanceMm }) => ({
      label: `onto its pad, cut to ${fit}`,
      commands: (plan, id) => [
        {
          do: 'add-lines',
          at: plan.lines.length,
          lines: [
            {
              id,
              text: `edge ${String(lengthMm)}`,
              ...(endAllowanceMm > 0 && { endMm: endAllowanceMm }),
            },
          ],
        },
        { do: 'set-rules', rules: { rounding: fit } },
      ],
    }),
  },
)
