import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { laneStart, onLanes } from './lanes-of'
import { goodMarginV } from '../../signal/level'
import { significant } from '../../quantity/format'

/** The board's high is too low for the first pixel, or only just enough. */
export const lowLevel: FaultKind = {
  name: 'low-level',
  title: 'Data level too low',
  find: (given) =>
    onLanes(given, 'flicker', (lane) => {
      const level = given.signal.levels.get(lane.id)
      if (level === undefined) return undefined
      const marginV = Math.min(level.marginV, level.darkMarginV)
      const text = `${marginV > 0 ? '+' : ''}${significant(marginV)} V`
      return {
        where: laneStart(lane),
        // The plan's own margin is the best that is known of it.
        weight: marginV < 0 ? 25 + 100 * Math.min(0.5, -marginV) : marginV < goodMarginV ? 8 : 0.05,
        ...(marginV < goodMarginV
          ? { reasons: [`its level has ${text} to spare in the plan`] }
          : { clearedBy: `${text} to spare` }),
        does: { when: 'random' },
        shownBy: [
          {
            kind: 'instead',
            at: `level ${lane.id}`,
            where: `${lane.name} from a board or buffer with 5 V out`,
          },
        ],
      }
    }),
  mend: {
    steps: [
      'Put a level buffer between board and strip, fed from the strip’s plus.',
      'The Signal page compares the other ways.',
    ],
    cautions: solderCautions,
    proof: 'Steady for ten minutes, in the dark and at full white.',
    minutes: 15,
  },
}
