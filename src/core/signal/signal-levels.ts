import { once } from '../quantity/once'
import { levelsOf, levelWays, type LaneLevel, type LevelWay, type LevelsGiven } from './levels'

/** How well the first pixels understand the board, and what would help. */
export interface Levels {
  /** By the ids of their lanes. */
  readonly levels: ReadonlyMap<string, LaneLevel>
  /** Worked out when they are asked for; none where every level is good, and nothing was done about it. */
  readonly ways: () => readonly LevelWay[]
}

/** Levels of a plan whose feed is solved. */
export function signalLevels(given: LevelsGiven): Levels {
  const { plan, fit, lanes } = given
  if (fit === undefined || lanes.length === 0) return { levels: new Map(), ways: () => [] }
  const levels = levelsOf({ ...given, fit })
  const isGood = [...levels.values()].every(({ grade }) => grade === 'good')
  const isUntouched = plan.signal.fix === 'none' && plan.signal.boardFrom === 'supply'
  return { levels, ways: once(() => (isGood && isUntouched ? [] : levelWays({ ...given, fit }))) }
}
