import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import { jumpersOf, jumperWayMm } from '../cut/pads'
import { boardA, boardSupply } from '../lanes/boards'
import { dimmersOf } from '../lanes/dimmers'
import { loadsPerGroup } from '../load/group-draw'
import { dutiesIn } from '../load/load'
import { besidePixelMa } from '../load/nodes'
import { isOnPins } from '../load/lights'
import { powerSwitchesOf } from '../parts/find'
import { powerSwitches, powerSwitchOf } from '../parts/power-switches'
import { wireOf, type Wire } from '../parts/wires'
import type { LoadCase } from '../plan/choices'
import type { Strip } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { cutLengthMm } from '../measure/wire-way'
import { Kept } from '../quantity/kept'
import { supplyOfLine } from '../plan/supply-of'
import { beside, blockId } from '../route/harness'
import type { Lead } from '../route/lead'
import type { RoutedPlan } from '../route/routed-plan'
import { nominalOf, switchWire } from '../route/switch-wire'
import { fuseOhm } from './fuse'
import { leadFuse, nominalAmperes } from './lead-fuse'
import { padName, type Network, type NetworkLoad, type NetworkRun } from './network'

/** Names of supplies, junctions and the like in a network: none of them is taken for a run. */
export const networkName = {
  supply: (id: string) => `supply:${id}`,
  junction: (id: string) => `junction:${id}`,
  switch: (dimmer: string) => `switch:${dimmer}`,
  powerSwitch: (supply: string) => `power-switch:${supply}`,
  lights: (run: string, share: number) => `lights:${run}:${String(share)}`,
  board: 'board',
  pad: padName,
} as const

/** What the network of strips alone is made from. */
export type StripNetworkGiven = Pick<RoutedPlan, 'plan' | 'cutRuns' | 'volts' | 'leads'> &
  Partial<Pick<RoutedPlan, 'lit'>>

/** Brightness of every channel of every load of a run, 0–1: loads × channels, load by load; of single lights one for all of them. */
export type RunLevels = ReadonlyMap<string, Float64Array>

/**
 * The feed network of the strips in a load case, without anything else; its leads are in the order of `leads`.
 *
 * @param litA what runs of single lights draw at full white, A: their leads have fuses too
 */
export function stripNetwork(
  { plan, cutRuns, volts, leads, lit = [] }: StripNetworkGiven,
  loadCase: LoadCase,
  levels?: RunLevels,
  litA: ReadonlyMap<string, number> = new Map(),
): Network {
  const placed = cutRuns.filter(({ groups }) => groups > 0)
  const perGroup = new Map(placed.map(({ run, strip }) => [run.id, loadsPerGroup(strip)]))
  const junctions = new Set(plan.junctions.map(({ id }) => id))
  const nominalA = nominalLeads(plan, cutRuns, leads, litA)
  const switched = plusSwitches(plan)
  return {
    supplies: plan.supplies.map(({ id }) => ({
      id: networkName.supply(id),
      volts: volts.get(id) ?? 0,
    })),
    runs: placed.map((entry) => stripRun(plan, entry, loadCase, levels?.get(entry.run.id))),
    leads: [
      ...leads.map((lead, index) => {
        const { from, to, wire, lengthMm, apart } = lead
        const ohm = (lengthMm / 1000) * wire.ohmPerM + (apart?.ohm ?? 0)
        return {
          from: junctions.has(from) ? networkName.junction(from) : sourceOf(switched, from),
          to:
            to.kind === 'junction'
              ? networkName.junction(to.junction)
              : networkName.pad(to.run, to.pad * (perGroup.get(to.run) ?? 1)),
          plusOhm: ohm + fuseOhm(leadFuse({ lead, fuseLoadA: nominalA[index] ?? 0 })),
          minusOhm: ohm,
        }
      }),
      ...plan.supplies
        .filter(({ id }) => switched.has(id))
        .map((slot) =>
          switchLead(slot, switchWire({ plan, cutRuns, lit, leads }, slot.id), leads, nominalA),
        ),
    ],
  }
}

/** Supplies whose plus goes through a switch by hand. */
const plusSwitches = (plan: Pick<Plan, 'supplies' | 'own'>): ReadonlySet<string> =>
  new Set([...powerSwitchesOf(plan)].flatMap(([id, place]) => (place === 'plus' ? [id] : [])))

/** Where what hangs on a supply begins: behind its switch, where it has one. */
const sourceOf = (switched: ReadonlySet<string>, supply: string): string =>
  switched.has(supply) ? networkName.powerSwitch(supply) : networkName.supply(supply)

/** From a supply to behind its switch: a short wire and a contact in the plus; the minus does not go through it. */
function switchLead(
  slot: Plan['supplies'][number],
  wire: Wire,
  leads: readonly Lead[],
  nominalA: readonly number[],
): Network['leads'][number] {
  const amperes = leads.reduce(
    (sum, { from }, index) => sum + (from === slot.id ? (nominalA[index] ?? 0) : 0),
    0,
  )
  const contact = powerSwitchOf(slot, amperes) ?? powerSwitches.at(-1)
  return {
    from: networkName.supply(slot.id),
    to: networkName.powerSwitch(slot.id),
    plusOhm: (contact?.ohm ?? 0) + (beside.lengthMm / 1000) * wire.ohmPerM,
    minusOhm: 0,
  }
}

