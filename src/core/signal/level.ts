/** Share of a pixel's supply that its data must reach (handbook 3, logic-level). */
const usualRatio = 0.7

/** Margin from which a level is good, V. */
export const goodMarginV = 0.3

export type LevelGrade = 'fail' | 'marginal' | 'good'

/** fail < 0 ≤ marginal < 0.3 V ≤ good (handbook 3, logic-level). */
export const levelGrade = (marginV: number): LevelGrade =>
  marginV < 0 ? 'fail' : marginV < goodMarginV ? 'marginal' : 'good'

export interface LogicLevel {
  readonly thresholdV: number
  readonly marginV: number
  readonly verdict: LevelGrade
}

/** Whether a high of the board is one for a pixel, V (handbook 3, logic-level). */
export function logicLevel({
  boardHighV,
  pixelSupplyV,
  ratio = usualRatio,
  groundRiseV = 0,
}: {
  readonly boardHighV: number
  readonly pixelSupplyV: number
  readonly ratio?: number
  /** The first pixel's minus above the board's. */
  readonly groundRiseV?: number
}): LogicLevel {
  const thresholdV = ratio * pixelSupplyV
  const marginV = boardHighV - groundRiseV - thresholdV
  return { thresholdV, marginV, verdict: levelGrade(marginV) }
}

/** Both hops of a lane with a diode in its first pixel's plus, V (handbook 3, first-pixel-diode). */
export function firstPixelDiode({
  boardHighV,
  pixelSupplyV,
  ratio = usualRatio,
  diodeV,
  firstPixelMa,
  diodeLimitMa,
}: {
  readonly boardHighV: number
  readonly pixelSupplyV: number
  readonly ratio?: number
  readonly diodeV: number
  readonly firstPixelMa: number
  readonly diodeLimitMa: number
}): {
  readonly firstSupplyV: number
  readonly firstThresholdV: number
  readonly firstMarginV: number
  readonly nextMarginV: number
  readonly diodeOk: boolean
} {
  const firstSupplyV = pixelSupplyV - diodeV
  const firstThresholdV = ratio * firstSupplyV
  return {
    firstSupplyV,
    firstThresholdV,
    firstMarginV: boardHighV - firstThresholdV,
    // The first pixel's data out is as high as its supply.
    nextMarginV: firstSupplyV - ratio * pixelSupplyV,
    diodeOk: firstPixelMa <= diodeLimitMa,
  }
}
