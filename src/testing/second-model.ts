import { chemistries } from '../core/parts/chemistries'
import type { SupplyPart } from '../core/plan/parts'
import type { Plan } from '../core/plan/plan'
import type { WorkedPlan } from '../core/derived'

/** Everything that is drawn of a supply in one state of the light, and how it is reckoned. */
export interface SecondSupply {
  readonly id: string
  readonly fullA: number
  readonly levelA: number
  readonly redA: number
  readonly idleA: number
  /** While the light is off: what nothing dims is off too. */
  readonly offA: number
  readonly needA: number
  readonly limitMa: number | null
  readonly kwhPerYear: number | null
  /** Of cells; `Infinity` where nothing is drawn, `null` where it lives on none. */
  readonly hours: number | null
}

interface DrawnRun {
  /** Made for so many volts. */
  readonly volts: number
  /** At full, of its red alone, dark, A; and whether anything dims it. */
  readonly fullA: number
  readonly redA: number
  readonly darkA: number
  readonly level: number
  readonly isDimmed: boolean
  readonly isOnPins: boolean
}

/**
 * Load, supplies, limits, energy and batteries of a plan, worked out a second time from the handbook's sums, its parts and what was counted:
 * pixels, groups, lights, leads with the amperes that the feed was solved for. It shares no sum with the core, so that an error in one of
 * them shows.
 */
export function secondModel(given: WorkedPlan): SecondSupply[] {
  const { plan, cutRuns, lit, full, leads, fit, lanes, supplies } = given
  const runs = new Map(cutRuns.map((entry) => [entry.run.id, drawnRun(plan, entry, lit)] as const))
  const flows = leads.flatMap(({ id, from, to }) => {
    const supply = sourceOf(plan, from)
    const amperes = full.leads.find(({ lead }) => lead.id === id)?.currentA ?? 0
    return to.kind === 'run' && supply !== undefined ? [{ run: to.run, supply, amperes }] : []
  })
  /** How much of a run a supply carries: by amperes, by heads where none flow. */
  const carried = (run: string, supply: string): number => {
    const own = flows.filter((flow) => flow.run === run)
    const all = own.reduce((sum, { amperes }) => sum + amperes, 0)
    const here = own.filter((flow) => flow.supply === supply)
    return all > 1e-9
      ? here.reduce((sum, { amperes }) => sum + amperes, 0) / all
      : here.length / Math.max(1, own.length)
  }
  const home = lanes[0]?.runs[0]?.entry.run.line
  const firstOf = (line: typeof home): string | undefined =>
    line === undefined
      ? plan.supplies[0]?.id
      : ((line.feeds ?? [{ from: undefined }])
          .map(({ from }) => sourceOf(plan, from ?? line.supplyId ?? plan.supplies[0]?.id ?? ''))
          .find((one) => one !== undefined) ?? plan.supplies[0]?.id)
  const sensorMa: Readonly<Record<string, number>> = {
    motion: 1,
    light: 0.5,
    knob: 0.5,
    button: 0.1,
    tilt: 0.1,
    distance: 15,
    proximity: 20,
    sound: 5,
    remote: 0.5,
  }
  const boardA =
    fit === undefined
      ? 0
      : fit.board.drawA +
        plan.signal.inputs.reduce((sum, { kind }) => sum + (sensorMa[kind] ?? NaN), 0) / 1000
  const boardOn = fit === undefined || plan.signal.boardFrom === 'usb' ? undefined : firstOf(home)

  return plan.supplies.map((slot, at): SecondSupply => {
    const volts = given.volts.get(slot.id) ?? 0
    const part = supplies[at]?.part
    const sums = { full: 0, level: 0, red: 0, idle: 0, off: 0, undimmed: 0 }
    const onIt = boardOn === slot.id ? boardA : 0
    for (const key of Object.keys(sums) as (keyof typeof sums)[]) sums[key] += onIt
    for (const [id, run] of runs) {
      // What hangs on the board's pins is fed through it, at its own volts.
      const share = run.isOnPins ? Number(boardOn === slot.id) : carried(id, slot.id)
      if (share === 0) continue
      const isMadeForIt = volts >= 0.85 * run.volts - 1e-9 && volts <= 1.05 * run.volts + 1e-9
      if (!run.isOnPins && !isMadeForIt) continue
      const { fullA, redA, darkA, level, isDimmed } = run
      const lightA = fullA - darkA
      sums.full += share * (darkA + lightA * (isDimmed ? plan.limit : 1))
      sums.level += share * (darkA + lightA * (isDimmed ? Math.min(level, plan.limit) : 1))
      sums.red += share * (darkA + (isDimmed ? redA * plan.limit : lightA))
      sums.idle += share * (darkA + (isDimmed ? 0 : lightA))
      sums.off += share * (isDimmed ? darkA : 0)
      sums.undimmed += share * (isDimmed ? darkA : fullA)
    }
    const headroom = plan.rules.sizing === 'full-white' ? plan.rules.headroom : 0
    const loadA = plan.rules.sizing === 'scenes' ? sums.level : sums.full
    const { mix, hoursADay } = plan.use
    const dark = Math.max(0, 60 - mix.fullWhite - mix.level)
    const minutes = dark + mix.fullWhite + mix.level
    const meanA = (sums.idle * dark + sums.level * mix.level + sums.full * mix.fullWhite) / minutes
    const peakA = Math.max(
      sums.idle,
      mix.level > 0 ? sums.level : 0,
      mix.fullWhite > 0 ? sums.full : 0,
    )
    return {
      id: slot.id,
      fullA: sums.full,
      levelA: sums.level,
      redA: sums.red,
      idleA: sums.idle,
      offA: sums.off,
      needA: loadA / (1 - headroom),
      limitMa:
        part === undefined ? null : 1000 * Math.max(0, givesA(part, headroom) - sums.undimmed),
      kwhPerYear:
        part === undefined
          ? null
          : (365 *
              (meanA * volts * hoursADay + (sums.off * volts + part.standbyW) * (24 - hoursADay))) /
            part.efficiency /
            1000,
      hours: part === undefined ? null : hoursOf(part, meanA, peakA),
    }
  })
}

