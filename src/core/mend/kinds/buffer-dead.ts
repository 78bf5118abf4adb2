import { blockId } from '../../route/harness'
import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { laneStart, onLanes } from './lanes-of'

/** The buffer has no power, or its enable floats. */
export const bufferDead: FaultKind = {
  name: 'buffer-dead',
  title: 'Buffer without power or enable',
  find: (given) =>
    given.wiring.blocks.some(({ id }) => id === blockId.buffer)
      ? onLanes(given, 'dark', (lane) => ({
          where: `buffer of ${laneStart(lane)}`,
          weight: 1.2,
          shownBy: [
            {
              kind: 'data-volts',
              at: `buffer ${lane.id}`,
              where: `the buffer’s output for ${lane.name}`,
            },
            { kind: 'look', at: 'buffer', where: 'the buffer’s power and enable pins' },
          ],
        }))
      : [],
  mend: {
    steps: [
      'Measure 5 V at the buffer’s plus.',
      'Join each enable that is used to minus, as the buffer’s sheet says; unused inputs too.',
    ],
    cautions: solderCautions,
    proof: 'The volts at its output move with the pattern.',
    minutes: 5,
  },
}
