import type { Surface } from '../plan/choices'

/** Heat that goes into what a strip is stuck to, W/m·K; *typical* (handbook 3, warmth). */
const backWPerMK: Readonly<Record<Surface, number>> = {
  air: 0,
  wood: 0.16,
  plaster: 0.3,
  glass: 0.5,
  fabric: 0.05,
  card: 0.05,
  plastic: 0.15,
  acrylic: 0.15,
  channel: 0.1,
  metal: 1,
}
const sealedFactor = 1.3
const coveredFactor = 1.15

/** Above this rise adhesive creeps and LEDs age; above the second it must not be, K (handbook 3, warmth). */
export const warmK = 35
export const hotK = 50

/** The room that warmth is counted from, °C (handbook 3, warmth). */
export const roomC = 25

/** Share of its power that a strip turns into heat: white, and pixels or colours (handbook 3, warmth). */
export const whiteHeatShare = 0.7
export const colourHeatShare = 0.85

export interface WarmthGiven {
  readonly wattsPerM: number
  /** Share of the power that becomes heat. */
  readonly heatShare: number
  /** Width of all faces that meet the air, mm: a bare strip's own, twice that where it hangs free, a profile's exposed width. */
  readonly exposedMm: number
  readonly surface: Surface
  readonly sealed: boolean
  readonly covered: boolean
}

/** Heat that air and radiation take off a narrow thing, W/m²K (handbook 3, warmth). */
const airWPerM2K = (exposedMm: number): number => 6 + 12 * (10 / exposedMm) ** 0.25

/**
 * rise = W/m × heat share × K·m/W, with K·m/W = 1 / (front + back), × 1.3 in a sealed sleeve, × 1.15 behind a cover
 * (handbook 3, warmth). Within ± 30 %.
 */
export function warmth({
  wattsPerM,
  heatShare,
  exposedMm,
  surface,
  sealed,
  covered,
}: WarmthGiven): {
  kelvinMetrePerWatt: number
  riseK: number
} {
  const frontWPerMK = (airWPerM2K(exposedMm) * exposedMm) / 1000
  const kelvinMetrePerWatt =
    (1 / (frontWPerMK + backWPerMK[surface])) *
    (sealed ? sealedFactor : 1) *
    (covered ? coveredFactor : 1)
  return { kelvinMetrePerWatt, riseK: wattsPerM * heatShare * kelvinMetrePerWatt }
}
