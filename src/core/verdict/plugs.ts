import { largest } from '../quantity/extremes'
import { isOnWire, isWithinReach, waysBetween } from '../cut/on-wire'
import { isPlugged, extensionsOf } from '../route/plugs'
import { mostWays, waysOf } from '../feed/branches'
import { withWord } from '../measure/jot'
import type { MeasuredRun } from '../measure/measure'
import { formatLength, plural } from '../quantity/format'
import { eachLit, setLights } from './lights'
import { type Judge, type Verdict } from './verdict'

/** Leads of lights and splitters that do not reach where they are plugged in. */
export const leadShort: Judge = (evidence) => {
  const treeOf = new Map(evidence.plugs.map((tree) => [tree.id, tree]))
  const { units } = evidence.plan
  return eachLit(evidence, (run, name) => {
    const tree = treeOf.get(run.id)
    if (tree === undefined || tree.short.length === 0 || run.settings.hasExtensions)
      return undefined
    const worst = tree.short.reduce((a, b) => (a.needMm - a.ownMm >= b.needMm - b.ownMm ? a : b))
    const found = extensionsOf(tree)
      .map(([mm, count]) => `${String(count)} × ${formatLength(mm, units)}`)
      .join(', ')
    return {
      code: 'lead-short',
      grade: 'stop',
      text: `${name}: ${plural(tree.short.length, 'lead')} too short, the worst has ${formatLength(worst.ownMm, units)} of ${formatLength(worst.needMm, units)}`,
      why: 'A stretched lead pulls its plug out, or the light out of its hole.',
      remedies: setLights(evidence, run, `extension leads: ${found}`, { hasExtensions: true }),
    }
  })
}

/** More lights on one lead than their plugs and wires are made for. */
export const leadOver: Judge = (evidence) =>
  eachLit(evidence, (run, name) => {
    const most = run.part.lead?.mostOnLead
    if (most === undefined || !isPlugged(run)) return undefined
    const onOne = Math.ceil(run.lights / run.settings.leads)
    if (onOne <= most) return undefined
    const leads = Math.ceil(run.lights / most)
    return {
      code: 'lead-over',
      grade: 'stop',
      text: `${name}: ${String(onOne)} lights on one lead, which takes ${String(most)}`,
      why: 'Thin wires and small plugs at the head of the lead carry the current of all of them.',
      remedies: setLights(evidence, run, `${plural(leads, 'lead')} from the source`, { leads }),
    }
  })

/** A plug can be threaded through a hole that is this much wider, mm. */
const playMm = 0.5

/** Plugs that do not go through the hole that their light sits in. */
export const plugHole: Judge = (evidence) => {
  const lines = new Map(evidence.plan.lines.map((line) => [line.id, line]))
  const { units } = evidence.plan
  return eachLit(evidence, (run, name) => {
    const { part } = run
    if (part.lead === undefined || !isPlugged(run)) return undefined
    const holeMm = lines.get(run.id)?.lights?.holeMm ?? part.holeMm
    const needMm = part.lead.plugMm + playMm
    if (holeMm >= needMm) return undefined
    return {
      code: 'plug-hole',
      grade: 'warning',
      text: `${name}: a plug of ${formatLength(part.lead.plugMm, units)} does not go through a hole of ${formatLength(holeMm, units)}`,
      why: 'It is found out with the light half in its place: then the plug is cut off and soldered on again.',
      remedies: [
        ...setLights(evidence, run, `drill ${formatLength(needMm, units)}`, { holeMm: needMm }),
        ...setLights(evidence, run, 'cut the plugs off and solder', { joining: 'solder' }),
      ],
    }
  })
}

/** Splitters of the plan that more hangs on than they have plugs. */
export const portsShort: Judge = ({ plan, full }) =>
  plan.junctions.flatMap((junction): Verdict[] => {
    const ways = waysOf(junction)
    const used = full.leads.filter(({ lead }) => lead.from === junction.id).length
    if (ways === undefined || used <= ways) return []
    return [
      {
        id: `ports-short.${junction.id}`,
        code: 'ports-short',
        grade: 'stop',
        about: [junction.id],
        text: `${junction.name}: ${String(used)} leads on a splitter of ${String(ways)}`,
        why: 'There is no plug left for the rest.',
        remedies: [
          used <= mostWays
            ? {
                label: `a splitter of ${String(used)}`,
                commands: [{ do: 'set-junction', junction: junction.id, set: { ways: used } }],
              }
            : {
                label: 'a terminal block instead',
                commands: [
                  { do: 'set-junction', junction: junction.id, set: { kind: 'terminals' } },
                ],
              },
        ],
      },
    ]
  })

/** Pixel nodes whose wire is shorter than the way from one light to the next. */
export const nodesApart: Judge = ({ plan, cutRuns }) =>
  cutRuns.flatMap((entry): Verdict[] => {
    if (!isOnWire(entry) || entry.run.line.isLengthened === true) return []
    const { run, strip } = entry
    const gaps = waysBetween(run)
    const worst = largest(gaps, 0)
    const short = gaps.filter((mm) => !isWithinReach(mm, strip)).length
    if (short === 0) return []
    const at = gaps.indexOf(worst)
    return [
      {
        id: `nodes-apart.${run.id}`,
        code: 'nodes-apart',
        grade: 'stop',
        about: [run.id],
        text: `${run.name}: ${formatLength(strip.cutPitchMm, plan.units)} of wire from node to node, ${formatLength(worst, plan.units)} from light ${String(at + 1)} to ${String(at + 2)}${short === 1 ? '' : `, ${plural(short, 'place')} in all`}`,
        why: 'A string is as long as it is: leave nodes out and dark in between, or cut it there and solder wire in.',
        remedies: [
          ...(isLongWayBack(run)
            ? [
                {
                  label: 'every second row back',
                  commands: [
                    {
                      do: 'set-text' as const,
                      line: run.id,
                      text: withWord(run.line.text, 'zigzag'),
                    },
                  ],
                },
              ]
            : []),
          {
            label: `solder wire in at ${plural(short, 'place')}`,
            commands: [{ do: 'set-lines', lines: [run.id], set: { isLengthened: true } }],
          },
        ],
      },
    ]
  })

/** A grid whose rows all begin at the same side. */
const isLongWayBack = ({ shape, line }: MeasuredRun): boolean =>
  shape === 'grid' && !/\bzigzag\b/.test(line.text)
