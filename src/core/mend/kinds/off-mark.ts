import { loadsPerGroup } from '../../load/group-draw'
import type { FaultKind } from '../fault'
import { solderCautions } from './at-contact'

/** A piece that was cut off its mark: its last group is dark, and on a lane all that hangs behind it. */
export const offMark: FaultKind = {
  name: 'off-mark',
  title: 'Cut off its mark',
  find: ({ cutRuns, lanes }) =>
    cutRuns.flatMap((entry) => {
      const perGroup = loadsPerGroup(entry.strip)
      const loads = entry.groups * perGroup
      const lane = lanes
        .flatMap(({ runs }) => runs)
        .find((run) => run.entry.run.id === entry.run.id)
      let before = 0
      return entry.pieces.flatMap(({ name, groups, offMm }) => {
        const [first, last] = [before * perGroup, (before + groups) * perGroup]
        before += groups
        if (groups === 0) return []
        // The end where the data leaves it.
        const from = lane?.isAgainstArrow === true ? loads - first - perGroup : last - perGroup
        return [
          {
            key: `${entry.run.id}|${name}`,
            where: `end of ${name}, ${entry.run.name}`,
            about: [entry.run.id, name],
            weight: offMm > 0 ? 4 : 0.3,
            ...(offMm > 0 && { reasons: ['the plan cuts it beyond its mark'] }),
            does: {
              light: [
                {
                  run: entry.run.id,
                  from,
                  count: lane === undefined ? perGroup : null,
                  state: 'dark' as const,
                },
              ],
            },
            shownBy: [
              { kind: 'look' as const, at: `cut ${name}`, where: `the cut end of ${name}` },
            ],
          },
        ]
      })
    }),
  mend: {
    steps: [
      'Cut back to the last whole mark, and join the next piece there.',
      'One group fewer: cover the gap with a short piece.',
    ],
    cautions: solderCautions,
    proof: 'The last group of the piece lights, and all behind it.',
    minutes: 10,
  },
}
