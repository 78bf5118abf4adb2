import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { extensionsOf, isPlugged } from '../feed/plugs'
import { leadFuse } from '../feed/solved'
import { energy } from '../feed/energy'
import { drainOf, meanOf, type BatteryUse } from '../feed/batteries'
import { capacitorFor, capacitorUf, leastCapacitorV } from '../feed/capacitor'
import { leadName, targetOf } from '../feed/leads'
import type { FedSupply } from '../feed/supplies'
import { warmthOf } from '../feed/run-warmth'
import type { LitRun } from '../load/lights'
import { squareWay } from '../measure/geometry'
import { placer, placesOf } from '../measure/layout'
import { operand, working, type Figure } from '../quantity/figure'
import { formatLength, plural } from '../quantity/format'
import { sceneLabel } from './current'
import type { Results } from './results'

/** Leads that are listed one by one; a plan of hundreds tells their sum. */
const mostListed = 24

/** How long each lead is, and the wire that all need together. */
export function leadFigures(results: Results): Figure[] {
  const { leads, plan, cuts } = results
  if (leads.length === 0) return []
  const figures = leads.slice(0, mostListed).map((lead): Figure => ({
    id: `lead.${lead.id}`,
    label: `to ${leadName(plan, cuts, lead)}`,
    value: lead.lengthMm / 1000,
    unit: 'm',
    operation: '',
    operands: [],
    rule: lead.isMeasured
      ? 'measured'
      : `along the drawing, and ${String(Math.round(plan.rules.slack * 100))} % slack`,
    about: [targetOf(lead)],
  }))
  const allMm = leads.reduce((sum, { lengthMm }) => sum + lengthMm, 0)
  return [
    ...figures,
    {
      id: 'lead.total',
      label: `${String(leads.length)} ${leads.length === 1 ? 'lead' : 'leads'}, pairs of wires`,
      value: allMm / 1000,
      unit: 'm',
      operation: '',
      operands: [],
      about: [],
      isTotal: true,
    },
  ]
}

/** Lights that each have a wire of their own to where the controller is: they hang by themselves, or each on an output. */
function hasWiresHome({ run, strip }: CutStripRun, lit: LitRun | undefined): boolean {
  if (run.lights.length === 0 || isOnWire({ run, strip })) return false
  if (lit === undefined) return run.shape === 'scatter'
  if (isPlugged(lit)) return false
  const { drive } = lit.settings
  return run.shape === 'scatter' || drive === 'pins' || drive === 'sink'
}

/** Wires home: from each drop along the drawing to the controller, one for each group in series. */
export function homeFigures({ plan, cuts, layout, hidden, lit }: Results): Figure[] {
  const places = placesOf(layout)
  const litOf = new Map(lit.map((own) => [own.id, own]))
  const { cableWires } = plan.rules
  return cuts.flatMap((entry): Figure[] => {
    const { run } = entry
    const place = places.get(run.id)
    const own = litOf.get(run.id)
    if (place === undefined || !hasWiresHome(entry, own)) return []
    const at = placer(run, place)
    // One of each group is wired home; the others hang on their neighbours.
    const inSeries = own?.part.kind === 'led' ? own.settings.inSeries : 1
    const ends = run.lights.filter((_, index) => index % inSeries === 0)
    const dropsMm = (run.dropMm ?? 0) * ends.length
    const wayMm = ends.reduce((sum, light) => sum + squareWay(at(light), hidden.controller), 0)
    const allMm = (wayMm + dropsMm) * (1 + plan.rules.slack)
    return [
      {
        id: `home.${run.id}`,
        label: `${run.name}, wires home`,
        value: allMm / 1000,
        unit: 'm',
        ...working`(${operand('drops', dropsMm / 1000, 'm')} + ${operand('ways', wayMm / 1000, 'm')}) × ${operand('slack', 1 + plan.rules.slack)}`,
        about: [run.id],
      },
      {
        id: `cables.${run.id}`,
        label: `${run.name}, cables of ${String(cableWires)}`,
        value: Math.ceil(ends.length / (cableWires - 1)),
        unit: '',
        ...working`${operand('wires', ends.length)} ÷ ${operand('a cable', cableWires - 1)}`,
        rule: 'one of each cable is what they have in common',
        about: [run.id],
      },
    ]
  })
}

