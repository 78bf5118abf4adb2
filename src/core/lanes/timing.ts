import { roundUp } from '../quantity/round'
import type { Lane } from './lanes'

/** *Typical* speed of the data, kHz, and the pause after a frame, µs (handbook 3, frame-time). */
export const dataTiming = {
  'one-wire': { bitRateKhz: 800, resetUs: 80 },
  clocked: { bitRateKhz: 4000, resetUs: 50 },
} as const

/** How often a lane can be sent. */
export interface LaneTiming {
  readonly frameMs: number
  readonly framesPerSecond: number
}

export const laneTiming = ({ data, pixels, bitsPerPixel }: Lane): LaneTiming =>
  frameTime({ pixels, bitsPerPixel, ...dataTiming[data] })

/** How long a frame takes to send on the longest of several lanes (handbook 3, frame-time). */
export function frameTime({
  pixels,
  bitsPerPixel,
  bitRateKhz,
  resetUs,
  lanes = 1,
}: {
  readonly pixels: number
  readonly bitsPerPixel: number
  readonly bitRateKhz: number
  readonly resetUs: number
  readonly lanes?: number
}): {
  readonly pixelsOnLongestLane: number
  readonly frameMs: number
  readonly framesPerSecond: number
} {
  const pixelsOnLongestLane = roundUp(pixels / lanes)
  const frameMs = (pixelsOnLongestLane * bitsPerPixel) / bitRateKhz + resetUs / 1000
  return { pixelsOnLongestLane, frameMs, framesPerSecond: 1000 / frameMs }
}

/** Below this motion is seen as steps, frames a second. */
export const slowFps = 30
