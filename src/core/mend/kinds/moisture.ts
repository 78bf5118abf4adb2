import { loadsPerGroup } from '../../load/group-draw'
import type { FaultKind } from '../fault'
import { powerOff } from './at-contact'

/** How often damp gets in, by where a run is. *Typical.* */
const weights = { dry: 0.05, damp: 1, outdoors: 3 } as const

/** Water in a run: it flickers when it has been wet. */
export const moisture: FaultKind = {
  name: 'moisture',
  title: 'Moisture',
  find: ({ cutRuns }) =>
    cutRuns.flatMap(({ run, strip, groups }) => {
      const damp = run.line.mount?.damp ?? 'dry'
      return groups === 0
        ? []
        : [
            {
              key: run.id,
              where: run.name,
              about: [run.id],
              weight: weights[damp],
              ...(damp !== 'dry' && {
                reasons: [`it is mounted ${damp === 'damp' ? 'in the damp' : 'outdoors'}`],
              }),
              does: {
                light: [
                  {
                    run: run.id,
                    from: 0,
                    count: groups * loadsPerGroup(strip),
                    state: 'flicker' as const,
                  },
                ],
                when: 'random' as const,
              },
              shownBy: [
                {
                  kind: 'look' as const,
                  at: `wet ${run.id}`,
                  where: `drops and green copper along ${run.name}`,
                },
              ],
            },
          ]
    }),
  mend: {
    steps: [
      'Let it dry for a day, clean green copper with alcohol, and replace what is eaten.',
      'Seal ends and joints with neutral silicone.',
    ],
    cautions: [powerOff, 'Never power it while it is wet.'],
    proof: 'Steady a week later, after rain.',
    minutes: 30,
  },
}
