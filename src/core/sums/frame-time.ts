import { z } from '../quantity/z'
import { frameTime } from '../signal/level'
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
  frameTime,
)
