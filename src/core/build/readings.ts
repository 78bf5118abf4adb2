import { networkName } from '../feed/plan-network'
import { solve } from '../feed/solve'
import { loadRuns } from '../load/load'
import type { ReadingKind } from '../plan/build-choices'
import type { LoadCase } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { connectedAfter, type Connected, type ConnectedGiven, type Stretch } from './connected'
import type { Step } from './step'

/** What a meter or the bench supply should say. */
export interface Reading {
  readonly what: ReadingKind
  /** Of a current the id of the supply; of volts a pad, as it is named in the network. */
  readonly where: string
  /** Of volts: the pad, in cut groups from where the wire enters. */
  readonly pad?: { readonly run: string; readonly at: number }
  /** A load case; `unpowered` for a resistance. */
  readonly case: LoadCase | 'unpowered'
  /** Brightness of the case `level`, 0–1. */
  readonly level?: number
  readonly value: number
  readonly unit: 'A' | 'V' | 'Ω'
  /** Share by which it may differ. */
  readonly tolerance: number
  /** More is right too. */
  readonly isLeast?: boolean
}

/** What to expect after a step. */
export interface Expected {
  readonly connected: Connected['runs']
  readonly by: Connected['by']
  readonly readings: readonly Reading[]
  /** What to set a bench supply's limit to, A. */
  readonly benchLimitA: number
}

/** Kinds of steps at which something is read, but for the try of a reel. */
const readKinds: ReadonlySet<Step['kind']> = new Set(['check', 'test', 'power', 'soak'])

export const isReadAt = ({ kind, phase }: Pick<Step, 'kind' | 'phase'>): boolean =>
  readKinds.has(kind) && phase !== 'reel'

/** What of the readings is taken at a step: a meter check is done unpowered, everything else on a supply. */
export const shownAt = (
  { kind }: Pick<Step, 'kind'>,
  readings: readonly Reading[],
): readonly Reading[] =>
  readings.filter(({ what }) => (what === 'resistance') === (kind === 'check'))

/** Makes differ: shares by which readings may, until the strip is measured (handbook 11). */
const tolerances = { idle: 0.5, colour: 0.3, volts: 0.05, measured: 0.15 } as const

/** What a bench supply is asked for at the most, A. */
const safeA = 2
const levels = [0.5, 0.25, 0.1, 0.05, 0.02, 0.01] as const
const least = 0.005
/** A bench supply is set to so much more than is expected, and to steps of 50 mA. */
const benchShare = 1.3
const stepsAnA = 20

/** Below this there is a short, Ω; and what is suspicious on a short run of pixels (handbook 11). */
export const shortOhm = 10
export const suspiciousOhm = (pixels: number): number =>
  1000 * Math.min(1, 300 / Math.max(1, pixels))

/** The same plan with nothing brighter than that. */
function heldTo(given: ConnectedGiven, limit: number): ConnectedGiven {
  const plan: Plan = { ...given.plan, limit }
  return { ...given, plan, loads: loadRuns(plan, given.cutRuns, given.lit) }
}

/** A solved part of the plan: amperes by the plan's ids of supplies, volts by run of the network. */
interface Solved {
  readonly connected: Connected
  readonly supplyA: ReadonlyMap<string, number>
  readonly volts: ReadonlyMap<string, Float64Array>
}

function solvedAfter(
  given: ConnectedGiven,
  done: ReadonlySet<string>,
  step: Step,
  loadCase: LoadCase,
): Solved {
  const connected = connectedAfter(given, done, step, loadCase)
  const result = solve(connected.network)
  const fed = new Set(connected.network.leads.map(({ from }) => from))
  const supplyA = new Map<string, number>()
  for (const { id } of given.plan.supplies) {
    const name = networkName.supply(id)
    const value = result.ok ? result.solution.supplyA.get(name) : undefined
    if (value !== undefined && fed.has(name)) supplyA.set(id, value)
  }
  const volts = new Map<string, Float64Array>()
  if (result.ok)
    for (const [id, run] of result.solution.runs) if ('volts' in run) volts.set(id, run.volts)
  return { connected, supplyA, volts }
}

const colours = ['red', 'green', 'blue'] as const

/**
 * What the meter should say after a step: the amperes of each supply at idle, at each colour and at a white that a bench supply can give, and
 * volts at the ends of what the step is about; before power a resistance.
 */
