import type { FaultKind } from '../fault'
import { bridgeAt, isOnRail, neighbours, solderCautions, touching } from './at-contact'

/** Data touches minus: it is stuck low, and nothing behind it hears the board. */
export const bridgeDataMinus: FaultKind = {
  name: 'bridge-data-minus',
  title: 'Data bridged to minus',
  find: (_given, contacts) =>
    neighbours(
      contacts,
      ({ role }) => role === 'data',
      (contact) => isOnRail(contact, 'minus'),
    ).map((pair) => bridgeAt(pair, { weight: 0.3, does: touching(pair.a, pair.b, 'minus') })),
  mend: {
    steps: ['Suck the solder off and clean between the pads.', 'Look for a stray strand.'],
    cautions: solderCautions,
    proof: 'No beep between data and minus; power on: the pixels behind it follow the program.',
    minutes: 5,
  },
}
