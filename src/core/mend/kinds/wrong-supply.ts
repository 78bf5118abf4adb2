import type { FaultKind } from '../fault'
import { supplyNode } from './at-contact'
import { onSupplies } from './on-supplies'

/** The wrong one of those that lie about was plugged in: 5 V for 12 V, 12 V for 24 V. Higher ones destroy the strip at once. */
const lowerOf = (volts: number): number | undefined => [24, 12, 5].find((one) => one < volts - 1)

export const wrongSupply: FaultKind = {
  name: 'wrong-supply',
  title: 'Wrong supply',
  find: (given) =>
    onSupplies(given, (supply) => {
      const volts = lowerOf(supply.volts)
      return volts === undefined
        ? undefined
        : {
            weight: 0.6,
            does: { feed: [{ kind: 'volts', supply: supplyNode(supply.slot.id), volts }] },
          }
    }),
  mend: {
    steps: ['Read the label of the supply, and take the one that the plan names.'],
    cautions: ['One with more volts than the strip destroys it at once: check before you plug in.'],
    proof: 'A meter at its plug shows the plan’s volts.',
    minutes: 2,
  },
}
