import type { CutStripRun } from '../cut/cut'
import { entriesById } from '../cut/entry-of'
import { groupDraw, loadsPerGroup } from '../load/group-draw'
import type { LitRun } from '../load/lights'
import { dutiesIn } from '../load/load'
import { wireOf, wires, type Wire } from '../parts/wires'
import type { Plan } from '../plan/plan'
import { supplyBehind } from '../plan/supply-of'
import type { Lead } from './lead'

/** What a run of strip draws nominally at full white, A. */
export function nominalOf(
  plan: Pick<Plan, 'scene' | 'limit'>,
  { run, strip, groups }: CutStripRun,
): number {
  const { channelMa, idleMa } = groupDraw(strip)
  const duties = dutiesIn(plan, 'full-white', run.line, strip)
  const eachMa = channelMa.reduce((sum, mA, index) => sum + mA * (duties[index] ?? 0), idleMa)
  return (eachMa * groups * loadsPerGroup(strip)) / 1000
}

/** What the wire between a supply and its switch is chosen from. */
export interface SwitchWireGiven {
  readonly plan: Plan
  readonly cutRuns: readonly CutStripRun[]
  readonly lit: readonly Pick<LitRun, 'id' | 'peakA'>[]
  readonly leads: readonly Pick<Lead, 'from' | 'to' | 'wire'>[]
}

/**
 * The gauge of the wire from a supply to its switch, which carries what all of its leads carry: no thinner than the thickest of them, and
 * thick enough for full white without a limit. The thickest there is where none takes that much.
 */
export function switchWire({ plan, cutRuns, lit, leads }: SwitchWireGiven, supply: string): Wire {
  const entryOf = entriesById(cutRuns)
  const litOf = new Map(lit.map((one) => [one.id, one]))
  const unlimited = { ...plan, limit: 1 }
  const runs = new Set<string>()
  let thickest = wireOf(plan.wiring.dataWire)
  for (const { from, to, wire } of leads) {
    if (supplyBehind(plan, from) !== supply) continue
    if (wire.areaMm2 > thickest.areaMm2) thickest = wire
    if (to.kind === 'run') runs.add(to.run)
  }
  let amperes = 0
  for (const run of runs) {
    const entry = entryOf.get(run)
    amperes +=
      litOf.get(run)?.peakA ??
      (entry === undefined || entry.groups === 0 ? 0 : nominalOf(unlimited, entry))
  }
  const known = wires
    .filter(({ system, areaMm2 }) => system === thickest.system && areaMm2 >= thickest.areaMm2)
    .toSorted((a, b) => a.areaMm2 - b.areaMm2)
  return known.find(({ limitA }) => limitA >= amperes) ?? known.at(-1) ?? thickest
}
