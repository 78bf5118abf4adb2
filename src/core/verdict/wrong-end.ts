import { padPlace } from '../cut/pads'
import { squareWay } from '../measure/geometry'
import { placer } from '../measure/layout'
import { formatQuantity } from '../quantity/format'
import type { Judge, Verdict } from './verdict'

/** A lead that much longer than it need be is worth turning the run round, mm. *Typical.* */
const worthMm = 150

/** A run that is placed by hand and whose wire enters at the end that is farther from where it comes from. */
export const wrongEnd: Judge = ({ plan, cuts, leads }) =>
  cuts.flatMap((entry): Verdict[] => {
    const { run } = entry
    const { place, feeds } = run.line
    if (place === undefined) return []
    const own = leads.filter(
      ({ to, lightShare }) => to.kind === 'run' && to.run === run.id && lightShare === undefined,
    )
    const [lead] = own
    if (lead === undefined || own.length > 1 || lead.isMeasured) return []
    if (feeds?.some(({ pad }) => pad !== 0) === true) return []
    const far = padPlace(entry, entry.cuts)
    if (far === undefined) return []
    const otherMm = squareWay(lead.start, placer(run, place)(far.point)) * (1 + plan.rules.slack)
    const longerMm = lead.drawnMm - otherMm
    if (longerMm < worthMm) return []
    return [
      {
        id: `wrong-end.${run.id}`,
        code: 'wrong-end',
        grade: 'warning',
        about: [run.id],
        text: `${run.name}: the wire enters at the far end, ${formatQuantity(longerMm / 1000, 'm', plan.units)} longer`,
        why: 'A longer lead loses volts and shows; the arrows point away from where the wire enters.',
        remedies: [
          {
            label: 'turn it round',
            commands: [
              {
                do: 'set-lines',
                lines: [run.id],
                set: { isTurned: run.line.isTurned === true ? undefined : true },
              },
            ],
          },
        ],
      },
    ]
  })
