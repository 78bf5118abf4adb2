import type { CutStripRun } from '../cut/cut'
import { isDimmable } from '../load/load'
import type { MeasuredRun } from '../measure/measure'
import { coverLets } from '../parts/covers'
import { mounted } from '../parts/mounted'
import type { Plan } from '../plan/plan'
import { distance, type Point } from '../measure/geometry'

/** What the brightness limit lets a run give, 0–1: what nothing dims is at full. */
export const brightnessOf = (
  { limit }: Pick<Plan, 'limit'>,
  { run, strip }: Pick<CutStripRun, 'run' | 'strip'>,
): number => (isDimmable(strip, run.line) ? limit : 1)

/** What brightness limit and cover let through of a run's light, 0–1. */
export const lightShare = (
  plan: Pick<Plan, 'limit' | 'own'>,
  entry: Pick<CutStripRun, 'run' | 'strip'>,
): number => brightnessOf(plan, entry) * coverLets[mounted(plan.own, entry.run.line.mount).cover]

export interface RunLightGiven {
  readonly segments: MeasuredRun['segments']
  /** What of each segment is lit: from and to, mm along it. */
  readonly litMm: readonly (readonly [fromMm: number, toMm: number])[]
  readonly lumensPerM: number
  /** What cover and brightness let through, 0–1. */
  readonly share: number
  /** Height of the run above the surface, m. */
  readonly heightM: number
}

/** A straight bit of light, m. */
interface Bit {
  readonly from: Point
  readonly to: Point
}

/** Places below which the light is looked for, at most. */
const mostPlaces = 25

/**
 * Lux at the brightest place below a run, every part of it where it is: each straight bit of Φ lm/m gives
 * Φ/π × h² × [x / (2r²(r² + x²)) + atan(x/r) / (2r³)] between its two ends, x along it, r² = h² + d², d m beside it; d = 0 is the sum
 * `bench-light` (handbook 3; light and surface both by the cosine).
 */
export function runLux({ segments, litMm, lumensPerM, share, heightM }: RunLightGiven): number {
  const bits = segments.flatMap(({ points }, index) => litBits(points, litMm[index] ?? [0, 0]))
  const every = Math.max(1, Math.ceil(bits.length / mostPlaces))
  const places = bits
    .filter((_, index) => index % every === 0)
    .map(({ from, to }): Point => [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2])
  const at = (place: Point): number =>
    bits.reduce((sum, bit) => sum + fromBit(bit, place, heightM), 0)
  return ((lumensPerM * share) / Math.PI) * Math.max(0, ...places.map(at))
}

/** The lit stretch of a course, bit by straight bit, m. */
function litBits(
  points: readonly Point[],
  [fromMm, toMm]: readonly [fromMm: number, toMm: number],
): Bit[] {
  const bits: Bit[] = []
  let before = 0
  for (const [index, end] of points.entries()) {
    const start = points[index - 1]
    if (start === undefined) continue
    const length = distance(start, end)
    const [a, b] = [Math.max(fromMm - before, 0), Math.min(toMm - before, length)]
    const along = (mm: number): Point => [
      (start[0] + ((end[0] - start[0]) * mm) / length) / 1000,
      (start[1] + ((end[1] - start[1]) * mm) / length) / 1000,
    ]
    if (b - a > 1e-9) bits.push({ from: along(a), to: along(b) })
    before += length
  }
  return bits
}

function fromBit({ from, to }: Bit, [x, y]: Point, heightM: number): number {
  const length = distance(from, to)
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length]
  const [dx, dy] = [x - from[0], y - from[1]]
  const along = dx * ux + dy * uy
  const aside = dx * uy - dy * ux
  const r2 = heightM ** 2 + aside ** 2
  const r = Math.sqrt(r2)
  const upTo = (m: number): number => m / (2 * r2 * (r2 + m ** 2)) + Math.atan(m / r) / (2 * r2 * r)
  return heightM ** 2 * (upTo(length - along) - upTo(-along))
}
