import { dimsOfRuns } from '../load/load'
import { mixText } from '../plan/mix-text'
import type { CutStripRun } from '../cut/cut'
import { warmthOf } from '../feed/run-warmth'
import { roomC } from '../feed/warmth'
import { mounted } from '../parts/mounted'
import { glandHoleMm } from '../parts/sold'
import { formatDrill, formatLength, significant } from '../quantity/format'
import { glandsOf } from '../wire/glands'
import { coolEnough } from './sources'
import { mountEdit, type Evidence, type Judge, type Remedy, type Verdict } from './verdict'

/** How warm what is worn, and what children touch, may get, °C (handbook 0). */
const mostC = { worn: 43, children: 48 } as const

/** What is worn or in children’s hands: too warm, or held by what could be swallowed. */
export const worn: Judge = (evidence) => {
  const { plan, cutRuns, supplies } = evidence
  const where = plan.use.where ?? []
  const isWorn = where.includes('worn')
  const hasChildren = where.includes('children')
  if (!isWorn && !hasChildren) return []
  const verdicts = cutRuns.flatMap((entry) => tooWarm(evidence, entry, isWorn))
  if (!hasChildren) return verdicts
  const magnets = cutRuns.filter(
    ({ run, groups }) =>
      groups > 0 && (mounted(plan.own, run.line.mount).fixing ?? plan.rules.fixing) === 'magnets',
  )
  if (magnets.length > 0)
    verdicts.push({
      id: 'worn.magnets',
      code: 'worn',
      grade: 'stop',
      about: magnets.map(({ run }) => run.id),
      text: 'Held by small magnets, where children are',
      why: 'Two magnets that are swallowed close on each other inside: an emergency. None in children’s things.',
      remedies: [
        {
          label: 'hold it by clips',
          commands: magnets.map(({ run }) => mountEdit(run.line, { fixing: 'clips' })),
        },
      ],
    })
  const cells = supplies.filter(({ part, loadA }) => part?.battery !== undefined && loadA > 0)
  if (cells.length > 0)
    verdicts.push({
      id: 'worn.cells',
      code: 'worn',
      grade: 'note',
      about: cells.map(({ slot }) => slot.id),
      text: `${cells.map(({ slot }) => slot.name).join(' and ')}: cells in children’s hands`,
      why: 'Holders that screw shut, small cells out of reach. Lithium: protected cells only. Somebody stays with it while it is on.',
      remedies: [],
    })
  return verdicts
}

function tooWarm(evidence: Evidence, entry: CutStripRun, isWorn: boolean): Verdict[] {
  const { plan } = evidence
  const { run } = entry
  if (entry.groups === 0) return []
  const { riseK } = warmthOf(evidence, entry)
  const most = isWorn ? mostC.worn : mostC.children
  if (roomC + riseK <= most) return []
  const percent = coolEnough(plan, [entry], riseK, most - roomC)
  const remedies: Remedy[] =
    percent >= 10
      ? [
          {
            label: `limit brightness to ${String(percent)} %`,
            commands: [{ do: 'set-limit', limit: percent / 100 }],
          },
        ]
      : []
  return [
    {
      id: `worn.${run.id}`,
      code: 'worn',
      grade: 'stop',
      about: [run.id],
      text: `${run.name}: ${significant(roomC + riseK, 2)} °C ${mixText(plan, dimsOfRuns([entry]))}; ${isWorn ? 'what is worn' : 'what children touch'} stays below ${String(most)} °C`,
      why: `${significant(riseK, 2)} K above a room of ${String(roomC)} °C, within ± 30 %: measure it before anybody wears or holds it for long.`,
      remedies,
    },
  ]
}

/** Extra-low voltage beside the mains. */
export const mainsNear: Judge = ({ plan, cutRuns }) => {
  const about = cutRuns.flatMap(({ run, groups }) =>
    groups > 0 || run.lights.length > 0 ? [run.id] : [],
  )
  if (plan.use.where?.includes('mains') !== true || about.length === 0) return []
  return [
    {
      id: 'mains-near',
      code: 'mains-near',
      grade: 'note',
      about,
      text: 'It goes in beside sockets or mains wiring',
      why: 'Keep these wires out of boxes and ducts that mains is in. Nothing on the mains side is opened: fixed wiring is for a licensed electrician, and local codes decide.',
      remedies: [],
    },
  ]
}

/** A hole that is too small for the gland that has to close it. */
export const glands: Judge = ({ plan, cutRuns, circuit }) => {
  const places = glandsOf(plan, cutRuns, circuit)
  return cutRuns.flatMap(({ run }): Verdict[] => {
    const { into } = run.line
    if (into === undefined) return []
    const needs = into.holes.map((hole) => {
      const thick = places
        .filter((place) => place.run === run.id && place.at === hole.at)
        .map(({ thickMm }) => thickMm)
      return { hole, thickMm: Math.max(0, ...thick) }
    })
    const small = needs.filter(
      ({ hole, thickMm }) => thickMm > 0 && hole.mm < glandHoleMm(thickMm) - 1e-9,
    )
    const [first] = small
    if (first === undefined) return []
    const wantedMm = glandHoleMm(first.thickMm)
    return [
      {
        id: `glands.${run.id}`,
        code: 'glands',
        grade: 'warning',
        about: [run.id],
        text: `${run.name}: a hole of ${formatDrill(first.hole.mm, plan.units)} for wires ${formatLength(first.thickMm, plan.units)} thick; their gland needs ${formatDrill(wantedMm, plan.units)}`,
        why: 'Outdoors a bare hole lets water in along the wire. A gland closes it, with a drip loop below it.',
        remedies: [
          {
            label: `drill ${formatDrill(wantedMm, plan.units)}`,
            commands: [
              {
                do: 'set-lines',
                lines: [run.id],
                set: {
                  into: {
                    ...into,
                    holes: needs.map(({ hole, thickMm }) => ({
                      ...hole,
                      mm: thickMm > 0 ? Math.max(hole.mm, glandHoleMm(thickMm)) : hole.mm,
                    })),
                  },
                },
              },
            ],
          },
        ],
      },
    ]
  })
}
