import { resistorAtMost } from '../load/e-series'

/** Drops of a small transistor that is fully on, V (handbook 3, npn-switch). */
export const baseV = 0.75
const saturatedV = 0.2

/** The base resistor of a transistor that switches a load, E12 down, and whether the pin stands it (handbook 3, npn-switch). */
export function npnSwitch({
  loadA,
  driveV,
  forcedGain = 20,
  pinLimitMa,
}: {
  readonly loadA: number
  readonly driveV: number
  readonly forcedGain?: number
  readonly pinLimitMa: number
}): {
  readonly baseMa: number
  readonly baseOhm: number
  readonly pinOk: boolean
  readonly heatW: number
} {
  const baseMa = (loadA / forcedGain) * 1000
  const baseOhm = resistorAtMost((driveV - baseV) / (baseMa / 1000), 'E12')
  const realBaseA = (driveV - baseV) / baseOhm
  return {
    baseMa,
    baseOhm,
    pinOk: realBaseA * 1000 <= pinLimitMa,
    heatW: loadA * saturatedV + realBaseA * baseV,
  }
}

export type Flicker = 'visible' | 'likely' | 'none'

/** Below 50 Hz flicker is visible, below 100 Hz likely: moving eyes, cameras (handbook 3, matrix). */
const flickerOf = (refreshHz: number): Flicker =>
  refreshHz < 50 ? 'visible' : refreshHz < 100 ? 'likely' : 'none'

/** LEDs scanned in rows and columns: pins, how dim they get, whether they flicker (handbook 3, matrix). */
export function matrixScan({
  rows,
  columns,
  dwellUs,
  peakMa,
  scan,
}: {
  readonly rows: number
  readonly columns: number
  readonly dwellUs: number
  readonly peakMa: number
  readonly scan: 'led' | 'row'
}): {
  readonly pins: number
  readonly leds: number
  readonly duty: number
  readonly averageMa: number
  readonly refreshHz: number
  readonly flicker: Flicker
} {
  const slots = scan === 'led' ? rows * columns : rows
  const duty = 1 / slots
  const refreshHz = 1e6 / (slots * dwellUs)
  return {
    pins: rows + columns,
    leds: rows * columns,
    duty,
    averageMa: peakMa * duty,
    refreshHz,
    flicker: flickerOf(refreshHz),
  }
}

/** The fewest pins that light so many LEDs one at a time, each between two of them: n × (n − 1). */
export function charliePins(leds: number): number {
  let pins = 2
  while (pins * (pins - 1) < leds) pins += 1
  return pins
}
