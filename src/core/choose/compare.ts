import { litSpansOf, type CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { planFeeds } from '../feed/planner'
import { brightnessOf, lightShare, runLux } from '../glow/run-light'
import { blend } from '../glow/blend'
import { lightPitchMm } from '../parts/light-pitch'
import { hidesDots, mounted } from '../parts/mounted'
import { laneTiming } from '../lanes/timing'
import { change, type Command } from '../plan/commands'
import type { Strip } from '../plan/parts'
import type { Plan } from '../plan/plan'
import { suppliesOfLine } from '../plan/supply-of'
import { engineOf, worked } from '../worked'
import type { Engine } from '../engine'
import type { Grade } from '../verdict/kinds'

/** A plan worked out whole with one strip in the place of its own. */
export interface Candidate {
  readonly strip: Strip
  /** It is what the plan has now. */
  readonly isPresent: boolean
  /** Of everything on the bill that has a price. */
  readonly cost: number
  readonly unpriced: number
  /** At full white within the plan's limit, W. */
  readonly powerW: number
  /** Names of the supplies; empty where none is large enough. */
  readonly supplies: readonly string[]
  /** Leads that meet a run. */
  readonly feeds: number
  readonly joints: number
  /** Of joining, h. */
  readonly hours: number
  /** At full white, lm. */
  readonly lumens: number
  /** On the surface below the run whose height is known, lx; `null` where none is. */
  readonly lux: number | null
  /** Dots behind the cover, 0 for an even line; `null` where nothing covers them (handbook 3, blend). */
  readonly ripple: number | null
  /** From light to light, mm. */
  readonly pitchMm: number
  /** Of the slowest lane; `null` where nothing is sent. */
  readonly framesPerSecond: number | null
  /** Of the battery that is empty first; `null` where there is none. */
  readonly batteryHours: number | null
  readonly problems: readonly {
    readonly code: string
    readonly grade: Exclude<Grade, 'note'>
    readonly text: string
  }[]
  /** All that makes the plan so, as one edit. */
  readonly commands: readonly Command[]
}

/** Runs that are made of strip: what a candidate takes the place of. */
const stripRuns = (cutRuns: readonly CutStripRun[]): CutStripRun[] =>
  cutRuns.filter((entry) => entry.run.segments.length > 0 && !isOnWire(entry))

/**
 * Strips that could take the place of the plan's own: all that lie as its runs do. One that is bent in its own plane somewhere has to stand
 * that; nodes on wire take no strip's place.
 *
 * @param kept strips of the user's own that the plan does not know yet
 */
export function candidatesFor(plan: Plan, kept: readonly Strip[] = []): Strip[] {
  const { cutRuns, parts } = worked(plan)
  const known = new Set(parts.strips.map(({ id }) => id))
  const runs = stripRuns(cutRuns)
  if (runs.length === 0) return []
  const isEdgewise = runs.some(({ run }) => mounted(plan.own, run.line.mount).bend === 'edgewise')
  return [...parts.strips, ...kept.filter(({ id }) => !known.has(id))].filter(
    ({ nodesPerString, edgeRadiusMm }) =>
      nodesPerString === undefined && (!isEdgewise || edgeRadiusMm !== null),
  )
}

/** The edit that lays a strip in all runs of strip. Supplies of other volts become the smallest that will do; leads set by hand go, since pads lie elsewhere. */
export function layCommands(plan: Plan, strip: Strip): Command[] {
  const { cutRuns, volts, parts } = worked(plan)
  const runs = stripRuns(cutRuns)
  const isLaid = new Set(runs.map(({ run }) => run.id))
  const others = plan.lines.filter(({ id }) => !isLaid.has(id))
  const isOther = (entry: CutStripRun): boolean => entry.strip.cutPitchMm !== strip.cutPitchMm
  const moved = runs.filter((entry) => isOther(entry)).map(({ run }) => run.id)
  const slots = new Set(runs.flatMap(({ run }) => suppliesOfLine(plan, run.line)))
  return [
    // What is no strip keeps what it has, whatever becomes the plan's own.
    ...others.flatMap(({ id, stripId }): Command[] =>
      cutRuns.some((entry) => entry.run.id === id && isOnWire(entry)) && stripId === undefined
        ? [{ do: 'set-strip', line: id, strip: plan.defaults.stripId }]
        : [],
    ),
    ...runs.flatMap(({ run }): Command[] =>
      run.line.stripId === undefined ? [] : [{ do: 'set-strip', line: run.id, strip: undefined }],
    ),
    ...(parts.strips.some(({ id }) => id === strip.id)
      ? []
      : [{ do: 'own-strip', strip } as const]),
    { do: 'set-default-strip', strip: strip.id },
    ...(moved.length > 0
      ? [{ do: 'set-lines', lines: moved, set: { feeds: undefined, cutting: undefined } } as const]
      : []),
    ...plan.supplies.flatMap(({ id, part }): Command[] => {
      const known = parts.supplies.find((one) => one.id === part)
      const isFit = volts.get(id) === strip.volts && known?.volts === strip.volts
      return part === 'auto' || isFit || !slots.has(id)
        ? []
        : [{ do: 'pick-supply', supply: id, part: 'auto' }]
    }),
  ]
}

/**
 * Works the plan out whole with each of some strips, fed as the planner would feed them. Yields each as it is done.
 *
 * @param strips those that are tried; without any all that lie as the plan's runs do
 */
export function* compare(
  plan: Plan,
  strips: readonly Strip[] = candidatesFor(plan),
): Generator<Candidate> {
  const engine = engineOf(plan)
  const runs = stripRuns(engine.worked.cutRuns)
  for (const strip of strips) {
    const isPresent = runs.every((entry) => entry.strip.id === strip.id)
    const lay = isPresent ? [] : layCommands(plan, strip)
    const laid = isPresent ? engine : engine.fork(change(plan, lay).plan)
    const feed = isPresent ? [] : feedCommands(laid)
    const commands = [...lay, ...feed]
    const own = feed.length === 0 ? laid : laid.fork(change(plan, commands).plan)
    yield { ...candidate(own, strip), isPresent, commands }
  }
}

/** What the planner adds so that every light keeps what the plan wants it to keep. */
function feedCommands({ worked: given }: Engine): readonly Command[] {
  const { answers } = planFeeds(given, { kind: 'brightness', atLeast: given.plan.rules.keep })
  return (answers.find(({ wishes }) => wishes.includes('cheapest')) ?? answers[0])?.commands ?? []
}

function candidate(
  { worked: given }: Engine,
  strip: Strip,
): Omit<Candidate, 'isPresent' | 'commands'> {
  const { cutRuns, loads, supplies, leads, joints, lanes, receipt, findings, batteries } = given
  const runs = stripRuns(cutRuns)
  const { plan } = given
  const pitchMm = lightPitchMm(strip)
  const covered = runs.map(({ run }) => mounted(plan.own, run.line.mount)).filter(hidesDots)
  const lit = runs.find(({ run }) => run.line.mount?.aboveMm !== undefined)
  const rates = lanes.map((lane) => laneTiming(lane).framesPerSecond)
  const hours = [...batteries.values()].flatMap((battery) => battery.hours ?? [])
  const used = supplies.filter(({ loadA }) => loadA > 0)
  return {
    strip,
    cost: receipt.total,
    unpriced: receipt.unpriced,
    powerW: loads.reduce((sum, { currentA, volts }) => sum + currentA['full-white'] * volts, 0),
    supplies: used.flatMap(({ part }) => part?.name ?? []),
    feeds: leads.filter(({ to }) => to.kind === 'run').length,
    joints: joints.length,
    hours: (joints.at(-1)?.soFarMin ?? 0) / 60,
    lumens: runs.reduce(
      (sum, entry) =>
        sum + (entry.placedMm / 1000) * entry.strip.lumensPerM * brightnessOf(plan, entry),
      0,
    ),
    lux:
      lit === undefined || lit.placedMm === 0
        ? null
        : runLux({
            segments: lit.run.segments,
            litMm: litSpansOf(lit),
            lumensPerM: strip.lumensPerM,
            share: lightShare(plan, lit),
            heightM: (lit.run.line.mount?.aboveMm ?? 0) / 1000,
          }),
    // The worst of the covers: where the dots show most.
    ripple:
      covered.length === 0
        ? null
        : Math.max(...covered.map(({ coverMm }) => blend({ pitchMm, depthMm: coverMm }).ripple)),
    pitchMm,
    framesPerSecond: rates.length === 0 ? null : Math.min(...rates),
    batteryHours: hours.length === 0 ? null : Math.min(...hours),
    problems: findings.flatMap(({ code, grade, text }) =>
      grade === 'note' ? [] : [{ code, grade, text }],
    ),
  }
}
