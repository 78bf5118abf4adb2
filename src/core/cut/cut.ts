import { distance, type Point } from '../measure/geometry'
import type { MeasuredRun } from '../measure/measure'
import { stripOf, type Parts } from '../parts/find'
import type { Strip } from '../plan/parts'
import type { GapPlace } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { tagsOf } from '../plan/tags'
import { cutRun, type CutRun } from './cut-run'

/** Strip cut in one length: a part between corners, or several where it is folded on. */
export interface Piece extends CutRun {
  /** As it is written on the strip: A1, A2 … */
  readonly name: string
  readonly lengthMm: number
  /** Where it begins along its part, mm: more than 0 where the gap lies at the near end or is shared. */
  readonly startMm: number
  /** Indices of the run's segments that it lies in, in their order. */
  readonly segments: readonly number[]
}

/** A run with the strip that lies in it. Single lights have no pieces. */
export interface CutStripRun {
  readonly run: MeasuredRun
  readonly strip: Strip
  readonly pieces: readonly Piece[]
  readonly cuts: number
  readonly placedMm: number
  readonly gapMm: number
  readonly pixels: number
}

/** Cuts every run to the marks of its strip by the plan's rules. */
export function cut(plan: Plan, runs: readonly MeasuredRun[], parts: Parts): CutStripRun[] {
  const tags = tagsOf(plan.lines)
  return runs.map((run) => {
    const strip = stripOf(parts, run.line.stripId ?? plan.defaults.stripId)
    const pieces = partsOf(run, plan.rules.corners === 'fold').map((segments, index): Piece => {
      const lengthMm = segments.reduce((all, at) => all + (run.segments[at]?.lengthMm ?? 0), 0)
      const placed = cutRun({
        lengthMm,
        cutPitchMm: strip.cutPitchMm,
        pixelsPerCut: strip.light.kind === 'pixels' ? strip.light.perCut : 0,
        fit: plan.rules.rounding,
        endAllowanceMm: 0,
      })
      return {
        ...placed,
        name: `${tags.get(run.id) ?? ''}${String(index + 1)}`,
        lengthMm,
        startMm: placed.gapMm * gapBefore[plan.rules.gap],
        segments,
      }
    })
    const sum = (of: (piece: Piece) => number): number =>
      pieces.reduce((total, piece) => total + of(piece), 0)
    return {
      run,
      strip,
      pieces,
      cuts: sum((piece) => piece.cuts),
      placedMm: sum((piece) => piece.placedMm),
      gapMm: sum((piece) => piece.gapMm),
      pixels: sum((piece) => piece.pixels),
    }
  })
}

/** Share of the gap that lies before the piece. */
const gapBefore: Readonly<Record<GapPlace, number>> = { far: 0, shared: 0.5, near: 1 }

/** Segments that are cut as one: each on its own, or as far as they follow on from each other. */
function partsOf({ segments }: MeasuredRun, isFolded: boolean): number[][] {
  const parts: number[][] = []
  for (const [index, { points }] of segments.entries()) {
    const before = segments[index - 1]?.points.at(-1)
    const [start] = points
    const follows = before !== undefined && start !== undefined && touch(before, start)
    if (isFolded && follows) parts.at(-1)?.push(index)
    else parts.push([index])
  }
  return parts
}

const touch = (a: Point, b: Point): boolean => distance(a, b) < 1e-6

/** What of each segment is lit: from and to, mm along it; in the order of the run's segments. */
export function litOf({ run, pieces }: CutStripRun): [fromMm: number, toMm: number][] {
  const lit = run.segments.map((): [number, number] => [0, 0])
  for (const { segments, startMm, placedMm } of pieces) {
    let before = 0
    for (const index of segments) {
      const { lengthMm = 0 } = run.segments[index] ?? {}
      const within = (mm: number): number => Math.min(lengthMm, Math.max(0, mm - before))
      lit[index] = [within(startMm), within(startMm + placedMm)]
      before += lengthMm
    }
  }
  return lit
}
