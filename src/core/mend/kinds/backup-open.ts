import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { laneStart, onLanes } from './lanes-of'

/** The second, back-up data input of a first pixel hangs in the air and picks up what is around it. Chips that make their own volts have one. */
export const backupOpen: FaultKind = {
  name: 'backup-open',
  title: 'Back-up data input left open',
  find: (given) =>
    onLanes(given, 'flicker', (lane) => {
      const light = lane.runs[0]?.entry.strip.light
      if (light?.kind !== 'pixels' || light.chipV === undefined || light.data !== 'one-wire')
        return undefined
      return {
        where: laneStart(lane),
        weight: 2,
        reasons: ['pixels that make their own volts mostly have a back-up data input'],
        does: { when: 'random' },
        shownBy: [
          {
            kind: 'look',
            at: `back-up ${lane.id}`,
            where: `the back-up data pad of the first pixel of ${lane.name}`,
          },
        ],
      }
    }),
  mend: {
    steps: [
      'Find the second data pad, marked B or BI, beside data in of the first pixel.',
      'Join it to minus right there, unless the strip’s own sheet says otherwise.',
      'Between pieces join back-up out to back-up in, as plus, minus and data.',
    ],
    cautions: solderCautions,
    proof: 'Steady for ten minutes with the fastest pattern, and while a hand is near the wire.',
    minutes: 5,
  },
}
