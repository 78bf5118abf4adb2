import type { FaultKind } from '../fault'
import { onAllOf, onSupplies } from './on-supplies'

/** A linear regulator that gets too hot switches itself off after a while. */
export const regulatorHot: FaultKind = {
  name: 'regulator-hot',
  title: 'Regulator too hot',
  find: (given) =>
    onSupplies(given, (supply) =>
      supply.part?.regulator === undefined
        ? undefined
        : {
            weight: supply.grade === 'short' ? 10 : 1,
            does: { light: onAllOf(supply, given, 'dark') ?? [], when: 'warm' },
          },
    ),
  mend: {
    steps: ['Limit the brightness, or feed the strip past the regulator from its own supply.'],
    cautions: ['It may be hotter than 60 °C: do not touch it.'],
    proof: 'An hour at the brightest pattern without going out.',
    minutes: 10,
  },
}
