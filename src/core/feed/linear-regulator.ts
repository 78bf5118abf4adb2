/** A regulator needs so much more at its input than it gives, V (handbook 3, linear-regulator). */
const dropoutV = 1.1

export interface LinearRegulatorGiven {
  readonly inputV: number
  readonly outputV: number
  readonly currentA: number
  readonly limitA: number
  readonly limitW: number
}

/** heat = (in − out) × A; allowed A = min(limit A, limit W / (in − out)), 0 without dropout (handbook 3, linear-regulator). */
export function linearRegulator({
  inputV,
  outputV,
  currentA,
  limitA,
  limitW,
}: LinearRegulatorGiven): { heatW: number; allowedA: number; efficiency: number } {
  const acrossV = inputV - outputV
  return {
    heatW: acrossV * currentA,
    allowedA: acrossV < dropoutV ? 0 : Math.min(limitA, limitW / acrossV),
    efficiency: outputV / inputV,
  }
}
