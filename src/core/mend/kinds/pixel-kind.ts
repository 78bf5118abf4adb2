import type { FaultKind } from '../fault'
import { onLanes } from './lanes-of'

/** The program sends another kind of data than the chip takes: bits, speed or clock. */
export const pixelKind: FaultKind = {
  name: 'pixel-kind',
  title: 'Wrong kind of pixel in the program',
  find: (given) =>
    onLanes(given, 'wrong', (lane) => ({
      where: lane.name,
      weight: 1.2,
      shownBy: [{ kind: 'plain-program', at: lane.id, where: lane.name }],
    })),
  mend: {
    steps: [
      'Set the kind of data and the bits a pixel for this lane, as the Signal page has them.',
    ],
    cautions: [],
    proof: 'One lit pixel is one pixel, in the right colour.',
    minutes: 3,
  },
}
