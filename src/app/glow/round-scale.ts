/** A scale from zero on, in equal steps. */
export interface Scale {
  /** Where it ends. */
  readonly max: number
  readonly steps: number
  /** Decimals that each step can be written with exactly. */
  readonly decimals: number
}

/** What is left of rounding, of a step. */
const hair = 1e-9

/**
 * A scale of round steps (1, 2 or 5 times a power of ten), so that its labels are not rounded.
 *
 * @param most what it has to hold, above zero
 * @param mostSteps how many steps there may be at most, from 1
 */
export function roundScale(most: number, mostSteps: number): Scale {
  const least = most / mostSteps
  const power = Math.floor(Math.log10(least))
  const factor = [1, 2, 5].find((times) => times * 10 ** power >= least * (1 - hair))
  const [times, exponent] = factor === undefined ? [1, power + 1] : [factor, power]
  const steps = Math.ceil(most / (times * 10 ** exponent) - hair)
  const decimals = Math.max(0, -exponent)
  return { max: Number((steps * times * 10 ** exponent).toFixed(decimals)), steps, decimals }
}

/** How many equal parts of a time can be told in tenths of a second; five to eight of them, where they can. */
export const roundParts = (seconds: number): number =>
  [5, 6, 8, 7].find((parts) => Math.abs((seconds * 10) % parts) < hair) ?? 5
