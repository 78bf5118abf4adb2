export interface BlendGiven {
  /** From light to light, mm. */
  readonly pitchMm: number
  /** From the lights to the diffuser, mm. */
  readonly depthMm: number
}

/**
 * How much brighter a diffuser is over a light than half way to the next: ripple = (max − min) / (max + min), of
 * E(x) = Σ d² / ((x − kp)² + d²)² (handbook 3, blend).
 *
 * @returns 0 for an even line of light, towards 1 for single dots
 */
export function blend({ pitchMm, depthMm }: BlendGiven): { ripple: number } {
  const over = brightness(0, pitchMm, depthMm)
  const between = brightness(pitchMm / 2, pitchMm, depthMm)
  return { ripple: Math.max(0, (over - between) / (over + between)) }
}

/** Brightness behind a diffuser at `x` mm from a light, in no unit. */
export function brightness(x: number, pitchMm: number, depthMm: number): number {
  // A light k pitches away gives (d / kp)⁴ of the nearest: beyond 40 depths less than a millionth.
  const reach = Math.ceil((40 * depthMm) / pitchMm) + 8
  let sum = 0
  for (let k = -reach; k <= reach; k += 1)
    sum += depthMm ** 2 / ((x - k * pitchMm) ** 2 + depthMm ** 2) ** 2
  return sum
}
