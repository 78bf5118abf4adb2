import { dimsOfRuns } from '../load/load'
import { dimsOf } from '../feed/supplies'
import { mixText } from '../plan/mix-text'
import { runName } from '../cut/entry-of'
import type { Plan } from '../plan/plan'
import { extensionsOf } from '../route/plugs'
import type { RoutedWire } from '../route/circuit'
import { leadFuse } from '../feed/lead-fuse'
import { energy } from '../feed/energy'
import { meanOf, type BatteryUse } from '../feed/batteries'
import { capacitorFor, capacitorShare, capacitorUf, leastCapacitorV } from '../feed/capacitor'
import { highestVolts } from '../feed/highest-volts'
import { leadName, targetOf } from '../route/leads'
import type { FedSupply } from '../feed/supplies'
import { warmthOf } from '../feed/run-warmth'
import { operand, working, type Figure } from '../quantity/figure'
import { formatLength, plural } from '../quantity/format'
import { caseLabel } from './case-label'
import type { JudgedPlan } from '../verdict/judged-plan'
import { listed } from '../quantity/listed'

/** Leads that are listed one by one; a plan of hundreds tells their sum. */
const mostListed = 24

/** How much longer than its way a wire is cut. */
const slackText = ({ rules, units }: Pick<Plan, 'rules' | 'units'>): string =>
  [
    `${String(Math.round(rules.slack * 100))} % slack`,
    ...(rules.slackEndMm > 0 ? [`${formatLength(2 * rules.slackEndMm, units)} at its ends`] : []),
  ].join(' and ')

/** How long each lead is, and the wire that all need together. */
export function leadFigures({
  leads,
  plan,
  cutRuns,
}: Pick<JudgedPlan, 'leads' | 'plan' | 'cutRuns'>): Figure[] {
  if (leads.length === 0) return []
  const figures = leads.slice(0, mostListed).map((lead): Figure => ({
    id: `lead.${lead.id}`,
    label: `to ${leadName(plan, cutRuns, lead)}`,
    value: lead.lengthMm / 1000,
    unit: 'm',
    operation: '',
    operands: [],
    rule: lead.isMeasured ? 'measured' : `along the drawing, and ${slackText(plan)}`,
    about: [targetOf(lead)],
  }))
  const allMm = leads.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
  return [
    ...figures,
    {
      id: 'lead.total',
      label: `${plural(leads.length, 'lead')}, pairs of wires`,
      value: allMm / 1000,
      unit: 'm',
      operation: '',
      operands: [],
      about: [],
      isTotal: true,
    },
  ]
}

/** Wires home of each run's lights or nodes, and the cables that they are bought as: from the one list of wires. */
export function homeFigures({
  circuit,
  cutRuns,
  plan,
}: Pick<JudgedPlan, 'circuit' | 'cutRuns' | 'plan'>): Figure[] {
  const byRun = new Map<string, RoutedWire[]>()
  for (const wire of circuit.wires) {
    if (wire.home === undefined) continue
    listed(byRun, wire.home).push(wire)
  }
  return [...byRun].flatMap(([run, wires]): Figure[] => {
    const name = runName(cutRuns, run)
    const about = [run]
    const allMm = wires.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    const cables = circuit.cables.filter((cable) => cable.run === run)
    const cores = cables.reduce((sum, cable) => sum + cable.cores, 0)
    const cableMm = cables.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
    return [
      {
        id: `home.${run}`,
        label: `${name}, wires home`,
        value: allMm / 1000,
        unit: 'm',
        ...working`${operand('wires', wires.length)} × ${operand('on average', allMm / wires.length / 1000, 'm')}`,
        about,
      },
      ...(cables.length === 0
        ? []
        : [
            {
              id: `cables.${run}`,
              label: `${name}, ${plural(cables.length, 'cable')} of up to ${String(plan.rules.cableWires)}`,
              value: cableMm / 1000,
              unit: 'm' as const,
              ...working`${operand('cables', cables.length)} × ${operand('on average', cableMm / cables.length / 1000, 'm')}`,
              rule: `${plural(cores, 'core')}; one of each cable is what its lights have in common`,
              about,
            },
          ]),
    ]
  })
}