/** Walks back through junctions until it stands at a supply. */
function sourceOf(plan: Plan, from: string): string | undefined {
  let place: string | undefined = from
  for (let steps = 0; steps <= plan.junctions.length && place !== undefined; steps += 1) {
    const here: string = place
    if (plan.supplies.some(({ id }) => id === here)) return here
    const junction: Plan['junctions'][number] | undefined = plan.junctions.find(
      ({ id }) => id === here,
    )
    place = junction && (junction.from ?? plan.supplies[0]?.id)
  }
  return undefined
}

function drawnRun(
  plan: Plan,
  { run, strip, groups, pixels }: WorkedPlan['cutRuns'][number],
  lit: WorkedPlan['lit'],
): DrawnRun {
  const { line } = run
  const level = line.level ?? plan.scene.level
  // Of emitters that are scanned one node's draw at a time: each its share of it.
  const nodeMa = (line.node?.parts ?? []).reduce(
    (sum, { count, mA, isScanned }) =>
      sum + count * mA * (isScanned === true ? 1 / run.lights.length : 1),
    0,
  )
  const lights = lit.find(({ id }) => id === run.id)
  if (lights !== undefined) {
    const { part, settings, supplyV } = lights
    const { drive } = settings
    const inSeries =
      part.kind === 'led' && part.legs === undefined ? (line.lights?.inSeries ?? 1) : 1
    const groups = Math.ceil(run.lights.length / inSeries)
    // Ohm's law over what the resistor is, or what the light is sold with, leg by leg.
    const dropV = drive === 'sink' ? 0.6 : 0
    const legs = (part.legs?.colours ?? [part]).map(({ name, volts, mA }, at) => {
      const free = supplyV - inSeries * volts
      const { resistor } = lights.colours[at] ?? {}
      const isShared = settings.resistor === 'shared' && groups > 1
      const eachA =
        part.kind === 'led' && free <= 0
          ? 0
          : resistor === undefined
            ? mA / 1000
            : (free - dropV) / resistor.pickOhm / (isShared ? groups : 1)
      return { name, eachA }
    })
    const eachA = legs.reduce((sum, leg) => sum + leg.eachA, 0)
    const onlyA = Math.max(...legs.map((leg) => leg.eachA))
    const allA =
      drive === 'charlie' || (drive === 'matrix' && settings.scan === 'led')
        ? onlyA
        : eachA * (drive === 'matrix' ? lights.columns : groups)
    const darkA = (nodeMa * run.lights.length) / 1000
    const isOneByOne = drive !== 'always' && drive !== 'switch'
    const redShare =
      part.legs === undefined || !isOneByOne || eachA === 0
        ? 1
        : (legs.find(({ name }) => name === 'red')?.eachA ?? 0) / eachA
    return {
      volts: part.kind === 'fixed' ? part.volts : supplyV,
      fullA: darkA + allA,
      redA: allA * redShare,
      darkA,
      // Single lights have no level of their own line.
      level: plan.scene.level,
      isDimmed:
        settings.drive !== 'always' && !(settings.drive === 'switch' && settings.by === 'button'),
      isOnPins: ['pins', 'matrix', 'charlie'].includes(settings.drive),
    }
  }
  const isDimmed = strip.light.kind === 'pixels' || line.dimmer !== undefined
  if (strip.light.kind === 'pixels') {
    const { channels, idleMa } = strip.light
    // Pixels that hang on wire are nodes: what else is in each draws beside it.
    const isNode = run.lights.length > 0
    const nodesMa = isNode ? nodeMa * run.lights.length : 0
    const darkA = (pixels * idleMa + nodesMa) / 1000
    const ofA = (names: readonly string[]): number =>
      channels.reduce(
        (sum, { name, fullMa }) => sum + (names.includes(name) ? fullMa * pixels : 0),
        0,
      ) / 1000
    const fullA = ofA(channels.map(({ name }) => name))
    return {
      volts: strip.volts,
      fullA: darkA + fullA,
      redA: ofA(['red']),
      darkA,
      level,
      isDimmed,
      isOnPins: false,
    }
  }
  // By the watts of what is laid: groups × their length.
  const metres = (groups * strip.cutPitchMm) / 1000
  const watts = (names?: string): number =>
    strip.light.kind === 'plain'
      ? strip.light.channels
          .filter(({ name }) => names === undefined || name === names)
          .reduce((sum, { wattsPerM }) => sum + wattsPerM * metres, 0)
      : 0
  return {
    volts: strip.volts,
    fullA: watts() / strip.volts,
    redA: watts('red') / strip.volts,
    darkA: 0,
    level,
    isDimmed,
    isOnPins: false,
  }
}

