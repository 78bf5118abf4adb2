import { resistorAtLeast, resistorAtMost } from '../load/e-series'
import { isAtLeast } from '../quantity/round'
import type { LitRun } from '../load/lights'
import { sinkBoard } from '../parts/drivers'

/** Drops of a small transistor that is fully on, V (handbook 3, npn-switch). */
export const baseV = 0.75
const saturatedV = 0.2

/**
 * The base resistor of a transistor that switches a load, and whether the pin stands it: the E12 value down, or the next one up where
 * only that spares the pin (handbook 3, npn-switch). Heat is 0.2 V × load + 0.75 V × the real base current.
 */
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
  const idealOhm = (driveV - baseV) / (baseMa / 1000)
  const [down, up] = [resistorAtMost(idealOhm, 'E12'), resistorAtLeast(idealOhm, 'E12')]
  const realMa = (ohm: number): number => ((driveV - baseV) / ohm) * 1000
  const isStood = (ohm: number): boolean => isAtLeast(pinLimitMa, realMa(ohm))
  const baseOhm = !isStood(down) && isStood(up) ? up : down
  return {
    baseMa,
    baseOhm,
    pinOk: isStood(baseOhm),
    heatW: loadA * saturatedV + (realMa(baseOhm) / 1000) * baseV,
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

/**
 * What PWM sink boards do for the lights of a run, fully on: how many, what each output is set to (mA), what the lights need (V), and what
 * is left for a board's outputs to burn, W: (supply − lights − resistor) × current for each.
 */
export function sinkBoards({ strings, stringA, supplyV, part, settings, colours }: LitRun): {
  readonly boards: number
  readonly outputsLeft: number
  readonly setMa: number
  readonly leastV: number
  readonly heatW: number
} {
  const boards = Math.ceil(strings / sinkBoard.outputs)
  const outputs = Math.min(strings, sinkBoard.outputs)
  // Colours take turns from output to output.
  const heatW = Array.from({ length: outputs }, (_, at) => colours[at % colours.length])
    .filter((colour) => colour !== undefined)
    .reduce((sum, colour) => {
      const lightsV = colour.volts * settings.inSeries
      const restV = supplyV - lightsV - colour.stringA * (colour.resistor?.pickOhm ?? 0)
      return sum + Math.max(0, restV) * colour.stringA
    }, 0)
  return {
    boards,
    outputsLeft: boards * sinkBoard.outputs - strings,
    setMa: stringA * 1000,
    leastV: part.volts * settings.inSeries + sinkBoard.dropV,
    heatW,
  }
}
