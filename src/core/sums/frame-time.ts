import { working } from '../quantity/figure'
import { z } from '../quantity/z'
import { frameTime } from '../lanes/timing'
import { defineSum, line, op } from './sum'

export const frameTimeSum = defineSum(
  'frame-time',
  'How many frames a second the data lines carry.',
  z.strictObject({
    pixels: z.int().min(1),
    bitsPerPixel: z.int().min(1).max(128).default(24),
    bitRateKhz: z.number().positive().default(800),
    resetUs: z.number().nonnegative().default(80),
    lanes: z.int().min(1).max(1_000).default(1),
  }),
  frameTime,
  {
    title: 'Frames a second',
    asks: ['how fast can it update', 'fps', 'how many lanes', 'why is it slow'],
    start: { pixels: 600, bitsPerPixel: 24, bitRateKhz: 800, resetUs: 80, lanes: 1 },
    fields: {
      pixels: ['Pixels', 'px'],
      bitsPerPixel: ['Bits a pixel', ''],
      bitRateKhz: ['Data rate, kHz', ''],
      resetUs: ['Pause', 'µs'],
      lanes: ['Lanes', ''],
    },
    lines: (
      { bitsPerPixel, bitRateKhz, resetUs },
      { pixelsOnLongestLane, frameMs, framesPerSecond },
    ) => [
      line('frames', framesPerSecond, '/s'),
      line('a frame', frameMs, 'ms', {
        working: working`${op('longest lane', pixelsOnLongestLane, 'px')} × ${op('each', (bitsPerPixel / bitRateKhz) * 1000, 'µs')} + ${op('pause', resetUs, 'µs')}`,
      }),
    ],
  },
)
