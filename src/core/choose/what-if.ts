import { largest } from '../quantity/extremes'
import { entryOf } from '../cut/entry-of'
import { cutFromReels } from '../cut/reels'
import { worked } from '../worked'
import { measure } from '../measure/measure'
import { withDimension } from '../measure/rewrite'
import { partsOf } from '../parts/find'
import { stripOf } from '../parts/find-strips'
import type { Plan } from '../plan/plan'

/** What a plan comes to if one measure were another. */
export interface WhatIf {
  /** The measure, mm. */
  readonly value: number
  readonly pieces: number
  readonly reels: number
  readonly leftoverMm: number
  readonly pixels: number
  readonly peakA: number
  /** Of the reels and the joins that save some. */
  readonly price: number
  /** Dark ends of this run, mm in all; negative where it hangs over. */
  readonly gapMm: number
  /** Every piece of the run ends at its mark. */
  readonly isOnMarks: boolean
  /** … and is as long as whole lengths between factory splices. */
  readonly isOnSplices: boolean
  /** Reels are used up to the last group. */
  readonly isWholeReels: boolean
}

/** Off a mark by less than this is on it, mm. */
const hairMm = 0.5

/** Packing is done many times over: quickly. */
const quick = { mostNodes: 400, mostSets: 60, mostPieces: 60 }

/** Works the plan out for each of some values of one measure of one line; values that the line cannot be written with are left out. */
export function whatIf(
  plan: Plan,
  lineId: string,
  dimension: number,
  values: readonly number[],
): WhatIf[] {
  const line = plan.lines.find(({ id }) => id === lineId)
  const before = measure(plan).runs.find(({ id }) => id === lineId)
  const { dimensions = [] } = before ?? {}
  if (line === undefined || dimensions[dimension] === undefined) return []
  return values.flatMap((value): WhatIf[] => {
    const text = withDimension(line.text, dimensions, dimension, Math.round(value * 100) / 100)
    const changed = {
      ...plan,
      lines: plan.lines.map((one) => (one === line ? { ...line, text } : one)),
    }
    const { cutRuns, loads } = worked(changed)
    const own = entryOf(cutRuns, lineId)
    if (own === undefined) return []
    const strips = cutFromReels(cutRuns, plan.offcuts, { ...plan.rules, ...plan.buy }, quick)
    const bins = strips.flatMap(({ reels }) => reels)
    const leftoverMm = bins.reduce((sum, reel) => sum + reel.leftoverMm, 0)
    const { spliceMm } = own.strip
    const gaps = own.parts.map(({ usableMm, groups }) => usableMm - groups * own.strip.cutPitchMm)
    const isOnMarks = own.groups > 0 && gaps.every((gap) => Math.abs(gap) < hairMm)
    return [
      {
        value,
        pieces: cutRuns.reduce(
          (sum, { pieces }) => sum + pieces.filter((p) => p.groups > 0).length,
          0,
        ),
        reels: bins.filter(({ kind }) => kind === 'reel').length,
        leftoverMm,
        pixels: cutRuns.reduce((sum, { pixels }) => sum + pixels, 0),
        peakA: loads.reduce((sum, { currentA }) => sum + currentA['full-white'], 0),
        price: strips.reduce((sum, { price }) => sum + price, 0),
        gapMm: gaps.reduce((sum, gap) => sum + gap, 0),
        isOnMarks,
        isOnSplices:
          isOnMarks &&
          own.pieces.every(({ placedMm }) => {
            const rest = placedMm % spliceMm
            return Math.min(rest, spliceMm - rest) < hairMm
          }),
        isWholeReels: bins.length > 0 && leftoverMm < own.strip.cutPitchMm,
      },
    ]
  })
}

/**
 * Values of a measure that are worth a look: round ones around the present, and those that bring its parts onto cut marks and factory
 * splices.
 */
export function valuesAround(plan: Plan, lineId: string, dimension: number): number[] {
  const run = measure(plan).runs.find(({ id }) => id === lineId)
  const now = run?.dimensions[dimension]?.value
  if (run === undefined || now === undefined) return []
  const { cutPitchMm, spliceMm } = stripOf(
    partsOf(plan.own),
    run.line.stripId ?? plan.defaults.stripId,
  )
  const [low, high] = [now * 0.5, now * 1.5]
  const step = [1, 2, 5, 10, 20, 50, 100, 200].find((mm) => (high - low) / mm <= 40) ?? 500
  const values = new Set([Math.round(now * 100) / 100])
  for (let at = Math.ceil(low / step) * step; at <= high; at += step) values.add(at)
  // A part grows in proportion to what sets it: a ring's length is π times its diameter.
  const own = run.segments.filter((segment) => segment.dimension === dimension)
  const longest = largest(
    own.map(({ lengthMm }) => lengthMm),
    0,
  )
  const [pitch, splice] = [cutPitchMm, spliceMm].map((mm) => (mm * now) / Math.max(longest, 1e-9))
  for (const each of [pitch, splice]) {
    if (each === undefined || longest === 0) continue
    const every = Math.max(1, Math.ceil((high - low) / each / 24))
    const first = Math.max(1, Math.ceil(low / each))
    for (let count = first; count * each <= high; count += every)
      values.add(Math.round(count * each * 100) / 100)
  }
  return [...values].filter((value) => value > 0).toSorted((a, b) => a - b)
}