/** How lights are plugged together: splitters and their plugs, extension leads. */
export function plugFigures({ plugs, cuts }: Results): Figure[] {
  return plugs.flatMap((tree): Figure[] => {
    const name = cuts.find(({ run }) => run.id === tree.id)?.run.name ?? ''
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
        label: `${name}, extension leads of ${formatLength(mm)}`,
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

/** What each run draws in the scene shown. */
export function drawFigures({ plan, cuts, loads }: Results): Figure[] {
  return cuts.flatMap(({ run, strip }, index): Figure[] => {
    const load = loads[index]
    if (load === undefined || load.groups === 0) return []
    return [
      {
        id: `draw.${run.id}`,
        label: run.name,
        value: load.shownA,
        unit: 'A',
        ...working`${operand('loads', load.groups)} × ${operand('each', (load.shownA / load.groups) * 1000, 'mA')}`,
        rule: `${strip.name}, ${sceneLabel(plan)}`,
        about: [run.id],
      },
    ]
  })
}

/** How much warmer than the room each run gets at the plan's mix of scenes. */
export function warmthFigures({ plan, cuts }: Results): Figure[] {
  return cuts.flatMap((entry): Figure[] => {
    if (entry.cuts === 0) return []
    const { wattsPerM, riseK, exposedMm } = warmthOf(plan, entry)
    return [
      {
        id: `warmth.${entry.run.id}`,
        label: entry.run.name,
        value: riseK,
        unit: 'K',
        ...working`${operand('mean', wattsPerM, 'W/m')} on ${operand('backing', exposedMm, 'mm')}`,
        rule: 'at the plan’s mix of scenes, in still air',
        about: [entry.run.id],
      },
    ]
  })
}

/** What each lead loses, and its fuse. */
export function dropFigures(results: Results): Figure[] {
  const { full, plan, cuts } = results
  return full.leads.slice(0, mostListed).flatMap(({ lead, currentA, dropV }): Figure[] => {
    const fuse = leadFuse({ lead, currentA })
    const about = [targetOf(lead)]
    return [
      {
        id: `drop.${lead.id}`,
        label: leadName(plan, cuts, lead),
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
        ...working`${operand('current', currentA, 'A')} × 1.25`,
        rule: `next size up, at most the ${String(lead.wire.limitA)} A of ${lead.wire.name}`,
        about,
      },
    ]
  })
}

/** What is lost on the way, in watts. */
export function lossFigures({ full, shown }: Results): Figure[] {
  if (full.leads.length === 0) return []
  return [
    {
      id: 'lost',
      label: 'lost in copper',
      value: shown.lostW,
      unit: 'W',
      operation: '',
      operands: [],
      rule: 'in the leads and in the strips’ own rails, in the scene shown',
      about: [],
      isTotal: true,
    },
  ]
}

/** What a battery gives, or what the meter counts; and the capacitor. */
export function useFigures({ plan, batteries, cuts }: Results, supply: FedSupply): Figure[] {
  const { slot, part, fits, volts } = supply
  if (part === undefined || fits.length === 0) return []
  const about = [slot.id]
  const battery = batteries.get(slot.id)
  const ids = new Set(fits.map(({ id }) => id))
  const hasPixels = cuts.some(({ run, strip }) => ids.has(run.id) && strip.light.kind === 'pixels')
  const capacitor = slot.capacitorV === undefined ? capacitorFor(volts) : slot.capacitorV
  const figures: Figure[] = []
  if (hasPixels)
    figures.push({
      id: `capacitor.${slot.id}`,
      label: `capacitor ${String(capacitorUf)} µF`,
      value: capacitor,
      unit: 'V',
      ...working`1.25 × ${operand('supply', volts, 'V')} = ${operand('at least', leastCapacitorV(volts), 'V')}`,
      about,
    })
  if (battery !== undefined) return [...figures, ...batteryFigures(slot.id, battery)]
  const drain = drainOf(supply)
  const watts = meanOf(drain, plan.use) * volts
  const { hoursADay, pricePerKwh } = plan.use
  const { kwhPerYear, costPerYear } = energy({
    watts,
    idleWatts: drain.idleA * volts + part.standbyW,
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
      rule: `${String(hoursADay)} h a day at the plan’s mix, idle the rest`,
      about,
    },
  ]
}

function batteryFigures(slotId: string, { meanA, peakFirstV, peakA, hours }: BatteryUse): Figure[] {
  return [
    {
      id: `battery.${slotId}`,
      label: 'lasts',
      value: hours === null ? null : hours * 60,
      unit: 'min',
      ...working`at ${operand('mean', meanA, 'A')}`,
      rule: 'at the plan’s mix of scenes',
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
