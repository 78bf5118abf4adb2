import type { FaultKind } from '../fault'
import { openAt, solderCautions } from './at-contact'

/** Data or clock that does not come through: everything behind it stays dark. */
export const openData: FaultKind = {
  name: 'open-data',
  title: 'Open data',
  find: (_given, contacts) => openAt(contacts, ({ role }) => role === 'data' || role === 'clock'),
  mend: {
    steps: [
      'Find the last pixel that is right: the joint behind it is the first to look at.',
      'Clean pad and wire end, add flux, and make the joint anew.',
      'If both joints are sound, replace the wire.',
    ],
    cautions: solderCautions,
    proof: 'Power on: the pixels behind it follow the program.',
    minutes: 5,
  },
}
