import type { MeasuredRun } from '../measure/measure'
import { stripOf, type Parts } from '../parts/find'
import type { Strip } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { cutRun, type CutRun } from './cut-run'

/** A run with the strip that lies in it. Single lights have no pieces. */
export interface CutStripRun {
  readonly run: MeasuredRun
  readonly strip: Strip
  /** One for each segment: every part is rounded on its own and joined by jumpers. */
  readonly pieces: readonly CutRun[]
  readonly cuts: number
  readonly placedMm: number
  readonly gapMm: number
  readonly pixels: number
}

/** Cuts every run to the marks of its strip by the plan's rounding. */
export function cut(plan: Plan, runs: readonly MeasuredRun[], parts: Parts): CutStripRun[] {
  return runs.map((run) => {
    const strip = stripOf(parts, run.line.stripId ?? plan.defaults.stripId)
    const pieces = run.segments.map(({ lengthMm }) =>
      cutRun({
        lengthMm,
        cutPitchMm: strip.cutPitchMm,
        pixelsPerCut: strip.light.kind === 'pixels' ? strip.light.perCut : 0,
        fit: plan.rules.rounding,
        endAllowanceMm: 0,
      }),
    )
    const sum = (of: (piece: CutRun) => number): number =>
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
