import { largest } from '../quantity/extremes'
import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import type { LitRun } from '../load/lights'
import { boxAround, squareWay, type Point } from '../measure/geometry'
import { placer, placesOf, type Layout } from '../measure/layout'
import { extensionLeads, splitter } from '../parts/drivers'
import type { Plan } from '../plan/plan'

/** Something that is plugged in: how long its lead has to be, and what is put between where its own is too short, mm. */
export interface Plugged {
  readonly needMm: number
  readonly ownMm: number
  /** Extension leads, longest first; none where its own lead reaches. */
  readonly extensionsMm: readonly number[]
}

export interface PluggedLight extends Plugged {
  /** Its number in the run, from 0. */
  readonly light: number
}

/** A splitter with the lights that are plugged into it; the next of its lead is plugged into it too. */
export interface Splitter extends Plugged {
  /** S1, S2 … in the order of the run. */
  readonly name: string
  readonly at: Point
  readonly ways: number
  readonly portsLeft: number
  readonly lights: readonly PluggedLight[]
  /** Through its own lead: its lights and all that comes behind, A. */
  readonly currentA: number
}

/** A lead from the source, and the splitters one behind the other on it. A single light needs none. */
export interface PlugLead {
  readonly lights: number
  readonly currentA: number
  readonly splitters: readonly Splitter[]
  /** Where it ends. */
  readonly end: Point
}

/** How the lights of a run are plugged together. */
export interface PlugTree {
  readonly id: string
  readonly leads: readonly PlugLead[]
  /** What is too short by itself. */
  readonly short: readonly Plugged[]
}

/** Lights whose own leads are plugged in: those that come on one lead, all on or all off. */
export const isPlugged = ({ part, settings }: LitRun): boolean =>
  part.lead !== undefined &&
  settings.joining === 'plugs' &&
  (settings.drive === 'always' || settings.drive === 'switch')

/** Extension leads that make up for what is missing: the longest as often as it goes, then the shortest that does. */
export function extensionsFor(missingMm: number): number[] {
  const lengths = extensionLeads.map(([lengthMm]) => lengthMm)
  const longest = largest(lengths)
  const found: number[] = []
  let left = missingMm
  while (left > longest) {
    found.push(longest)
    left -= longest
  }
  return left > 0 ? [...found, lengths.find((mm) => mm >= left) ?? longest] : found
}

const plugged = (needMm: number, ownMm: number): Plugged => ({
  needMm,
  ownMm,
  extensionsMm: extensionsFor(needMm - ownMm),
})

/** The plug trees of all runs that are plugged together; places are on the drawing. */
export function plugTrees(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  lit: readonly LitRun[],
  layout: Layout,
): PlugTree[] {
  const places = placesOf(layout)
  return lit.filter(isPlugged).flatMap((own): PlugTree[] => {
    const run = entryOf(cutRuns, own.id)?.run
    const place = places.get(own.id)
    if (run === undefined || place === undefined) return []
    const at = run.lights.map(placer(run, place))
    return [plugTree(own, at, run.dropMm ?? 0, 1 + plan.rules.slack)]
  })
}

function plugTree(own: LitRun, at: readonly Point[], dropMm: number, slack: number): PlugTree {
  const leads = Math.min(own.settings.leads, at.length)
  let splitters = 0
  const made = Array.from({ length: leads }, (_, index): PlugLead => {
    // As even as whole lights allow, in the order of the run.
    const from = Math.round((index * at.length) / leads)
    const to = Math.round(((index + 1) * at.length) / leads)
    const lead = plugLead(own, at, from, to, { dropMm, slack, named: splitters })
    splitters += lead.splitters.length
    return lead
  })
  const all = made.flatMap((lead) => lead.splitters)
  return {
    id: own.id,
    leads: made,
    short: all
      .flatMap((one): Plugged[] => [one, ...one.lights])
      .filter(({ extensionsMm }) => extensionsMm.length > 0),
  }
}

function plugLead(
  { part, settings: { ways }, stringA }: LitRun,
  at: readonly Point[],
  from: number,
  to: number,
  {
    dropMm,
    slack,
    named,
  }: { readonly dropMm: number; readonly slack: number; readonly named: number },
): PlugLead {
  const lights = to - from
  const currentA = stringA * lights
  const ownMm = part.lead?.lengthMm ?? 0
  // Every splitter but the last gives one of its plugs to the next.
  const count = lights < 2 ? 0 : Math.ceil((lights - 1) / (ways - 1))
  const splitters: Splitter[] = []
  let first = from
  for (let index = 0; index < count; index += 1) {
    const isLast = index === count - 1
    const next = isLast ? to : first + ways - 1
    const own = at.slice(first, next)
    const here = middle(own)
    const before = splitters.at(-1)
    // The first stands where its lead from the source ends.
    const needMm = before === undefined ? 0 : squareWay(before.at, here) * slack
    splitters.push({
      ...plugged(needMm, splitter.tailMm),
      name: `S${String(named + index + 1)}`,
      at: here,
      ways,
      portsLeft: ways - own.length - (isLast ? 0 : 1),
      lights: own.map((light, offset) => ({
        light: first + offset,
        ...plugged((squareWay(light, here) + dropMm) * slack, ownMm),
      })),
      currentA: stringA * (to - first),
    })
    first = next
  }
  return { lights, currentA, splitters, end: splitters[0]?.at ?? at[from] ?? [0, 0] }
}

/** Where the farthest of some places is nearest: the middle of their box. */
function middle(points: readonly Point[]): Point {
  const { x, y, width, height } = boxAround(points)
  return [x + width / 2, y + height / 2]
}

/** How many of each something there are, longest or most first. */
export function countBy(values: readonly number[]): (readonly [value: number, count: number])[] {
  const counts = new Map<number, number>()
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1)
  return [...counts].toSorted(([a], [b]) => b - a)
}

/** Extension leads of a tree, longest first. */
export const extensionsOf = ({ short }: PlugTree): (readonly [lengthMm: number, count: number])[] =>
  countBy(short.flatMap(({ extensionsMm }) => extensionsMm))
