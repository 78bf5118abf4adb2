import type { FaultKind } from '../fault'
import { onAllOf, onSupplies } from './on-supplies'

/** A power bank that switches itself off when little is drawn. */
export const bankAsleep: FaultKind = {
  name: 'bank-asleep',
  title: 'Power bank falls asleep',
  find: (given) =>
    onSupplies(given, (supply) => {
      const sleepsBelowA = supply.part?.bank?.sleepsBelowA
      if (sleepsBelowA === undefined) return undefined
      const isBelow = supply.currentA.idle < sleepsBelowA
      return {
        weight: isBelow ? 12 : 0.2,
        ...(isBelow
          ? { reasons: ['while dark the plan draws less than it stays awake for'] }
          : { clearedBy: 'it draws enough to stay awake' }),
        does: { light: onAllOf(supply, given, 'dark') ?? [], when: 'warm' },
      }
    }),
  mend: {
    steps: ['Keep a few pixels lit, or take a bank with an always-on setting.'],
    cautions: [],
    proof: 'Still on after an hour of the darkest pattern.',
    minutes: 3,
  },
}
