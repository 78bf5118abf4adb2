import type { Line, Plan } from '../plan/plan'
import { boxAround } from './geometry'
import { readLine, type JottedRun, type Reading } from './jot'

/** A line of the pad that lights something. Its id is the line's. */
export interface MeasuredRun extends JottedRun {
  readonly id: string
  readonly line: Line
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
const readings = new WeakMap<Line, Reading>()
const knownRuns = new WeakMap<Line, MeasuredRun>()

/** Reads the whole pad. Runs without a name are called after their shape and counted: `Edge 1`. */
export function measure(plan: Pick<Plan, 'lines'>): Measured {
  const lines = plan.lines.map((line) => ({ line, reading: readingOf(line) }))
  const namer = runNamer()
  const runs = lines.flatMap(({ line, reading }) =>
    reading.kind === 'run' ? [runOf(line, reading, namer(reading))] : [],
  )
  return { lines, runs }
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

function readingOf(line: Line): Reading {
  const known = readings.get(line)
  if (known !== undefined) return known
  const reading = readLine(line.text, line.trace)
  readings.set(line, reading)
  return reading
}

function runOf(line: Line, run: JottedRun, name: string): MeasuredRun {
  const known = knownRuns.get(line)
  if (known?.name === name) return known
  const measured = { ...inOrder(line, run), name, id: line.id, line }
  knownRuns.set(line, measured)
  return measured
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
