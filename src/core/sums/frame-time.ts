import { roundUp } from '../quantity/round'
import { z } from '../quantity/z'
import { defineSum } from './sum'

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
  ({ pixels, bitsPerPixel, bitRateKhz, resetUs, lanes }) => {
    const pixelsOnLongestLane = roundUp(pixels / lanes)
    const frameMs = (pixelsOnLongestLane * bitsPerPixel) / bitRateKhz + resetUs / 1000
    return { pixelsOnLongestLane, frameMs, framesPerSecond: 1000 / frameMs }
  },
)
