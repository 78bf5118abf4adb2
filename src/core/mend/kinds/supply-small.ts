import { significant } from '../../quantity/format'
import type { FaultKind } from '../fault'
import { fallenTo, onSupplies, useOf } from './on-supplies'

/** An overloaded supply gives so much of its volts. *Typical.* */
const sagShare = 0.8

/** The supply is too small for full white: its volts give way when bright. */
export const supplySmall: FaultKind = {
  name: 'supply-small',
  title: 'Supply too small',
  find: (given) =>
    onSupplies(given, (supply) => {
      const use = useOf(supply)
      return {
        weight: use > 1 ? 12 : use > 0.85 ? 3 : 0.15,
        reasons: [`the plan asks it for ${significant(use * 100)} % of its rating at full white`],
        does: {
          feed: fallenTo(supply, sagShare),
          when: 'bright',
        },
      }
    }),
  mend: {
    steps: ['Limit the brightness in the program, or take the next size of supply (Feed page).'],
    cautions: ['A certified, enclosed supply. Its mains side is never opened.'],
    proof: 'At full white its volts stay within 5 %.',
    minutes: 5,
  },
}
