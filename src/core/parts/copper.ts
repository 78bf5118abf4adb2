/** Copper area of an American gauge, mm²: π/4 × (0.127 mm × 92^((36−g)/39))² (handbook 3, wire). */
export const areaOfAwg = (gauge: number): number =>
  (Math.PI / 4) * (0.127 * 92 ** ((36 - gauge) / 39)) ** 2

/** Resistance of one copper wire, Ω/m: 0.017241 × (1 + 0.00393 (T − 20)) / mm² (handbook 3, wire). */
export const ohmPerMetre = (areaMm2: number, tempC = 20): number =>
  (0.017241 * (1 + 0.00393 * (tempC - 20))) / areaMm2
