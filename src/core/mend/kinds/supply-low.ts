import type { FaultKind } from '../fault'
import { fallenTo, onSupplies } from './on-supplies'

/** So much of its volts. *Typical.* */
const lowShare = 0.88

/** A supply that always gives less than it says: its trimmer is turned down, or it ages. */
export const supplyLow: FaultKind = {
  name: 'supply-low',
  title: 'Supply’s volts low',
  find: (given) =>
    onSupplies(given, (supply) => ({
      weight: 0.4,
      does: {
        feed: fallenTo(supply, lowShare),
      },
    })),
  mend: {
    steps: [
      'Measure at its screws without load, then with load.',
      'Turn its trimmer to its volts with a meter; replace one that gives way.',
    ],
    cautions: ['Only the marked trimmer on the low-voltage side. The case stays closed.'],
    proof: 'Its volts are right with and without load.',
    minutes: 4,
  },
}
