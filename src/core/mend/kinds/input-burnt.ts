import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { laneStart, onLanes } from './lanes-of'

/** The first pixel's data input is burnt, mostly by data into an unpowered strip. */
export const inputBurnt: FaultKind = {
  name: 'input-burnt',
  title: 'First data input burnt',
  find: (given) =>
    onLanes(given, 'dark', (lane) => {
      const run = lane.runs[0]?.entry.run
      return run === undefined
        ? undefined
        : {
            where: laneStart(lane),
            weight: 0.8,
            shownBy: [
              {
                kind: 'jump-data',
                at: `${run.id} 1`,
                where: `the data input of the second pixel of ${run.name}`,
              },
            ],
          }
    }),
  mend: {
    steps: [
      'Cut the first pixel out, or lead data past it to the next one.',
      'Count one pixel fewer in the program, or start at the second.',
    ],
    cautions: solderCautions,
    proof: 'The second pixel and all behind it follow the program.',
    minutes: 8,
  },
}
