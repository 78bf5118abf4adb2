import type { Line, Plan } from '../plan/plan'
import type { Parts } from '../parts/find'
import { stripOf, stripsOf } from '../parts/find-strips'
import { mostGroups, mostLeads, mostLights } from '../plan/usual'
import { formatQuantity } from '../quantity/format'
import { Kept, KeptList } from '../quantity/kept'
import { boxAround } from './geometry'
import { readLine, type JottedRun, type Reading } from './jot'

/** A line of the pad that lights something. Its id is the line's. */
export interface MeasuredRun extends JottedRun {
  readonly id: string
  readonly line: Line
  /** From pixel to pixel of its strip, mm; `undefined` for a plain strip. */
  readonly pixelMm: number | undefined
}

export interface MeasuredLine {
  readonly line: Line
  readonly reading: Reading
}

export interface Measured {
  readonly lines: readonly MeasuredLine[]
  readonly runs: readonly MeasuredRun[]
}

// A plan is immutable: a line that did not change is the same object. It need not be read again, and its run stays the
// same object too, so that a view can tell what changed.
const keptReadings = new Kept<Line, Reading>()
const keptLines = new KeptList<Line, ReadLine>()
const keptRuns = new KeptList<MeasuredJot, MeasuredRun>()

/** What the pad is read from: its lines, and the strips that counts of pixels are of. */
export type MeasuredPlan = Pick<Plan, 'lines'> & Partial<Pick<Plan, 'defaults' | 'own'>>

/**
 * Reads the whole pad. Runs without a name are called after their shape and counted: `Edge 1`.
 *
 * @param parts those of the plan, where they are known already
 */
export function measure(
  plan: MeasuredPlan,
  parts: Pick<Parts, 'strips'> = { strips: stripsOf(plan.own?.strips) },
): Measured {
  const pitchesOf = stripPitches(plan, parts)
  const read = keptLines.map(plan.lines, (line, last) => {
    const { pixelMm, finestMm } = pitchesOf(line)
    if (last !== undefined && last.pixelMm === pixelMm && last.finestMm === finestMm) return last
    const reading = readingOf(line, pixelMm)
    const counts = countsOf(line, reading, finestMm)
    return { pixelMm, finestMm, measured: { line, reading }, counts }
  })
  const lines = withinLimits(read)
  const namer = runNamer()
  const runs = keptRuns.map(lines.filter(isRun), ({ line, reading }, last) => {
    const [name, { pixelMm }] = [namer(reading), pitchesOf(line)]
    return last?.name === name && last.pixelMm === pixelMm
      ? last
      : { ...inOrder(line, reading), name, id: line.id, line, pixelMm }
  })
  return { lines, runs }
}

/** A line as it was read with the pitches of its strip, and what it counts as against the limits of a plan. */
interface ReadLine extends Pitches {
  readonly measured: MeasuredLine
  readonly counts: Counts
}

interface Counts {
  readonly groups: number
  readonly lights: number
  readonly leads: number
}

type MeasuredJot = MeasuredLine & { readonly reading: JottedRun & Reading }

const isRun = (entry: MeasuredLine): entry is MeasuredJot => entry.reading.kind === 'run'

interface Pitches {
  /** From pixel to pixel, mm; `undefined` where a line has no strip or a plain one. */
  readonly pixelMm: number | undefined
  /** The shorter of that and its cut pitch; `undefined` where it has no strip. */
  readonly finestMm: number | undefined
}
const noStrip: Pitches = { pixelMm: undefined, finestMm: undefined }

function stripPitches(
  { defaults }: MeasuredPlan,
  parts: Pick<Parts, 'strips'>,
): (line: Line) => Pitches {
  const known = new Map<string, Pitches>()
  return ({ stripId = defaults?.stripId }) => {
    if (stripId === undefined) return noStrip
    const before = known.get(stripId)
    if (before !== undefined) return before
    const { light, cutPitchMm } = stripOf(parts, stripId)
    const pixelMm = light.kind === 'pixels' ? 1000 / light.perM : undefined
    const pitches = { pixelMm, finestMm: Math.min(cutPitchMm, pixelMm ?? Infinity) }
    known.set(stripId, pitches)
    return pitches
  }
}

const limits = [
  { what: 'groups', most: mostGroups, name: 'pixels or cut groups', check: 'Check its unit' },
  { what: 'lights', most: mostLights, name: 'single lights', check: 'Check its unit' },
  { what: 'leads', most: mostLeads, name: 'leads', check: 'Take some of them away' },
] as const

function countsOf({ feeds = [] }: Line, reading: Reading, finestMm: number | undefined): Counts {
  if (reading.kind !== 'run') return { groups: 0, lights: 0, leads: 0 }
  return {
    groups: finestMm === undefined ? 0 : reading.wantedMm / finestMm,
    lights: reading.lights.length,
    leads: feeds.length,
  }
}

/** Refuses the lines that would bring a plan above what can be worked out in a moment: counts that multiply, or a unit too large. */
function withinLimits(lines: readonly ReadLine[]): MeasuredLine[] {
  const totals = { groups: 0, lights: 0, leads: 0 }
  const add = ({ groups, lights, leads }: Counts): void => {
    totals.groups += groups
    totals.lights += lights
    totals.leads += leads
  }
  for (const { counts } of lines) add(counts)
  if (limits.every(({ what, most }) => totals[what] <= most))
    return lines.map(({ measured }) => measured)
  // Too much: what comes after a line that is refused may still go.
  Object.assign(totals, { groups: 0, lights: 0, leads: 0 })
  return lines.map(({ measured, counts }) => {
    const over = limits.find(({ what, most }) => totals[what] + counts[what] > most)
    if (over === undefined) {
      add(counts)
      return measured
    }
    const { line } = measured
    const sum = Math.round(totals[over.what] + counts[over.what])
    const message = `With this line the plan has ${formatQuantity(sum, '')} ${over.name}: at most ${formatQuantity(over.most, '')} can be worked out. ${over.check}, or split the plan`
    return { line, reading: { kind: 'error', message, at: 0, end: line.text.length } }
  })
}

/** Gives each run its name, in the order of the pad. */
export function runNamer(): (run: Pick<JottedRun, 'name' | 'shape'>) => string {
  const unnamed = new Map<string, number>()
  return ({ name, shape }) => {
    if (name !== '') return name
    const number = (unnamed.get(shape) ?? 0) + 1
    unnamed.set(shape, number)
    return `${shape.charAt(0).toUpperCase()}${shape.slice(1)} ${String(number)}`
  }
}

const countsPixels = /\d\s*p(?:x|ixel)/i

function readingOf(line: Line, stripPixelMm: number | undefined): Reading {
  // The strip does not matter to a line that counts no pixels.
  const pixelMm = countsPixels.test(line.text) ? stripPixelMm : undefined
  return keptReadings.get(line, [pixelMm], () =>
    readLine(line.text, { trace: line.trace, pixelMm }),
  )
}

/** The run as it lies: from the end where the wire enters, and with the lights where a hand has put them. */
function inOrder({ isTurned, spots = [] }: Line, run: JottedRun): JottedRun {
  if (isTurned !== true && spots.length === 0) return run
  const lights = run.lights.map((light, index) => spots[index] ?? light)
  const segments = run.segments.map((segment) =>
    isTurned === true ? { ...segment, points: segment.points.toReversed() } : segment,
  )
  return {
    ...run,
    lights: isTurned === true ? lights.toReversed() : lights,
    segments: isTurned === true ? segments.toReversed() : segments,
    box: boxAround([...segments.flatMap(({ points }) => points), ...lights]),
  }
}
