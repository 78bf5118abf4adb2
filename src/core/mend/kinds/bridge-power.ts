import type { FaultKind } from '../fault'
import { bridgeAt, isOnRail, neighbours, solderCautions } from './at-contact'

/** Solder or a stray strand from plus to minus, Ω. *Typical.* */
const bridgeOhm = 0.05

/** Plus meets minus: the fuse blows or the supply stops. */
export const bridgePower: FaultKind = {
  name: 'bridge-power',
  title: 'Plus bridged to minus',
  find: (_given, contacts) =>
    neighbours(
      contacts,
      (contact) => isOnRail(contact, 'plus'),
      (contact) => isOnRail(contact, 'minus'),
    ).flatMap((pair) =>
      pair.a.at === undefined
        ? []
        : [
            bridgeAt(pair, {
              weight: 0.3,
              does: {
                feed: [{ kind: 'bridge', at: pair.a.at, ohm: bridgeOhm, forwardV: 0 }],
              },
            }),
          ],
    ),
  mend: {
    steps: [
      'Measure plus to minus without power: below 10 Ω is a short.',
      'Part the wires one after another until the short is gone: it is at the last one.',
      'Suck the solder off, clean between the pads, and look through a lens.',
      'Replace the fuse by one of the same size.',
    ],
    cautions: solderCautions,
    proof: 'Above 100 Ω between plus and minus, then power on with the fuse in.',
    minutes: 8,
  },
}
