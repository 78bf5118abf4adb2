import type { FaultKind } from '../fault'
import { isOnRail, openAt, powerOff, solderCautions } from './at-contact'

/** A minus that is open at a joint, or broken in its wire: current then looks for a way back through the data wire. */
export const openMinus: FaultKind = {
  name: 'open-minus',
  title: 'Open minus',
  find: (_given, contacts) => openAt(contacts, (contact) => isOnRail(contact, 'minus')),
  mend: {
    steps: [
      'Take the data wire off the board until this is mended: the current returns through it.',
      'Clean pad and wire end, add flux, and make the joint anew; at a screw bare fresh copper and tighten it again.',
      'If both joints are sound, replace the wire. Minus first, then plus, data last.',
    ],
    cautions: [powerOff, ...solderCautions.slice(1)],
    proof: 'Below 0.2 Ω from end to end, then power on: everything behind it lights.',
    minutes: 6,
  },
}
