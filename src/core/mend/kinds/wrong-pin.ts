import type { FaultKind } from '../fault'
import { onLanes } from './lanes-of'

/** The program drives another pin than the data wire is on. */
export const wrongPin: FaultKind = {
  name: 'wrong-pin',
  title: 'Wrong pin or lane in the program',
  find: (given) =>
    onLanes(given, 'dark', (lane) => ({
      where: lane.name,
      weight: 2,
      shownBy: [{ kind: 'plain-program', at: lane.id, where: lane.name }],
    })),
  mend: {
    steps: ['Set the pin of this lane as the pin map on the Signal page has it.'],
    cautions: [],
    proof: 'The volts at the data wire move with the pattern.',
    minutes: 3,
  },
}
