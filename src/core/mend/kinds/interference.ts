import type { FaultKind } from '../fault'
import { laneStart, onLanes } from './lanes-of'

/** Something nearby disturbs the data: a motor, a dimmer, a mains lead beside it. */
export const interference: FaultKind = {
  name: 'interference',
  title: 'Interference',
  find: (given) =>
    onLanes(given, 'flicker', (lane) => ({
      where: laneStart(lane),
      weight: 0.4,
      does: { when: 'random' },
      shownBy: [
        {
          kind: 'wait',
          at: 'others off',
          where: 'everything else on the same socket switched off',
        },
      ],
    })),
  mend: {
    steps: [
      'Keep data at least 100 mm from mains leads, motors and dimmers.',
      'Twist the data wire with a minus wire.',
    ],
    cautions: ['Never open or move mains wiring for this: move the low-voltage side.'],
    proof: 'Steady while the other thing is switched on and off.',
    minutes: 10,
  },
}
