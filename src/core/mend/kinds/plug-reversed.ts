import { entryOf } from '../../cut/entry-of'
import { isPlugged } from '../../route/plugs'
import type { FaultKind } from '../fault'

/** A splitter's plug that is in the wrong way round: single lights only conduct one way. */
export const plugReversed: FaultKind = {
  name: 'plug-reversed',
  title: 'Splitter’s plug reversed',
  find: ({ lit, leads, cutRuns }) =>
    lit.flatMap((run) => {
      if (!isPlugged(run)) return []
      let before = 0
      const name = entryOf(cutRuns, run.id)?.run.name ?? ''
      return leads.flatMap(({ id, to, lightShare }) => {
        if (lightShare === undefined || to.kind !== 'run' || to.run !== run.id) return []
        const from = before
        const count = Math.round(lightShare * run.lights)
        before += count
        return [
          {
            key: id,
            where: `splitter of ${name}, lights ${String(from + 1)} to ${String(from + count)}`,
            about: [run.id],
            weight: 3,
            does: { light: [{ run: run.id, from, count, state: 'dark' as const }] },
            shownBy: [
              {
                kind: 'instead' as const,
                at: `plug ${id}`,
                where: `the splitter’s plug of ${name} the other way round`,
              },
            ],
          },
        ]
      })
    }),
  mend: {
    steps: ['Pull the plug and put it back the other way round; mark its plus with a dot.'],
    cautions: ['Power off first, and unplug the supply.'],
    proof: 'All lights of that splitter are on.',
    minutes: 1,
  },
}