/**
 * What each lead carries nominally at full white, A, shared out evenly between the leads of a run. Which fuse and which switch fit is only
 * known once the currents are; for their resistance this will do.
 */
function nominalLeads(
  plan: Pick<Plan, 'scene' | 'limit'>,
  cutRuns: readonly CutStripRun[],
  leads: readonly Lead[],
  litA: ReadonlyMap<string, number>,
): number[] {
  return nominalAmperes(
    leads,
    leads.map(() => 0),
    (run) => {
      const entry = entryOf(cutRuns, run)
      return litA.get(run) ?? (entry === undefined ? 0 : nominalOf(plan, entry))
    },
  )
}

// The very same run until something that it is made from is another: what was solved for it is found by it.
const keptRuns = new Map<LoadCase, Kept<CutStripRun, NetworkRun>>()

function stripRun(
  plan: RoutedPlan['plan'],
  entry: CutStripRun,
  loadCase: LoadCase,
  duties: Float64Array | undefined,
): NetworkRun {
  const kept = keptRuns.get(loadCase) ?? new Kept<CutStripRun, NetworkRun>()
  keptRuns.set(loadCase, kept)
  const { scene, limit, rules, defaults } = plan
  const run = kept.get(entry, [scene, limit, rules, defaults.wire], () =>
    madeRun(plan, entry, loadCase),
  )
  return duties === undefined ? run : { ...run, duties }
}

function madeRun(
  plan: Pick<RoutedPlan['plan'], 'scene' | 'limit' | 'rules' | 'defaults'>,
  entry: CutStripRun,
  loadCase: LoadCase,
): NetworkRun {
  const { run, strip, groups } = entry
  const loads = loadsPerGroup(strip)
  const jumperOhmPerM = wireOf(plan.defaults.wire).ohmPerM
  return {
    id: run.id,
    loads: groups * loads,
    pitchM: strip.cutPitchMm / loads / 1000,
    railOhmPerM: { p: strip.railOhmPerM, m: strip.railOhmPerM },
    load: stripLoad(strip, dutiesIn(plan, loadCase, run.line, strip), besidePixelMa(entry)),
    jumpers: jumpersOf(entry).flatMap((jumper) => {
      const wayMm = jumperWayMm(jumper)
      if (wayMm === undefined) return []
      const ohm = (cutLengthMm(plan, wayMm) / 1000) * jumperOhmPerM
      return { pad: jumper.pad * loads, plusOhm: ohm, minusOhm: ohm }
    }),
  }
}

/** A load that draws the same current at any volts, with no length of its own. */
const lumped = (id: string, currentA: number): NetworkRun => ({
  id,
  loads: 1,
  pitchM: 1e-6,
  railOhmPerM: { p: 0, m: 0 },
  load: { idleA: currentA },
})

/** The same, but for what a level that changes lets through. */
const dimmed = (
  id: string,
  { idleA, fullA }: { readonly idleA: number; readonly fullA: number },
  duties: Float64Array,
): NetworkRun => ({
  ...lumped(id, 0),
  load: { idleA, channels: [{ fullA, kneeV: 0, offV: 0, duty: 1 }] },
  duties,
})

export type PlanNetworkGiven = Pick<
  RoutedPlan,
  'plan' | 'cutRuns' | 'volts' | 'leads' | 'loads' | 'lit' | 'fit' | 'lanes' | 'circuit'
>

/**
 * The whole feed network of a plan: strips, single lights and the board as loads; the minus of what is dimmed goes through its switch. The
 * first leads are those of `leads`, in their order.
 */
