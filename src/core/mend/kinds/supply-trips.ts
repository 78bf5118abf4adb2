import type { FaultKind } from '../fault'
import { onAllOf, onSupplies, useOf } from './on-supplies'

/** A supply that stops at its current limit, again and again. */
export const supplyTrips: FaultKind = {
  name: 'supply-trips',
  title: 'Supply’s current limit trips',
  find: (given) =>
    onSupplies(given, (supply) => {
      const use = useOf(supply)
      return {
        weight: use > 1 ? 8 : use > 0.85 ? 1 : 0.1,
        does: { light: onAllOf(supply, given, 'flicker') ?? [], when: 'bright' },
      }
    }),
  mend: {
    steps: [
      'Start dark and fade in; limit the brightness.',
      'Take the next size of supply, and look for a short if that does not help.',
    ],
    cautions: ['A certified, enclosed supply. Its mains side is never opened.'],
    proof: 'Full white for ten minutes without a blink.',
    minutes: 5,
  },
}