/** How lights are plugged together: splitters and their plugs, extension leads. */
export function plugFigures({
  plan,
  plugs,
  cutRuns,
}: Pick<JudgedPlan, 'plan' | 'plugs' | 'cutRuns'>): Figure[] {
  return plugs.flatMap((tree): Figure[] => {
    const name = runName(cutRuns, tree.id)
    const about = [tree.id]
    const splitters = tree.leads.flatMap((lead) => lead.splitters)
    const [first] = splitters
    const left = splitters.reduce((sum, { portsLeft }) => sum + portsLeft, 0)
    const lights = tree.leads.reduce((sum, lead) => sum + lead.lights, 0)
    const figures: Figure[] = []
    if (first !== undefined)
      figures.push({
        id: `splitters.${tree.id}`,
        label: `${name}, splitters of ${String(first.ways)}`,
        value: splitters.length,
        unit: '',
        ...working`(${operand('lights', lights)} − ${operand('leads', tree.leads.length)}) ÷ ${operand('ways', first.ways - 1)}`,
        rule: `${plural(left, 'plug is', 'plugs are')} left; every splitter but the last of a lead gives one to the next`,
        about,
      })
    for (const [mm, count] of extensionsOf(tree))
      figures.push({
        id: `extension.${tree.id}.${String(mm)}`,
        label: `${name}, extension leads of ${formatLength(mm, plan.units)}`,
        value: count,
        unit: '',
        operation: '',
        operands: [],
        rule: 'where a lead of its own does not reach',
        about,
      })
    return figures
  })
}

/** What each run draws in the load case shown. */
export function drawFigures({
  plan,
  cutRuns,
  loads,
}: Pick<JudgedPlan, 'plan' | 'cutRuns' | 'loads'>): Figure[] {
  return cutRuns.flatMap(({ run, strip }, index): Figure[] => {
    const load = loads[index]
    if (load === undefined || load.groups === 0) return []
    const shownA = load.currentA[plan.scene.shown]
    return [
      {
        id: `draw.${run.id}`,
        label: run.name,
        value: shownA,
        unit: 'A',
        ...working`${operand('loads', load.groups)} × ${operand('each', (shownA / load.groups) * 1000, 'mA')}`,
        rule: `${strip.name}, ${caseLabel(plan)}`,
        about: [run.id],
      },
    ]
  })
}

/** How much warmer than the room each run gets at the plan's mix of scenes. */
export function warmthFigures(
  results: Pick<JudgedPlan, 'plan' | 'cutRuns' | 'parts' | 'volts'>,
): Figure[] {
  const { plan, cutRuns } = results
  return cutRuns.flatMap((entry): Figure[] => {
    if (entry.groups === 0) return []
    const { wattsPerM, heatShare, kelvinMetrePerWatt, riseK, surface } = warmthOf(results, entry)
    return [
      {
        id: `warmth.${entry.run.id}`,
        label: entry.run.name,
        value: riseK,
        unit: 'K',
        ...working`${operand('mean', wattsPerM, 'W/m')} × ${operand('heat', heatShare, '%')} × ${operand('K·m/W', kelvinMetrePerWatt)}`,
        rule: `on ${surface}, ${mixText(plan, dimsOfRuns([entry]))}, in still air, ± 30 %`,
        about: [entry.run.id],
      },
    ]
  })
}

