import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onPieces } from './on-pieces'

/** Data in and data out of one pixel meet at a joint: the next pixel shows the same as it. */
export const bridgeInOut: FaultKind = {
  name: 'bridge-in-out',
  title: 'Data in bridged to data out',
  find: (given) =>
    onPieces(given, ({ run, runName, name, from, pixels }) =>
      pixels < 2
        ? undefined
        : {
            where: `first pixel of ${name}, ${runName}`,
            weight: 0.15,
            does: { light: [{ run, from: from + 1, count: 1, state: 'follows' }] },
            shownBy: [{ kind: 'look', at: name, where: `the first pixel of ${name}` }],
          },
    ),
  mend: {
    steps: ['Look for solder between data in and data out of the pixel, and suck it off.'],
    cautions: solderCautions,
    proof: 'A single lit pixel wanders along without a twin.',
    minutes: 5,
  },
}
