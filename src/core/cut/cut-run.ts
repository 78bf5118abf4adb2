import type { Rounding } from '../plan/choices'
import { roundDown, roundUp } from '../quantity/round'

export interface CutRunGiven {
  readonly lengthMm: number
  readonly cutPitchMm: number
  /** Pixels between two cut marks; 0 for a plain strip. */
  readonly pixelsPerCut: number
  readonly fit: Rounding
  /** Kept free at each end, mm. */
  readonly endAllowanceMm: number
}

export interface CutRun {
  /** Whole cut groups. */
  readonly groups: number
  readonly placedMm: number
  /** What stays dark; negative where the strip hangs over. */
  readonly gapMm: number
  readonly pixels: number
}

const roundBy: Readonly<Record<Rounding, (groups: number) => number>> = {
  inside: roundDown,
  nearest: (groups) => roundDown(groups + 0.5),
  cover: roundUp,
}

/**
 * How much strip lies in a straight part, cut only at marks (handbook 3, cut-run).
 *
 * @example cutRun({ lengthMm: 471.2, cutPitchMm: 25, pixelsPerCut: 1, fit: 'nearest', endAllowanceMm: 0 }).groups // 19
 */
export function cutRun({
  lengthMm,
  cutPitchMm,
  pixelsPerCut,
  fit,
  endAllowanceMm,
}: CutRunGiven): CutRun {
  const fitting = (lengthMm - 2 * endAllowanceMm) / cutPitchMm
  const groups = Math.max(0, roundBy[fit](fitting))
  const placedMm = groups * cutPitchMm
  return { groups, placedMm, gapMm: lengthMm - placedMm, pixels: groups * pixelsPerCut }
}