export function planNetwork(
  given: PlanNetworkGiven,
  loadCase: LoadCase,
  levels?: RunLevels,
): Network {
  const { plan, cutRuns, leads, loads, lit, circuit } = given
  const loadById = new Map(loads.map((load) => [load.id, load]))
  const litA = new Map(lit.map(({ id }) => [id, loadById.get(id)?.currentA['full-white'] ?? 0]))
  const network = stripNetwork(given, loadCase, levels, litA)
  const runs = [...network.runs]
  const own = [...network.leads]
  // Single lights: what hangs on each of their leads is one load.
  for (const [index, { to, share, lightShare }] of leads.entries()) {
    const lead = own[index]
    if (lightShare === undefined || to.kind !== 'run' || lead === undefined) continue
    const name = networkName.lights(to.run, share)
    const amperes = loadById.get(to.run)?.currentA
    const duties = levels?.get(to.run)
    runs.push(
      duties === undefined
        ? lumped(name, (amperes?.[loadCase] ?? 0) * lightShare)
        : dimmed(
            name,
            {
              idleA: (amperes?.idle ?? 0) * lightShare,
              // What they draw at full, whatever the plan's limit is: the levels have it in them.
              fullA:
                (((amperes?.['full-white'] ?? 0) - (amperes?.idle ?? 0)) / plan.limit) * lightShare,
            },
            duties,
          ),
    )
    own[index] = { ...lead, to: networkName.pad(name, 0) }
  }
  // The minus of what a dimmer switches goes through it, and on together.
  const commons = new Map(
    circuit.wires.flatMap((wire) =>
      wire.role === 'minus' && wire.to.spot.kind === 'power' ? [[wire.to.block, wire]] : [],
    ),
  )
  for (const dimmer of dimmersOf(cutRuns, lit)) {
    const node = networkName.switch(dimmer.name)
    const ids = new Set(dimmer.runs.map(({ run }) => run.id))
    for (const [index, { to }] of leads.entries()) {
      const lead = own[index]
      if (to.kind !== 'run' || !ids.has(to.run) || lead === undefined) continue
      own[index] = { ...lead, minusOhm: null }
      const channels = entryOf(cutRuns, to.run)?.strip.light.channels.length ?? 1
      // One wire a channel, side by side.
      own.push({
        from: node,
        to: lead.to,
        plusOhm: null,
        minusOhm: (lead.minusOhm ?? 0) / channels,
      })
    }
    const common = commons.get(blockId.switch(dimmer.name))
    const supply = supplyOfLine(plan, dimmer.runs[0]?.run.line)
    if (common !== undefined)
      own.push({
        from: networkName.supply(supply),
        to: node,
        plusOhm: null,
        minusOhm: (common.lengthMm / 1000) * common.gauge.ohmPerM,
      })
  }
  addBoard(given, runs, own, loadCase, levels)
  return { ...network, runs, leads: own }
}

/** The board, with what hangs on its pins, where it lives on a supply of the plan. */
function addBoard(
  { plan, fit, lit, loads, lanes, circuit }: PlanNetworkGiven,
  runs: NetworkRun[],
  leads: Network['leads'][number][],
  loadCase: LoadCase,
  levels?: RunLevels,
): void {
  const supply = boardSupply(plan, fit, lanes)
  const wire = circuit.wires.find(({ bundle, role }) => bundle === 'board' && role === 'plus')
  if (fit === undefined || supply === undefined || wire === undefined) return
  const first = lanes[0]?.runs[0]
  const atStrip = plan.signal.boardFrom === 'strip' && first !== undefined
  const ohm = (wire.lengthMm / 1000) * wire.gauge.ohmPerM
  // Lights on its own pins draw as they are lit where that is given, and else as in the load case.
  const onPins = lit.filter(({ settings }) => isOnPins(settings))
  const byCase = new Set(onPins.flatMap(({ id }) => (levels?.has(id) === true ? [] : [id])))
  const lightsA = loads.reduce(
    (sum, { id, currentA }) => sum + (byCase.has(id) ? currentA[loadCase] : 0),
    0,
  )
  runs.push(lumped(networkName.board, boardA(plan, fit) + lightsA))
  for (const run of onPins) {
    const duties = levels?.get(run.id)
    if (duties === undefined) continue
    const name = networkName.lights(run.id, 0)
    runs.push(dimmed(name, { idleA: run.besideA, fullA: run.peakA }, duties))
    leads.push({
      from: networkName.pad(networkName.board, 0),
      to: networkName.pad(name, 0),
      plusOhm: 0,
      minusOhm: 0,
    })
  }
  leads.push({
    from: atStrip ? networkName.pad(first.entry.run.id, 0) : sourceOf(plusSwitches(plan), supply),
    to: networkName.pad(networkName.board, 0),
    plusOhm: ohm,
    minusOhm: ohm,
  })
}

/** What one load of a strip draws at each brightness of its channels, and what else is in its node (handbook 3, the feed network). */
function stripLoad(
  { light, volts, cutPitchMm }: Strip,
  duties: readonly number[],
  besideMa: number,
): NetworkLoad {
  if (light.kind === 'pixels')
    return {
      idleA: (light.idleMa + besideMa) / 1000,
      channels: light.channels.map(({ fullMa, kneeV, offV }, index) => ({
        fullA: fullMa / 1000,
        kneeV,
        offV,
        duty: duties[index] ?? 0,
      })),
    }
  // Channels share one forward drop; their conductances add up.
  const forwardV = Math.min(...light.channels.map((channel) => channel.forwardV))
  const siemens = light.channels.map(
    ({ wattsPerM }) => (wattsPerM * cutPitchMm) / 1000 / volts / (volts - forwardV),
  )
  const all = siemens.reduce((sum, one) => sum + one, 0)
  const lit = siemens.reduce((sum, one, index) => sum + one * (duties[index] ?? 0), 0)
  return { idleA: 0, ohmic: { forwardV, ohm: 1 / all, duty: lit / all } }
}
