import type { CutStripRun } from '../cut/cut'
import { padPlace } from '../cut/pads'
import { squareWay, type Point } from '../measure/geometry'
import { cutLengthMm } from '../measure/wire-way'
import { placer } from '../measure/layout'
import type { MeasuredRun } from '../measure/measure'
import { profileOf } from '../parts/profiles'
import type { Profile } from '../plan/parts'
import { formatQuantity } from '../quantity/format'
import type { Judge, Verdict } from './verdict'

/** A lead that much longer than it need be is worth turning the run round, mm. *Typical.* */
const worthMm = 150

/**
 * A run that is placed by hand and whose wire enters at the wrong end: at the one whose cap is closed, where it lies in an angled profile, else at the
 * one that is farther from where the wire comes from.
 */
export const wrongEnd: Judge = (given) =>
  given.cutRuns.flatMap((entry): Verdict[] => {
    const { place } = entry.run.line
    if (place === undefined || entry.groups === 0) return []
    const far = padPlace(entry, entry.groups)
    const near = padPlace(entry, 0)
    if (far === undefined || near === undefined) return []
    const put = placer(entry.run, place)
    const [start, end] = [put(near.point), put(far.point)]
    const profile = profileOf(given.plan.own, entry.run.line.mount?.profile)
    return profile?.wireEnd === undefined
      ? fartherEnd(given, entry, end)
      : closedEnd(entry, profile, [start, end])
  })

/** Enters where the angled profile has its closed cap. Of a run that stands upright left and right cannot be told. */
function closedEnd(
  { run }: CutStripRun,
  { name, wireEnd }: Profile,
  [start, end]: readonly [Point, Point],
): Verdict[] {
  const across = end[0] - start[0]
  if (Math.abs(across) <= Math.abs(end[1] - start[1])) return []
  const entersAt = across > 0 ? 'left' : 'right'
  if (entersAt === wireEnd) return []
  return [
    {
      ...turnRound(run),
      text: `${run.name}: the wire enters at the ${entersAt}, and the ${name} lets it in at the ${wireEnd ?? ''}`,
      why: 'An angled profile lights one way only: turned round it would face the wrong way, so its end caps decide where the wire comes in.',
    },
  ]
}

function fartherEnd(
  { plan, leads }: Parameters<Judge>[0],
  { run }: CutStripRun,
  end: Point,
): Verdict[] {
  const own = leads.filter(
    ({ to, lightShare }) => to.kind === 'run' && to.run === run.id && lightShare === undefined,
  )
  const [lead] = own
  if (lead === undefined || own.length > 1 || lead.isMeasured) return []
  if (run.line.feeds?.some(({ pad }) => pad !== 0) === true) return []
  const otherMm = cutLengthMm(plan, squareWay(lead.start, end), lead.spareMm)
  const longerMm = lead.drawnMm - otherMm
  if (longerMm < worthMm) return []
  return [
    {
      ...turnRound(run),
      text: `${run.name}: the wire enters at the far end, ${formatQuantity(longerMm / 1000, 'm', plan.units)} longer`,
      why: 'A longer lead loses volts and shows; the arrows point away from where the wire enters.',
    },
  ]
}

const turnRound = ({ id, line }: MeasuredRun): Omit<Verdict, 'text' | 'why'> => ({
  id: `wrong-end.${id}`,
  code: 'wrong-end',
  grade: 'warning',
  about: [id],
  remedies: [
    {
      label: 'turn it round',
      commands: [
        {
          do: 'set-lines',
          lines: [id],
          set: { isTurned: line.isTurned === true ? undefined : true },
        },
      ],
    },
  ],
})