export function readingsAfter(
  given: ConnectedGiven,
  done: ReadonlySet<string>,
  step: Step,
): Expected {
  const idle = solvedAfter(given, done, step, 'idle')
  const whole = solvedAfter(given, done, step, 'full-white')
  const readings: Reading[] = []
  const add = (found: Solved, loadCase: LoadCase, tolerance: number, level?: number): void => {
    for (const [where, value] of found.supplyA)
      readings.push({
        what: 'current',
        where,
        case: loadCase,
        ...(level !== undefined && { level }),
        value,
        unit: 'A',
        tolerance,
      })
  }
  // Once all that is connected was measured, less may differ.
  const isMeasured = given.cutRuns.every(
    ({ run, strip }) => !idle.connected.runs.has(run.id) || strip.isMeasured === true,
  )
  const off = isMeasured ? { idle: tolerances.measured, colour: tolerances.measured } : tolerances
  add(idle, 'idle', off.idle)
  const noted = step.kind === 'check' ? [shortsIn(given, idle.connected, step)] : []
  const most = Math.max(0, ...whole.supplyA.values())
  if (most <= 0)
    return {
      connected: idle.connected.runs,
      by: idle.connected.by,
      readings: [...readings, ...noted],
      benchLimitA: 0,
    }
  // As bright as the plan lets it be, or so dim that a bench supply can give it.
  const { limit } = given.plan
  const isOwnSupply = step.kind === 'power' || step.kind === 'soak' || step.kind === 'book'
  const level =
    isOwnSupply || most <= safeA
      ? limit
      : (levels.find((one) => one < limit && (one / limit) * most <= safeA) ?? least)
  const held = level === limit ? given : heldTo(given, level)
  const lit = level === limit ? whole : solvedAfter(held, done, step, 'full-white')
  const white = level === limit ? 'full-white' : 'level'
  const hasColours = given.cutRuns.some(
    ({ run, strip }) =>
      idle.connected.runs.has(run.id) &&
      colours.every((colour) => strip.light.channels.some(({ name }) => name === colour)),
  )
  if (hasColours)
    for (const colour of colours)
      add(solvedAfter(held, done, step, colour), colour, off.colour, level)
  add(lit, white, off.colour, level)
  for (const { where, pad, volts } of endsOf(lit, given, step.place))
    readings.push({
      what: 'volts',
      where,
      pad,
      case: white,
      level,
      value: volts,
      unit: 'V',
      tolerance: tolerances.volts,
    })
  const expected = Math.max(0, ...lit.supplyA.values())
  return {
    connected: idle.connected.runs,
    by: idle.connected.by,
    readings: [...readings, ...noted],
    benchLimitA: Math.ceil(expected * benchShare * stepsAnA - 1e-9) / stepsAnA,
  }
}

/** Volts at the first and the last powered load of a run, by the names of its parts in the network. */
function endsOf(
  { connected, volts }: Solved,
  { cutRuns }: ConnectedGiven,
  run: string,
): { readonly where: string; readonly pad: NonNullable<Reading['pad']>; readonly volts: number }[] {
  const entry = cutRuns.find((one) => one.run.id === run)
  const stretches = connected.runs.get(run)
  if (entry === undefined || stretches === undefined) return []
  const own = [...volts].filter(([id]) => connected.partsOf.get(id) === run)
  const [first, last] = [own[0], own.at(-1)]
  if (first === undefined || last === undefined) return []
  const [from] = stretches[0] ?? [0, 0]
  const [start, count] = stretches.at(-1) ?? [0, 0]
  const atPad = (at: number, own = 0): ReturnType<typeof endsOf>[number] => ({
    where: `${run}@${String(at)}`,
    pad: { run, at },
    volts: own,
  })
  return [atPad(from, first[1][0]), atPad(start + count, last[1].at(-1))]
}

/** What the ohmmeter must at least show across plus and minus of what is joined. */
const shortsIn = (given: ConnectedGiven, { runs }: Connected, { place }: Step): Reading => ({
  what: 'resistance',
  where: place,
  case: 'unpowered',
  value: suspiciousOhm(pixelsIn(given, place, runs.get(place) ?? [])),
  unit: 'Ω',
  tolerance: 0,
  isLeast: true,
})

/** Pixels in some cut groups of a run. */
function pixelsIn({ cutRuns }: ConnectedGiven, run: string, stretches: readonly Stretch[]): number {
  const light = cutRuns.find((entry) => entry.run.id === run)?.strip.light
  const groups = stretches.reduce((sum, [, count]) => sum + count, 0)
  return light?.kind === 'pixels' ? groups * light.perCut : 0
}

/** How a reading compares with what was expected. */
export type Judgement = 'right' | 'low' | 'high'

/** Amperes and volts that a meter cannot tell from nothing. */
const meterError = { A: 0.01, V: 0.02, Ω: 0.5 } as const

/** Whether a reading is as it should be, within the tolerance and what a meter can tell. */
export function judged(
  { value, unit, tolerance, isLeast }: Pick<Reading, 'value' | 'unit' | 'tolerance' | 'isLeast'>,
  read: number,
): Judgement {
  const slack = Math.abs(value) * tolerance + meterError[unit]
  if (read < value - slack) return 'low'
  return read > value + slack && isLeast !== true ? 'high' : 'right'
}
