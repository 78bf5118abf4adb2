import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'
import { laneStart, onLanes } from './lanes-of'

/** The minus of the board is not joined to the strip's: data has no way back. */
export const noCommon: FaultKind = {
  name: 'no-common',
  title: 'No common minus',
  find: (given) => {
    const { boardFrom } = given.plan.signal
    const isJoined = boardFrom !== 'usb' || given.plan.rules.joinsMinus
    return onLanes(given, 'flicker', (lane) => ({
      where: laneStart(lane),
      weight: boardFrom !== 'usb' ? 0.2 : isJoined ? 1.5 : 40,
      ...(!isJoined && { reasons: ['the plan does not join the board’s minus to the strip’s'] }),
      does: { when: 'random' },
      shownBy: [
        { kind: 'join-minus', at: 'board', where: 'the board’s minus and the strip’s minus' },
      ],
    }))
  },
  mend: {
    steps: ['Run a wire from the board’s minus to the minus of the strip’s supply.'],
    cautions: solderCautions,
    proof: 'The pattern is steady with that wire and wrong without it.',
    minutes: 5,
  },
}
