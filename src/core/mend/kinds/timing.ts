import type { FaultKind } from '../fault'
import { laneStart, onLanes } from './lanes-of'

/** The board is disturbed while it sends: by radio, by sound, by other work. */
export const timing: FaultKind = {
  name: 'timing',
  title: 'Board disturbs the timing',
  find: (given) => {
    const quirk = given.fit?.board.quirk
    return onLanes(given, 'flicker', (lane) => ({
      where: laneStart(lane),
      weight: quirk === undefined ? 0.6 : 10,
      ...(quirk !== undefined && { reasons: [`noted of the board: ${quirk}`] }),
      does: { when: 'random' },
      shownBy: [
        { kind: 'other-board', at: 'board', where: 'the board' },
        { kind: 'plain-program', at: lane.id, where: lane.name },
      ],
    }))
  },
  mend: {
    steps: [
      'Switch radio off in the program while data is sent, or use the board’s own output hardware.',
      'If it goes on, take a board of another kind.',
    ],
    cautions: [],
    proof: 'Steady for an hour with radio and sensors in use.',
    minutes: 20,
  },
}
