import type { FaultKind } from '../fault'
import { isOnRail, openAt, solderCautions } from './at-contact'

/** A plus that is open at a joint, or broken in its wire. */
export const openPlus: FaultKind = {
  name: 'open-plus',
  title: 'Open plus',
  find: (_given, contacts) => openAt(contacts, (contact) => isOnRail(contact, 'plus')),
  mend: {
    steps: [
      'Pull gently at the plus wire: one that comes off was never joined.',
      'Clean pad and wire end, add flux, and make the joint anew; at a screw bare fresh copper and tighten it again.',
      'If both joints are sound, replace the wire.',
    ],
    cautions: solderCautions,
    proof: 'Below 0.2 Ω from end to end, then power on: everything behind it lights.',
    minutes: 6,
  },
}
