import { networkName } from '../../feed/plan-network'
import { loadsPerGroup } from '../../load/group-draw'
import { entryOf } from '../../cut/entry-of'
import type { FaultKind } from '../fault'
import { powerOff, solderCautions } from './at-contact'

/** A capacitor the wrong way round conducts, gets hot and may burst, Ω. *Typical.* */
const reversedOhm = 2

export const capacitorReversed: FaultKind = {
  name: 'capacitor-reversed',
  title: 'Capacitor reversed',
  find: ({ wiring, cutRuns }) =>
    wiring.capacitors.flatMap(({ supplyId, at }) => {
      const entry = entryOf(cutRuns, at.run)
      return entry === undefined
        ? []
        : [
            {
              key: supplyId,
              where: `capacitor at ${entry.run.name}`,
              about: [at.run, supplyId],
              joint: `capacitor:${supplyId}`,
              weight: 0.3,
              does: {
                feed: [
                  {
                    kind: 'bridge' as const,
                    at: networkName.pad(at.run, at.pad * loadsPerGroup(entry.strip)),
                    ohm: reversedOhm,
                    forwardV: 0,
                  },
                ],
              },
              shownBy: [
                {
                  kind: 'look' as const,
                  at: `capacitor ${supplyId}`,
                  where: `the stripe of the capacitor at ${entry.run.name}`,
                },
              ],
            },
          ]
    }),
  mend: {
    steps: ['Take it off and throw it away; solder a new one in, stripe to minus.'],
    cautions: [powerOff, 'It can burst: keep your face away.', ...solderCautions.slice(1)],
    proof: 'It stays cold, and the idle current is as the plan says.',
    minutes: 5,
  },
}
