import { loadsPerGroup } from '../../load/group-draw'
import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'

/** Data in and data out of one pixel meet at a joint: the next pixel shows the same as it. */
export const bridgeInOut: FaultKind = {
  name: 'bridge-in-out',
  title: 'Data in bridged to data out',
  find: ({ lanes }) =>
    lanes.flatMap(({ runs }) =>
      runs.flatMap(({ entry, isAgainstArrow }) => {
        const perGroup = loadsPerGroup(entry.strip)
        const loads = entry.cuts * perGroup
        let before = 0
        return entry.pieces.flatMap(({ name, cuts }) => {
          const first = isAgainstArrow ? loads - (before + cuts) * perGroup : before * perGroup
          before += cuts
          return cuts * perGroup < 2
            ? []
            : [
                {
                  key: `${entry.run.id}|${name}`,
                  where: `first pixel of ${name}, ${entry.run.name}`,
                  about: [entry.run.id, name],
                  weight: 0.15,
                  does: {
                    light: [
                      {
                        run: entry.run.id,
                        from: first + 1,
                        count: 1,
                        state: 'follows' as const,
                      },
                    ],
                  },
                  shownBy: [
                    { kind: 'look' as const, at: name, where: `the first pixel of ${name}` },
                  ],
                },
              ]
        })
      }),
    ),
  mend: {
    steps: ['Look for solder between data in and data out of the pixel, and suck it off.'],
    cautions: solderCautions,
    proof: 'A single lit pixel wanders along without a twin.',
    minutes: 5,
  },
}
