export interface BenchLightGiven {
  readonly lumensPerM: number
  readonly lengthM: number
  /** Height of the line of light above the surface, m. */
  readonly heightM: number
  /** From below the line's middle, along it, m. */
  readonly offsetM: number
}

/**
 * Light on a surface under a line of light: Φ/π × [x / (2(x² + h²)) + atan(x/h) / (2h)] between its two ends (handbook 3,
 * bench-light).
 */
export function benchLight({ lumensPerM, lengthM, heightM, offsetM }: BenchLightGiven): {
  lux: number
} {
  const upTo = (x: number): number =>
    x / (2 * (x ** 2 + heightM ** 2)) + Math.atan(x / heightM) / (2 * heightM)
  const half = lengthM / 2
  return { lux: (lumensPerM / Math.PI) * (upTo(half - offsetM) - upTo(-half - offsetM)) }
}
