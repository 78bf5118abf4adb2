import { loadsPerGroup } from '../../load/group-draw'
import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'

/** A piece that static or heat has damaged: it shows wrong colours and hands wrong data on. */
export const damagedStrip: FaultKind = {
  name: 'damaged-strip',
  title: 'Strip damaged by static or heat',
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
                  weight: 0.25,
                  does: {
                    light: [{ run: entry.run.id, from, count: null, state: 'wrong' as const }],
                  },
                  shownBy: [
                    {
                      kind: 'jump-data' as const,
                      at: `past ${entry.run.id} ${name}`,
                      where: `the piece behind ${name}, past it`,
                    },
                  ],
                },
              ]
        })
      }),
    ),
  mend: {
    steps: ['Replace the piece; touch earth before you handle the new one.'],
    cautions: solderCautions,
    proof: 'The new piece and all behind it show the right colours.',
    minutes: 20,
  },
}
