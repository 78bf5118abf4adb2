import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onPieces } from './on-pieces'

/** A piece that static or heat has damaged: it shows wrong colours and hands wrong data on. */
export const damagedStrip: FaultKind = {
  name: 'damaged-strip',
  title: 'Strip damaged by static or heat',
  find: (given) =>
    onPieces(given, ({ run, runName, name, from }) => ({
      where: `${name}, ${runName}`,
      weight: 0.25,
      does: { light: [{ run, from, count: null, state: 'wrong' }] },
      shownBy: [
        {
          kind: 'jump-data',
          at: `past ${run} ${name}`,
          where: `the piece behind ${name}, past it`,
        },
      ],
    })),
  mend: {
    steps: ['Replace the piece; touch earth before you handle the new one.'],
    cautions: solderCautions,
    proof: 'The new piece and all behind it show the right colours.',
    minutes: 20,
  },
}
