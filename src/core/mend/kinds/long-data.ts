import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onLanes } from './lanes-of'
import { fixed } from '../../quantity/format'

/** Past so much data rings and bends, mm. *Typical.* */
const longMm = 2_000

/** The data wire to a lane is too long for its edges. */
export const longData: FaultKind = {
  name: 'long-data',
  title: 'Data lead too long',
  find: (given) =>
    onLanes(given, 'flicker', (lane) => {
      const mm = lane.runs[0]?.leadMm ?? 0
      return {
        where: `data wire of ${lane.name}`,
        weight: mm > 2 * longMm ? 10 : mm > longMm ? 4 : 0.1,
        ...(mm > longMm && { reasons: [`it is ${fixed(mm / 1000, 1)} m long`] }),
        does: { when: 'random' },
        shownBy: [
          {
            kind: 'instead',
            at: `short ${lane.id}`,
            where: `a short data wire in place of that of ${lane.name}`,
          },
        ],
      }
    }),
  mend: {
    steps: [
      'Bring the board closer to the first pixel, or put a relay pixel half way.',
      'Twist data with a minus wire, and keep it away from mains leads.',
    ],
    cautions: solderCautions,
    proof: 'Steady for ten minutes with the fastest pattern.',
    minutes: 15,
  },
}
