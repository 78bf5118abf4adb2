import { runName } from '../../cut/entry-of'
import type { FaultKind } from '../fault'
import { powerOff, solderCautions } from './at-contact'

/** Plus and minus of a lead the wrong way round: the strip conducts backwards, and may be destroyed. */
export const swappedPower: FaultKind = {
  name: 'swapped-power',
  title: 'Plus and minus swapped',
  find: ({ leads, cutRuns, lit }) =>
    leads.flatMap(({ id, to }, lead) =>
      to.kind === 'run' && !lit.some((run) => run.id === to.run)
        ? [
            {
              key: id,
              where: `lead to ${runName(cutRuns, to.run)}, pad ${String(to.pad)}`,
              about: [to.run],
              weight: 0.3,
              does: { feed: [{ kind: 'swap' as const, lead }] },
              shownBy: [
                {
                  kind: 'look' as const,
                  at: `colours ${id}`,
                  where: `the wire colours at both ends of the lead to ${runName(cutRuns, to.run)}`,
                },
                {
                  kind: 'clip-lead' as const,
                  at: `lead ${id}`,
                  where: `the whole lead to ${runName(cutRuns, to.run)}`,
                },
              ],
            },
          ]
        : [],
    ),
  mend: {
    steps: [
      'Part the lead at once, and change plus and minus over.',
      'Measure plus to minus of the strip: below 10 Ω it is destroyed and has to be replaced.',
      'Replace the fuse by one of the same size.',
    ],
    cautions: [powerOff, ...solderCautions.slice(1)],
    proof: 'Volts at the pads with plus on plus, then the strip lights.',
    minutes: 8,
  },
}
