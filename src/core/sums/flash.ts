import { flashes, mostFlashes } from '../glow/flash'
import { above0 } from '../quantity/bounded'
import { z } from '../quantity/z'
import { defineSum, line } from './sum'

export const flashSum = defineSum(
  'flash',
  'The most flashes in any one second, and whether that is safe to look at.',
  z.strictObject({
    framesPerSecond: above0(1_000, '', 0.01),
    luminance: z.array(z.number().min(0).max(1)).min(1).max(100_000),
  }),
  ({ framesPerSecond, luminance }) => flashes(luminance, framesPerSecond),
  {
    title: 'Flashes in a second',
    asks: ['is it safe to look at', 'flashing', 'photosensitive'],
    start: { framesPerSecond: 10, luminance: [0, 0.8, 0, 0.8, 0, 0.8, 0, 0.8, 0, 0.8] },
    fields: {
      framesPerSecond: ['Frames a second', '/s'],
      luminance: ['Luminance frame by frame, 0 to 1', ''],
    },
    lines: (_, { flashesPerSecond, verdict }) => [
      line('most flashes in a second', flashesPerSecond, '', {
        word: verdict === 'stop' ? 'too many' : 'fine',
        note: `more than ${String(mostFlashes)} in a second can start a seizure in photosensitive people`,
      }),
    ],
  },
)
