export interface LoadGiven {
  /** Pixels, or load groups of a plain strip. */
  readonly pixels: number
  /** Full current of each colour, mA. */
  readonly channelMa: readonly number[]
  /** What each draws while dark, mA. */
  readonly idleMa: number
  /** Brightness of every colour, 0–1. */
  readonly level: number
  readonly volts: number
}

export interface Load {
  readonly currentA: number
  readonly powerW: number
}

/** A = pixels × (Σ channel mA × level + idle mA) / 1000; W = A × V (handbook 3, load). Idle current flows at any level. */
export function loadOf({ pixels, channelMa, idleMa, level, volts }: LoadGiven): Load {
  const fullMa = channelMa.reduce((sum, mA) => sum + mA, 0)
  const currentA = (pixels * (fullMa * level + idleMa)) / 1000
  return { currentA, powerW: currentA * volts }
}
