import type { FaultKind } from '../fault'
import { fallenTo, onSupplies } from './on-supplies'

/** Cells that are nearly empty, cold or too small sag when bright: so much of their volts. *Typical.* */
const sagShare = 0.75

export const batterySag: FaultKind = {
  name: 'battery-sag',
  title: 'Battery sags',
  find: (given) =>
    onSupplies(given, (supply) => {
      const use = given.batteries.get(supply.slot.id)
      return supply.part?.battery === undefined
        ? undefined
        : {
            weight: use === undefined ? 2 : 3,
            does: {
              feed: fallenTo(supply, sagShare),
              when: 'bright',
            },
          }
    }),
  mend: {
    steps: ['Charge or change the cells; use larger ones, or limit the brightness.'],
    cautions: ['Protected lithium cells only; never charge them in a sealed box or below 0 °C.'],
    proof: 'With the brightest pattern its volts stay above the cut-off.',
    minutes: 3,
  },
}