/** What each lead loses, and its fuse. */
export function dropFigures({
  full,
  plan,
  cutRuns,
}: Pick<JudgedPlan, 'full' | 'plan' | 'cutRuns'>): Figure[] {
  return full.leads.slice(0, mostListed).flatMap((fed): Figure[] => {
    const { lead, currentA, fuseLoadA, dropV } = fed
    const fuse = leadFuse(fed)
    const about = [targetOf(lead)]
    return [
      {
        id: `drop.${lead.id}`,
        label: leadName(plan, cutRuns, lead),
        value: dropV,
        unit: 'V',
        ...working`2 × ${operand('length', lead.lengthMm / 1000, 'm')} × ${operand('wire', lead.wire.ohmPerM, 'Ω/m')} × ${operand('current', currentA, 'A')}`,
        rule: lead.wire.name,
        about,
      },
      {
        id: `fuse.${lead.id}`,
        label: 'fuse',
        value: typeof fuse === 'number' ? fuse : null,
        unit: 'A',
        // One that was set by hand has no sum.
        ...(lead.fuse === 'auto'
          ? {
              ...working`${operand('current', fuseLoadA, 'A')} × 1.25`,
              rule: `next size up, at most the ${String(lead.wire.limitA)} A of ${lead.wire.name}`,
            }
          : { ...working``, rule: 'as set' }),
        about,
      },
    ]
  })
}

/** What is lost on the way, in watts. */
export function lossFigures({ full, shown }: Pick<JudgedPlan, 'full' | 'shown'>): Figure[] {
  if (full.leads.length === 0) return []
  return [
    {
      id: 'lost',
      label: 'lost in copper',
      value: shown.lostW,
      unit: 'W',
      operation: '',
      operands: [],
      rule: 'in the leads and in the strips’ own rails, in the load case shown',
      about: [],
      isTotal: true,
    },
  ]
}

/** What a battery gives, or what the meter counts; and the capacitor. */
export function useFigures(
  { plan, batteries, cutRuns }: Pick<JudgedPlan, 'plan' | 'batteries' | 'cutRuns'>,
  supply: FedSupply,
): Figure[] {
  const { slot, part, fits, onPins, volts, currentA, offA } = supply
  if (part === undefined || fits.length + onPins.length === 0) return []
  const about = [slot.id]
  const battery = batteries.get(slot.id)
  const ids = new Set(fits.map(({ load }) => load.id))
  const hasPixels = cutRuns.some(
    ({ run, strip }) => ids.has(run.id) && strip.light.kind === 'pixels',
  )
  const highestV = highestVolts(part, volts)
  const capacitor = slot.capacitorV === undefined ? capacitorFor(highestV) : slot.capacitorV
  const figures: Figure[] = []
  if (hasPixels)
    figures.push({
      id: `capacitor.${slot.id}`,
      label: `capacitor ${String(capacitorUf(part))} µF`,
      value: capacitor,
      unit: 'V',
      ...working`${operand('margin', capacitorShare)} × ${operand('supply at the most', highestV, 'V')} = ${operand('at least', leastCapacitorV(highestV), 'V')}`,
      about,
    })
  if (battery !== undefined)
    return [...figures, ...batteryFigures(slot.id, battery, mixText(plan, dimsOf(supply)))]
  const watts = meanOf(currentA, plan.use) * volts
  const { hoursADay, pricePerKwh } = plan.use
  const { kwhPerYear, costPerYear } = energy({
    watts,
    idleWatts: offA * volts + part.standbyW,
    hoursOnPerDay: hoursADay,
    pricePerKwh,
    supplyEfficiency: part.efficiency,
  })
  return [
    ...figures,
    {
      id: `energy.${slot.id}`,
      label: 'a year',
      value: costPerYear,
      unit: 'price',
      ...working`${operand('energy', kwhPerYear, 'kWh')} × ${operand('price', pricePerKwh, 'price')}`,
      rule: `${mixText(plan, dimsOf(supply))}, ${String(hoursADay)} h a day, idle the rest`,
      about,
    },
  ]
}

function batteryFigures(
  slotId: string,
  { meanA, peakFirstV, peakA, hours }: BatteryUse,
  mix: string,
): Figure[] {
  return [
    {
      id: `battery.${slotId}`,
      label: 'lasts',
      value: hours === null ? null : hours * 60,
      unit: 'min',
      ...working`at ${operand('mean', meanA, 'A')}`,
      rule: mix,
      about: [slotId],
      isTotal: true,
    },
    {
      id: `sag.${slotId}`,
      label: 'full, at its peak',
      value: peakFirstV,
      unit: 'V',
      ...working`at ${operand('peak', peakA, 'A')}`,
      about: [slotId],
    },
  ]
}
