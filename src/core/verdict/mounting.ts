import type { CutStripRun } from '../cut/cut'
import { tightestRadiusMm } from '../measure/geometry'
import { bendingSiblings } from '../parts/find'
import { mounted, type Mounted } from '../parts/mounted'
import { profileOf, profilesOf } from '../parts/profiles'
import type { Mount } from '../plan/plan'
import { withSet } from '../plan/with-set'
import { formatLength, formatQuantity } from '../quantity/format'
import { mountEdit, type Evidence, type Judge, type Remedy, type Verdict } from './verdict'

const mountOf = ({ plan }: Pick<Evidence, 'plan'>, { run }: CutStripRun): Mounted =>
  mounted(plan.own, run.line.mount)

/** The tightest bend of a run, mm; infinite where it is straight. */
const bendOf = ({ run }: CutStripRun): number =>
  Math.min(
    ...run.segments.map(({ points, radiusMm }) => radiusMm ?? tightestRadiusMm(points)),
    Infinity,
  )

const lay = ({ run }: CutStripRun, label: string, set: Mount): Remedy => ({
  label,
  commands: [mountEdit(run.line, set)],
})

/** A strip bent in its own plane that does not bend so. */
const edgeBend: Judge = ({ plan, cutRuns, parts }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip } = entry
    if (
      entry.groups === 0 ||
      mountOf({ plan }, entry).bend !== 'edgewise' ||
      bendOf(entry) === Infinity
    )
      return []
    if (strip.edgeRadiusMm !== null) return []
    return [
      {
        id: `edge-bend.${run.id}`,
        code: 'edge-bend',
        grade: 'stop',
        about: [run.id],
        text: `${run.name}: ${strip.name} does not bend edgewise`,
        why: 'Bent in its own plane a strip lifts off and its copper cracks.',
        remedies: [
          lay(entry, 'bend it flat', { bend: 'flat' }),
          ...bendingSiblings(parts, strip)
            .slice(0, 1)
            .map((other): Remedy => ({
              label: `take ${other.name}`,
              commands: [{ do: 'set-strip', line: run.id, strip: other.id }],
            })),
        ],
      },
    ]
  })

/** A profile that the strip does not go into: too narrow, or straight where the run bends. */
const profileFit: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip } = entry
    const { profile: id, hasSleeve } = mountOf({ plan }, entry)
    const profile = profileOf(plan.own, id)
    if (profile === undefined || entry.groups === 0) return []
    const widthMm = strip.widthMm + (hasSleeve ? sleeveMm : 0)
    const isBent = bendOf(entry) < (profile.bendRadiusMm ?? Infinity)
    if (!isBent && widthMm <= profile.innerWidthMm) return []
    const take = (label: string, other: string | undefined): Remedy => ({
      label,
      commands: [
        {
          do: 'set-lines',
          lines: [run.id],
          set: { mount: withSet(run.line.mount ?? {}, { profile: other }) },
        },
      ],
    })
    const fitting = profilesOf(plan.own).find(
      (one) =>
        one.shape !== 'bar' &&
        one.innerWidthMm >= widthMm &&
        bendOf(entry) >= (one.bendRadiusMm ?? Infinity),
    )
    return [
      {
        id: `profile-fit.${run.id}`,
        code: 'profile-fit',
        grade: 'stop',
        about: [run.id],
        text: isBent
          ? profile.bendRadiusMm === undefined
            ? `${run.name} bends, and ${profile.name} is straight`
            : `${run.name} bends at ${formatLength(bendOf(entry), plan.units)}, ${profile.name} takes ${formatLength(profile.bendRadiusMm, plan.units)}`
          : `${run.name}: ${strip.name}${hasSleeve ? ' in its sleeve' : ''} is ${formatLength(widthMm, plan.units)} wide, ${profile.name} takes ${formatLength(profile.innerWidthMm, plan.units)}`,
        why: 'A strip that is pressed in lies crooked and lifts off its backing.',
        remedies: [
          ...(fitting === undefined ? [] : [take(`take the ${fitting.name}`, fitting.id)]),
          take('no profile', undefined),
        ],
      },
    ]
  })

