import type { FaultKind } from '../fault'
import { onLanes } from './lanes-of'

/** The program sends the colours in another order than the chip takes them. */
export const colourOrder: FaultKind = {
  name: 'colour-order',
  title: 'Wrong colour order in the program',
  find: (given) =>
    onLanes(given, 'wrong', (lane) => ({
      where: lane.name,
      weight: 3,
      shownBy: [{ kind: 'plain-program', at: lane.id, where: lane.name }],
    })),
  mend: {
    steps: [
      'Set the order of colours for this lane: light red, green and blue one after another and note what shows.',
    ],
    cautions: [],
    proof: 'Red is red, green is green, blue is blue.',
    minutes: 3,
  },
}
