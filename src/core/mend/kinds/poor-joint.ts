import type { FaultKind } from '../fault'
import { atContact, contactKey, poorEffect, solderCautions, weightOf } from './at-contact'

/** A cold joint or a screw that is loose has so many ohms (handbook 13: 0.2 to 2). */
const poorOhms = [0.25, 0.5, 1, 2] as const

/** A joint that conducts badly: dim and warm when bright. */
export const poorJoint: FaultKind = {
  name: 'poor-joint',
  title: 'Poor joint',
  find: (_given, contacts) =>
    contacts
      .filter(({ joint, isFuse }) => joint !== undefined && !isFuse)
      .flatMap((contact) =>
        poorOhms.flatMap((ohm) => {
          const does = poorEffect(contact.links, ohm)
          return does === undefined
            ? []
            : [
                atContact(contact, {
                  key: `${contactKey(contact)}|${String(ohm)}`,
                  where: `${contact.where}, about ${String(ohm)} Ω`,
                  cause: `poor ${contact.span} ${contact.role}`,
                  weight: weightOf[contact.how] * 0.2,
                  does,
                }),
              ]
        }),
      ),
  mend: {
    steps: [
      'Feel beside the joint with power on for a moment: a poor one is warm.',
      'Melt it anew with flux and fresh solder until it flows on pad and wire; tighten a screw on fresh copper.',
    ],
    cautions: [
      ...solderCautions,
      'A poor joint at high current gets hot: do not leave it powered.',
    ],
    proof: 'At full white the volts across the joint are below 0.05 V.',
    minutes: 5,
  },
}
