import type { FaultKind } from '../fault'
import { bridgeAt, isOnRail, neighbours, solderCautions, touching } from './at-contact'

/** Plus touches data: the data is stuck high, and the first input behind it may be burnt. */
export const bridgePlusData: FaultKind = {
  name: 'bridge-plus-data',
  title: 'Plus bridged to data',
  find: (_given, contacts) =>
    neighbours(
      contacts,
      (contact) => isOnRail(contact, 'plus'),
      ({ role }) => role === 'data',
    ).map((pair) => bridgeAt(pair, { weight: 0.3, does: touching(pair.b, pair.a, 'plus') })),
  mend: {
    steps: [
      'Take the data wire off the board: 5 V on its pin can burn it.',
      'Suck the solder off and clean between the pads.',
      'If it stays dark behind the place, its first pixel’s input is burnt: cut that pixel out.',
    ],
    cautions: solderCautions,
    proof: 'No beep between plus and data; power on: the pixels behind it follow the program.',
    minutes: 8,
  },
}
