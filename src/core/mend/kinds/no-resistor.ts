import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { laneStart, onLanes } from './lanes-of'

/** The resistor in the data wire is missing: the data rings. */
export const noResistor: FaultKind = {
  name: 'no-resistor',
  title: 'No resistor in the data wire',
  find: (given) => {
    const isPlanned = given.plan.signal.resistorOhm !== null
    return onLanes(given, 'flicker', (lane) => ({
      where: laneStart(lane),
      weight: isPlanned ? 0.4 : 2,
      ...(!isPlanned && { reasons: ['the plan has none'] }),
      does: { when: 'random' },
      shownBy: [
        {
          kind: 'look',
          at: `resistor ${lane.id}`,
          where: `the resistor in the data wire of ${lane.name}`,
        },
      ],
    }))
  },
  mend: {
    steps: ['Solder 220 to 470 Ω into the data wire, close to the first pixel.'],
    cautions: solderCautions,
    proof: 'Steady for ten minutes with the fastest pattern.',
    minutes: 4,
  },
}
