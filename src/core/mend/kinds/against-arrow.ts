import { loadsPerGroup } from '../../load/group-draw'
import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'

/** A piece that was put in the wrong way round: data meets its outputs, and nothing from there on lights. */
export const againstArrow: FaultKind = {
  name: 'against-arrow',
  title: 'Piece against the arrow',
  find: ({ lanes }) =>
    lanes.flatMap(({ runs }) =>
      runs.flatMap(({ entry, isAgainstArrow }) => {
        const perGroup = loadsPerGroup(entry.strip)
        const loads = entry.cuts * perGroup
        let before = 0
        return entry.pieces.flatMap(({ name, cuts }) => {
          const from = isAgainstArrow ? loads - (before + cuts) * perGroup : before * perGroup
          before += cuts
          return cuts === 0
            ? []
            : [
                {
                  key: `${entry.run.id}|${name}`,
                  where: `${name}, ${entry.run.name}`,
                  about: [entry.run.id, name],
                  weight: 0.8,
                  does: {
                    light: [{ run: entry.run.id, from, count: null, state: 'dark' as const }],
                  },
                  shownBy: [
                    {
                      kind: 'look' as const,
                      at: `arrow ${name}`,
                      where: `the arrows printed on ${name}`,
                    },
                    {
                      kind: 'jump-data' as const,
                      at: `far ${entry.run.id} ${name}`,
                      where: `the other end of ${name}`,
                    },
                  ],
                },
              ]
        })
      }),
    ),
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
