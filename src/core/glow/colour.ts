import { full } from './fixed'

/** Linear light of red, green, blue and white, 0 to 65535 each. */
export type Light = readonly [red: number, green: number, blue: number, white: number]

/** What a person sees as that share of brightness becomes linear light: power 2.2 (handbook 12). */
const linear = (perceived: number): number => Math.round(full * perceived ** 2.2)

const byEye = /^#([\da-f]{2})([\da-f]{2})([\da-f]{2})$/i
const byNumber = /^duty (\d{1,3}) (\d{1,3}) (\d{1,3})(?: (\d{1,3}))?$/
const byWarmth = /^(\d{4,5}) ?K$/

/** Whites from candle light to a blue sky. */
const [leastKelvin, mostKelvin] = [1_700, 15_000]

/**
 * Reads a colour: `#ffb46b` as it is chosen by eye, `duty 255 120 0 40` as linear bytes of red, green, blue and white, or `2700 K` as a
 * white of that temperature.
 *
 * @returns `undefined` for anything else
 */
export function readColour(text: string): Light | undefined {
  const eye = byEye.exec(text)
  if (eye !== null) {
    const [r = 0, g = 0, b = 0] = eye.slice(1).map((hex) => linear(Number.parseInt(hex, 16) / 255))
    return [r, g, b, 0]
  }
  const duty = byNumber.exec(text)
  if (duty !== null) {
    const bytes = duty.slice(1).map((byte: string | undefined) => Number(byte ?? 0))
    if (bytes.some((byte) => byte > 255)) return undefined
    const [r = 0, g = 0, b = 0, w = 0] = bytes.map((byte) => byte * 257)
    return [r, g, b, w]
  }
  const kelvin = Number(byWarmth.exec(text)?.[1])
  return kelvin >= leastKelvin && kelvin <= mostKelvin ? whiteOf(kelvin) : undefined
}

/**
 * Linear light of a white, its strongest colour at full: the cubic approximation of the Planckian locus in CIE 1931 x, y, which holds from
 * 1667 to 25000 K, through the matrix of sRGB's primaries (IEC 61966-2-1).
 */
export function whiteOf(kelvin: number): Light {
  const t = 1000 / kelvin
  const x =
    kelvin <= 4000
      ? -0.2661239 * t ** 3 - 0.234358 * t ** 2 + 0.8776956 * t + 0.17991
      : -3.0258469 * t ** 3 + 2.1070379 * t ** 2 + 0.2226347 * t + 0.24039
  const y =
    kelvin <= 2222
      ? -1.1063814 * x ** 3 - 1.3481102 * x ** 2 + 2.18555832 * x - 0.20219683
      : kelvin <= 4000
        ? -0.9549476 * x ** 3 - 1.37418593 * x ** 2 + 2.09137015 * x - 0.16748867
        : 3.081758 * x ** 3 - 5.8733867 * x ** 2 + 3.75112997 * x - 0.37001483
  const [bigX, bigZ] = [x / y, (1 - x - y) / y]
  const rgb = [
    3.2406 * bigX - 1.5372 - 0.4986 * bigZ,
    -0.9689 * bigX + 1.8758 + 0.0415 * bigZ,
    0.0557 * bigX - 0.204 + 1.057 * bigZ,
  ].map((one) => Math.max(0, one))
  const most = Math.max(...rgb)
  const [r = 0, g = 0, b = 0] = rgb.map((one) => Math.round((one / most) * full))
  return [r, g, b, 0]
}

/**
 * The colour that lights of these colours make together: linear light adds up, and the strongest of red, green and blue is shown at full.
 *
 * @param colours as they are seen one by one, `#rrggbb`
 * @param levels of each, 0–1 of its linear light
 */
export function mixedColour(colours: readonly string[], levels: readonly number[]): string {
  const sum = [0, 0, 0]
  for (const [index, colour] of colours.entries())
    for (const [channel, light] of (readColour(colour) ?? []).slice(0, 3).entries())
      sum[channel] = (sum[channel] ?? 0) + light * (levels[index] ?? 0)
  const most = Math.max(...sum)
  const [r = 0, g = 0, b = 0] = sum.map((one) => (most > 0 ? (one / most) * full : 0))
  return screenColour([r, g, b, 0])
}

/** Linear light as the screen shows it, `#rrggbb`; white is added to the three colours. */
export function screenColour([red, green, blue, white]: Light): string {
  const byte = (one: number): string =>
    Math.round(255 * (Math.min(full, one + white) / full) ** (1 / 2.2))
      .toString(16)
      .padStart(2, '0')
  return `#${byte(red)}${byte(green)}${byte(blue)}`
}
