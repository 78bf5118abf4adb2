import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { onPieces } from './on-pieces'

/** A piece that was put in the wrong way round: data meets its outputs, and nothing from there on lights. */
export const againstArrow: FaultKind = {
  name: 'against-arrow',
  title: 'Piece against the arrow',
  find: (given) =>
    onPieces(given, ({ run, runName, name, from }) => ({
      where: `${name}, ${runName}`,
      weight: 0.8,
      does: { light: [{ run, from, count: null, state: 'dark' }] },
      shownBy: [
        { kind: 'look', at: `arrow ${name}`, where: `the arrows printed on ${name}` },
        { kind: 'jump-data', at: `far ${run} ${name}`, where: `the other end of ${name}` },
      ],
    })),
  mend: {
    steps: [
      'Turn the piece round so that its arrows point away from the board.',
      'Or feed data at its other end, where the arrows begin.',
    ],
    cautions: solderCautions,
    proof: 'Power on: the piece and all behind it follow the program.',
    minutes: 12,
  },
}
