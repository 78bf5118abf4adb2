import type { FaultKind } from '../fault'
import { onLanes } from './lanes-of'

/** The program counts too few pixels: what is left out stays dark. */
export const pixelCount: FaultKind = {
  name: 'pixel-count',
  title: 'Too few pixels in the program',
  find: (given) =>
    onLanes(given, 'dark', (lane) => {
      const last = lane.runs.at(-1)
      if (last === undefined) return undefined
      // A run was forgotten, or on a lane of one run the count is short by some.
      const from = lane.runs.length > 1 ? 0 : Math.floor(last.pixels * 0.8)
      return {
        where: lane.name,
        weight: 2,
        does: {
          light: [{ run: last.entry.run.id, from, count: null, state: 'dark' }],
        },
        shownBy: [{ kind: 'plain-program', at: lane.id, where: lane.name }],
      }
    }),
  mend: {
    steps: [
      'Set the number of pixels of this lane as the Signal page has it, skipped ones included.',
    ],
    cautions: [],
    proof: 'The last pixel of the lane lights.',
    minutes: 3,
  },
}
