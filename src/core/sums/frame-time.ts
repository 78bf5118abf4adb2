import { working } from '../quantity/figure'
import { above0, upTo } from '../quantity/bounded'
import { z } from '../quantity/z'
import { frameTime } from '../lanes/timing'
import { defineSum, line, op } from './sum'

export const frameTimeSum = defineSum(
  'frame-time',
  'How many frames a second the data lines carry.',
  z.strictObject({
    pixels: z.int().min(1).max(10_000_000),
    bitsPerPixel: z.int().min(1).max(128).default(24),
    bitRateKhz: above0(1_000_000, 'kHz', 0.001).default(800),
    resetUs: upTo(10_000_000, 'µs').default(80),
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
