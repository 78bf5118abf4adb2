import type { FaultKind } from '../fault'
import { openAt, solderCautions } from './at-contact'

/** A wire to a switch, or the leg of a single light, that is open. */
export const openSignal: FaultKind = {
  name: 'open-signal',
  title: 'Open wire or leg',
  find: (_given, contacts) =>
    openAt(
      contacts,
      ({ role, links }) =>
        role !== 'data' && role !== 'clock' && links.some(({ kind }) => kind === 'light'),
    ),
  mend: {
    steps: [
      'Bend the leg or wire lightly: light that comes and goes shows the place.',
      'Make the joint anew, with its sleeve on before.',
    ],
    cautions: solderCautions,
    proof: 'The light stays on while the wire is moved.',
    minutes: 5,
  },
}
