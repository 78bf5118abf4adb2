import type { FaultKind } from '../fault'
import { openEffect, powerOff } from './at-contact'

/** A wire whose strands are broken inside its insulation: it comes and goes as it is moved. */
export const brokenStrand: FaultKind = {
  name: 'broken-strand',
  title: 'Broken strands in a wire',
  find: (_given, contacts) =>
    contacts.flatMap((contact) =>
      contact.how === 'wire' && contact.links.length > 0
        ? [
            {
              key: contact.span,
              where: contact.where,
              about: contact.about,
              weight: 0.25,
              does: { ...openEffect(contact), when: 'random' as const },
              shownBy: [
                {
                  kind: 'wiggle' as const,
                  at: contact.span,
                  where: `${contact.wire ?? ''} ${contact.role}`,
                },
                // All of a place first, then wire by wire.
                {
                  kind: 'wiggle' as const,
                  at: `all ${contact.about.slice(1).join(' ')}`,
                  where: `all the wires of ${contact.place}, one after another,`,
                },
                {
                  kind: 'clip-lead' as const,
                  at: contact.span,
                  where: `${contact.wire ?? ''} ${contact.role}`,
                },
              ],
            },
          ]
        : [],
    ),
  mend: {
    steps: ['Replace the wire; keep it from bending at its joints with a drop of glue or a clip.'],
    cautions: [powerOff],
    proof: 'The light stays steady while the wire is moved along its whole length.',
    minutes: 8,
  },
}
