import { cutRun } from '../cut/cut-run'
import type { CutStripRun, Part } from '../cut/cut'
import type { Plan } from '../plan/plan'
import { roundings, type Rounding } from '../plan/choices'
import { formatLength, plural } from '../quantity/format'
import { type Judge, type Remedy } from './verdict'

/** A dark end, or an overhang, from which it is noticed, and from which it spoils the line, mm. *Typical.* */
const noticedMm = 10
const spoilsMm = 25

const roundingLabel: Readonly<Record<Rounding, string>> = {
  inside: 'stay inside',
  nearest: 'round to the nearest mark',
  cover: 'cover the end',
}

/** A run whose cut marks leave a dark end or an overhang that can be seen. */
export const gapShows: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry) => {
    const { run, parts } = entry
    const worst = worstGap(entry, plan.rules.rounding)
    if (Math.abs(worst) < noticedMm) return []
    const count = parts.filter((part) => Math.abs(shownGap(entry, part)) >= noticedMm).length
    const where =
      parts.length === 1 ? '' : `, at ${plural(count, 'part')} of ${String(parts.length)}`
    const size = formatLength(Math.abs(worst), plan.units)
    return [
      {
        id: `gap-shows.${run.id}`,
        code: 'gap-shows' as const,
        grade: Math.abs(worst) >= spoilsMm ? ('warning' as const) : ('note' as const),
        about: [run.id],
        text:
          worst > 0
            ? `${run.name}: the last ${size} stay dark${where}`
            : `${run.name}: hangs over by ${size}${where}`,
        why: 'Strip is cut at its marks alone; a dark end draws the eye in a bare line.',
        remedies: betterRoundings(entry, plan, plan.rules.rounding, Math.abs(worst)),
      },
    ]
  })

/** The gap without what is kept free on purpose. */
const shownGap = ({ strip }: CutStripRun, { usableMm, groups }: Part): number =>
  usableMm - groups * strip.cutPitchMm

function worstGap({ parts, strip }: CutStripRun, fit: Rounding): number {
  return parts
    .map(
      ({ usableMm, more }) =>
        cutRun({
          lengthMm: usableMm,
          cutPitchMm: strip.cutPitchMm,
          pixelsPerCut: 0,
          fit,
          endAllowanceMm: 0,
        }).gapMm -
        more * strip.cutPitchMm,
    )
    .reduce((worst, gap) => (Math.abs(gap) > Math.abs(worst) ? gap : worst), 0)
}

/** Less is seen of it: it is not noticed any more, or no longer spoils the line. */
const isBetter = (mm: number, thanMm: number): boolean =>
  mm < noticedMm || (mm < spoilsMm && thanMm >= spoilsMm)

/** The plan's other ways of rounding that leave less to see on this run. */
function betterRoundings(
  entry: CutStripRun,
  { units }: Pick<Plan, 'units'>,
  used: Rounding,
  worstMm: number,
): Remedy[] {
  return roundings
    .filter((fit) => fit !== used)
    .map((fit) => ({ fit, gap: worstGap(entry, fit) }))
    .filter(({ gap }) => isBetter(Math.abs(gap), worstMm))
    .toSorted((a, b) => Math.abs(a.gap) - Math.abs(b.gap))
    .slice(0, 1)
    .map(({ fit, gap }) => ({
      label: `${roundingLabel[fit]} (${gap < 0 ? 'over' : 'dark'} by ${formatLength(Math.abs(gap), units)})`,
      commands: [{ do: 'set-rules', rules: { rounding: fit } }],
    }))
}
