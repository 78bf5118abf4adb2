import { mounted } from '../parts/mounted'
import { formatLength, plural } from '../quantity/format'
import { mountEdit, type Judge, type Verdict } from './verdict'

/** A cut beside its mark. */
export const offMark: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap(({ run, strip, pieces }) =>
    pieces
      .filter(({ offMm }) => offMm > 0)
      .map((piece): Verdict => {
        const dark =
          strip.light.kind === 'pixels'
            ? plural(strip.light.perCut, 'pixel')
            : plural(
                Math.max(1, Math.round((strip.light.ledsPerM * strip.cutPitchMm) / 1000)),
                'LED',
              )
        return {
          id: `off-mark.${run.id}.${String(piece.part)}`,
          code: 'off-mark',
          grade: 'stop',
          about: [run.id],
          text: `${piece.name}: cut ${formatLength(piece.offMm, plan.units)} past its mark; the group there, ${dark}, goes dark`,
          why: 'Between two marks the copper of a group is one circuit; cut through, it does not light.',
          remedies: [
            {
              label: 'back to the mark',
              commands: [
                {
                  do: 'set-lines',
                  lines: [run.id],
                  set: {
                    cutting: run.line.cutting?.map((hand) =>
                      hand.part === piece.part ? { ...hand, offMm: 0 } : hand,
                    ),
                  },
                },
              ],
            },
          ],
        }
      }),
  )

/** Factory splices within pieces that can be seen. */
export const spliceShows: Judge = ({ plan, cutRuns, reels }) =>
  reels.flatMap(({ strip, reels: bins }) => {
    const inSight = new Map(
      cutRuns
        .filter((entry) => {
          const { cover, facing } = mounted(plan.own, entry.run.line.mount)
          return (
            entry.strip === strip && facing === 'room' && (cover === 'none' || cover === 'clear')
          )
        })
        .map(({ run }) => [run.id, run]),
    )
    return [...inSight.values()].flatMap((run): Verdict[] => {
      const splices = bins
        .flatMap((bin) => bin.cuts)
        .filter(({ runId }) => runId === run.id)
        .flatMap(({ piece, splicesMm }) => splicesMm.map((mm) => ({ piece, mm })))
      const [first] = splices
      if (first === undefined) return []
      return [
        {
          id: `splice-shows.${run.id}`,
          code: 'splice-shows',
          grade: 'note',
          about: [run.id],
          text: `${run.name}: ${plural(splices.length, 'factory splice')} in sight, the first ${formatLength(first.mm, plan.units)} into ${first.piece}`,
          why: 'A soldered seam is thicker, stiffer and lies unevenly; it shows in a bare line.',
          remedies: [
            { label: 'cover it, opal', commands: [mountEdit(run.line, { cover: 'opal' })] },
          ],
        },
      ]
    })
  })