/** What a sleeve adds to the width of a strip, mm. *Typical.* */
const sleeveMm = 2

/** A bend tighter than the strip takes. */
const tightBend: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip } = entry
    if (entry.groups === 0) return []
    const leastMm =
      mountOf({ plan }, entry).bend === 'flat' ? strip.flatRadiusMm : strip.edgeRadiusMm
    const radiusMm = bendOf(entry)
    if (leastMm === null || radiusMm >= leastMm - 0.05) return []
    return [
      {
        id: `tight-bend.${run.id}`,
        code: 'tight-bend',
        grade: radiusMm < leastMm / 2 ? 'stop' : 'warning',
        about: [run.id],
        text: `${run.name}: bends at ${formatLength(radiusMm, plan.units)}, ${strip.name} takes ${formatLength(leastMm, plan.units)}`,
        why: 'A tight bend breaks solder under the LEDs, often weeks later.',
        remedies: [],
      },
    ]
  })

/** From here on a bare light at eye height is too bright to look at, lm/m. *Typical.* */
const glaringLumensPerM = 200

/** Bare bright light that faces people. */
const glare: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip } = entry
    const { facing, cover } = mountOf({ plan }, entry)
    const isBare = cover === 'none' || cover === 'clear'
    if (entry.groups === 0 || facing !== 'room' || !isBare) return []
    if (strip.lumensPerM < glaringLumensPerM) return []
    return [
      {
        id: `glare.${run.id}`,
        code: 'glare',
        grade: 'warning',
        about: [run.id],
        text: `${run.name}: bare, ${formatQuantity(strip.lumensPerM, 'lm/m', plan.units)}, faces the room`,
        why: 'Bare bright LEDs at eye height dazzle; aim them away or diffuse them.',
        remedies: [
          lay(entry, 'cover it, opal', { cover: 'opal' }),
          lay(entry, 'turn it to the wall', { facing: 'wall' }),
        ],
      },
    ]
  })

/** A bare strip where it gets wet. */
const wet: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip } = entry
    const { damp, hasSleeve } = mountOf({ plan }, entry)
    if (entry.groups === 0 || damp === 'dry' || hasSleeve || strip.isSealed) return []
    return [
      {
        id: `wet.${run.id}`,
        code: 'wet',
        grade: damp === 'outdoors' ? 'stop' : 'warning',
        about: [run.id],
        text: `${run.name}: ${damp === 'outdoors' ? 'outdoors' : 'in the damp'} without a sleeve`,
        why: 'Water between the pads eats the copper. Outdoors: sealed joints, glands and drip loops too.',
        remedies: [lay(entry, 'put it in a sealed sleeve', { hasSleeve: true, hasCaps: true })],
      },
    ]
  })

/** A sealed strip or sleeve whose cut ends are open where it is not dry. */
const openSleeve: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    const { run, strip } = entry
    const { damp, hasSleeve, hasCaps } = mountOf({ plan }, entry)
    if (entry.groups === 0 || damp === 'dry' || hasCaps || !(hasSleeve || strip.isSealed)) return []
    return [
      {
        id: `open-sleeve.${run.id}`,
        code: 'open-sleeve',
        grade: 'warning',
        about: [run.id],
        text: `${run.name}: its sleeve is open at ${String(2 * entry.pieces.length)} cut ends`,
        why: 'A sleeve draws water in at its ends and keeps it there.',
        remedies: [lay(entry, 'caps and sealant on every end', { hasCaps: true })],
      },
    ]
  })

/** Measuring verdicts in the order of the handbook. */
export const mountingJudges: readonly Judge[] = [
  edgeBend,
  tightBend,
  profileFit,
  glare,
  wet,
  openSleeve,
]
