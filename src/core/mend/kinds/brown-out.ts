import type { FaultKind } from '../fault'
import { onLanes } from './lanes-of'

/** The board's volts give way when much lights at once: it starts anew, again and again. */
export const brownOut: FaultKind = {
  name: 'brown-out',
  title: 'Board browns out when bright',
  find: (given) => {
    const supply = given.supplies.find(({ boardA }) => boardA > 0)
    if (supply === undefined) return []
    const use = supply.ratedA === null ? 0 : supply.currentA['full-white'] / supply.ratedA
    return onLanes(given, 'frozen', (lane) => ({
      where: `the board, ${lane.name}`,
      weight: use > 0.95 ? 5 : given.plan.signal.boardFrom === 'strip' ? 1.5 : 0.4,
      does: { when: 'bright' },
      shownBy: [{ kind: 'instead', at: 'board', where: 'the board on a supply of its own' }],
    }))
  },
  mend: {
    steps: [
      'Feed the board from the supply’s own screws, not from the strip’s far end.',
      'Put a capacitor of 470 to 1000 µF at the board; limit the brightness.',
    ],
    cautions: ['A capacitor’s stripe goes to minus.'],
    proof: 'Full white ten times from dark without a restart.',
    minutes: 8,
  },
}
