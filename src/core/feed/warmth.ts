/** Heat that still air takes off a surface, W/m²K, and what hinders it (handbook 3, warmth). */
const airWPerM2K = 10
const sealedFactor = 1.3
const coveredFactor = 1.15

/** Above this rise adhesive creeps and LEDs age; above the second it must not be, K (handbook 3, warmth). */
export const warmK = 35
export const hotK = 50

export interface WarmthGiven {
  readonly wattsPerM: number
  /** Share of the power that becomes heat. */
  readonly heatShare: number
  /** Width that gives off heat, mm: a bare strip's own, a profile's developed width. */
  readonly exposedMm: number
  readonly sealed: boolean
  readonly covered: boolean
}

/** Share of its power that a strip turns into heat. */
export const usualHeatShare = 0.7

/** rise = W/m × heat share × K·m/W; K·m/W = 1 / (10 W/m²K × exposed width), more where sealed or covered (handbook 3, warmth). */
export function warmth({ wattsPerM, heatShare, exposedMm, sealed, covered }: WarmthGiven): {
  kelvinMetrePerWatt: number
  riseK: number
} {
  const kelvinMetrePerWatt =
    (1 / (airWPerM2K * (exposedMm / 1000))) *
    (sealed ? sealedFactor : 1) *
    (covered ? coveredFactor : 1)
  return { kelvinMetrePerWatt, riseK: wattsPerM * heatShare * kelvinMetrePerWatt }
}
