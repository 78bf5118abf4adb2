import type { FaultKind } from '../fault'
import { atContact, openEffect, powerOff } from './at-contact'

/** A fuse that has blown, or a holder that does not touch. */
export const fuseOpen: FaultKind = {
  name: 'fuse-open',
  title: 'Fuse or holder open',
  find: (_given, contacts) =>
    contacts.flatMap((contact) =>
      contact.isFuse && contact.links.length > 0
        ? [
            atContact(contact, {
              where: `fuse ${contact.where}`,
              weight: 1.5,
              does: openEffect(contact),
              shownBy: [
                {
                  kind: 'ohm',
                  at: `fuse ${contact.joint ?? ''}`,
                  where: `the fuse ${contact.where}`,
                },
                {
                  kind: 'ohm',
                  at: `${contact.span} ${contact.role}`,
                  where: `${contact.wire ?? ''} ${contact.role} from end to end, its joints too`,
                },
                {
                  kind: 'clip-lead',
                  at: contact.span,
                  where: `${contact.wire ?? ''} ${contact.role}`,
                },
              ],
            }),
          ]
        : [],
    ),
  mend: {
    steps: [
      'Look for what blew it first: plus to minus below 10 Ω is a short.',
      'Put in a fuse of the same size, never a larger one.',
    ],
    cautions: [powerOff, 'A fuse that blows again points to a short: stop and find it.'],
    proof: 'It holds for ten minutes at full white.',
    minutes: 3,
  },
}