/** What a supply may give, and a linear regulator behind it: its own amperes, its heat, and 1.1 V of dropout. */
function givesA({ ratedA, regulator, volts }: SupplyPart, headroom: number): number {
  const own = ratedA * (1 - headroom)
  if (regulator === undefined) return own
  const over = regulator.inV - volts
  if (over < 1.1) return 0
  return Math.min(own, regulator.limitA, regulator.limitW / over)
}

/** Hours of cells, followed minute by minute, until the peak pulls them below their cut-off or they are empty. */
function hoursOf(part: SupplyPart, meanA: number, peakA: number): number | null {
  if (part.bank !== undefined)
    return meanA === 0 ? Infinity : (part.bank.wattHours * part.efficiency) / (meanA * part.volts)
  if (part.battery === undefined) return null
  const { chemistry, inSeries, inParallel, cutoffV, ah: printed } = part.battery
  const table = Object.entries(chemistries).find(([name]) => name === chemistry)?.[1]
  if (table === undefined) return null
  if (meanA === 0) return Infinity
  const scale = (printed ?? table.ampereHours) / table.ampereHours
  const [ah, refA, ohm] = [table.ampereHours * scale, table.refA * scale, table.ohm / scale]
  const isBoosted = part.kind === 'boosted-cell'
  const openAt = (depth: number): number => {
    const above = table.ocv.findIndex(([at], index) => index > 0 && at >= depth)
    const [a, b] = [table.ocv[above - 1], table.ocv[above]]
    return a && b ? inSeries * (a[1] + ((b[1] - a[1]) * (depth - a[0])) / (b[0] - a[0])) : 0
  }
  /** Volts and amperes at the pack's ends: what a booster takes rises as it sags, by turns until they agree. */
  const under = (depth: number, amperes: number): readonly [number, number] => {
    const inside = (ohm * (1 + table.growth * depth) * inSeries) / inParallel
    const open = openAt(depth)
    if (!isBoosted) return [open - amperes * inside, amperes]
    const watts = (amperes * part.volts) / part.efficiency
    let volts = open
    for (let turn = 0; turn < 200; turn += 1) {
      volts = open - (watts / volts) * inside
      if (!(volts > 0)) return [0, Infinity]
    }
    return [volts, watts / volts]
  }
  // A step that takes at most a three-thousandth of the cells, whatever is drawn.
  const roughA = isBoosted ? (meanA * part.volts) / part.efficiency / (3 * inSeries) : meanA
  const dt = (ah * inParallel) / Math.max(roughA, 1e-9) / 3_000
  let [hours, depth] = [0, 0]
  while (depth < 1) {
    const [peakV] = under(depth, peakA)
    if (peakV < cutoffV) break
    const cellA = under(depth, meanA)[1] / inParallel
    if (!Number.isFinite(cellA)) break
    const holds = cellA > refA ? ah * (refA / cellA) ** (table.k - 1) : ah
    depth += (cellA * dt) / holds
    hours += dt
  }
  return hours
}
