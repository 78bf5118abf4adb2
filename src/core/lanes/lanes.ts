import type { CutStripRun } from '../cut/cut'
import { entryOf } from '../cut/entry-of'
import { padPlace } from '../cut/pads'
import type { Point } from '../measure/geometry'
import { cutLengthMm, spareMmAt, wireWayMm } from '../measure/wire-way'
import { placer, placesOf, type Layout } from '../measure/layout'
import type { SourcePlaces } from '../measure/source-places'
import type { Strip } from '../plan/parts'
import type { Plan, PlanLane } from '../plan/plan'

type PixelLight = Extract<Strip['light'], { kind: 'pixels' }>

/** A run on its lane. Pixels are numbered along the lane from 0. */
export interface LaneRun {
  readonly entry: CutStripRun
  /** Number on the lane of its own first pixel, behind its extra ones. */
  readonly first: number
  readonly pixels: number
  /** Extra pixels before it that are never lit: a relay, or one behind a diode. */
  readonly extra: number
  /** Own pixels that stay dark: from and up to, in the run, from 0. */
  readonly dark: readonly (readonly [from: number, to: number])[]
  /** The data wire to it, from the board or the run before, with slack, mm. */
  readonly leadMm: number
  /** What the holes at both ends of that wire add to it, and at the start of the next, mm. */
  readonly spareMm: number
  readonly spareOutMm: number
  readonly start: Point
  readonly end: Point
  /** The data wire enters where the arrow points to. */
  readonly isAgainstArrow: boolean
}

/** One data output and what hangs behind it. */
export interface Lane {
  readonly id: string
  readonly name: string
  readonly data: PixelLight['data']
  readonly bitsPerPixel: number
  readonly runs: readonly LaneRun[]
  /** All that are numbered, extra ones too. */
  readonly pixels: number
}

/** What can be chained: pixels of one kind of data and as many bits. */
const kindOf = ({ data, bitsPerPixel }: PixelLight): string => `${data}-${String(bitsPerPixel)}`

const lightOf = ({ strip, pixels }: CutStripRun): PixelLight | undefined =>
  strip.light.kind === 'pixels' && pixels > 0 ? strip.light : undefined

/**
 * Which runs hang on which output: as the plan's lanes say, as far as they name pixels of one kind. A run that none of them names goes to
 * the last lane of its kind, or to one of its own.
 */
function laneOrder(plan: Plan, cutRuns: readonly CutStripRun[]): PlanLane[] {
  const light = new Map(
    cutRuns.flatMap((entry) => {
      const pixels = lightOf(entry)
      return pixels === undefined ? [] : [[entry.run.id, kindOf(pixels)] as const]
    }),
  )
  const placed = new Set<string>()
  const lanes = plan.signal.lanes.map((lane) => {
    const kind = lane.lines.map((id) => light.get(id)).find((one) => one !== undefined)
    const lines = lane.lines.filter((id) => light.get(id) === kind && kind !== undefined)
    for (const id of lines) placed.add(id)
    return { ...lane, lines, kind }
  })
  for (const [id, kind] of light) {
    if (placed.has(id)) continue
    const last = lanes.findLast((lane) => lane.kind === kind)
    if (last === undefined)
      lanes.push({
        id: `of-${kind}`,
        name: `Lane ${String(lanes.length + 1)}`,
        lines: [id],
        kind,
      })
    else last.lines.push(id)
  }
  return lanes.map(({ id, name, lines }) => ({ id, name, lines }))
}

/** The lanes with their runs, numbered along the data; lanes of the plan that carry nothing are left out. */
export function lanesOf(
  plan: Plan,
  cutRuns: readonly CutStripRun[],
  layout: Layout,
  sources: SourcePlaces,
): Lane[] {
  const places = placesOf(layout)
  return laneOrder(plan, cutRuns).flatMap(({ id, name, lines }): Lane[] => {
    let from = sources.controller
    let number = 0
    const runs: LaneRun[] = []
    let light: PixelLight | undefined
    for (const line of lines) {
      const entry = entryOf(cutRuns, line)
      const place = places.get(line)
      if (entry === undefined || place === undefined) continue
      light ??= lightOf(entry)
      const at = placer(entry.run, place)
      const [near, far] = [0, entry.groups].map((pad): Point => {
        const found = padPlace(entry, pad)
        return found === undefined ? from : at(found.point)
      })
      const { skip = [], isDataAtEnd = false } = entry.run.line
      const extra = skip.reduce((sum, { count, why }) => sum + (why === 'dark' ? 0 : count), 0)
      const [start = from, end = from] = isDataAtEnd ? [far, near] : [near, far]
      const [dataIn, dataOut] = isDataAtEnd
        ? (['end', 'start'] as const)
        : (['start', 'end'] as const)
      const before = runs.at(-1)
      const spareMm = spareMmAt(entry.run.line, dataIn) + (before?.spareOutMm ?? 0)
      runs.push({
        entry,
        first: number + extra,
        pixels: entry.pixels,
        extra,
        dark: skip
          .filter(({ why, from: first }) => why === 'dark' && first < entry.pixels)
          .map(({ from: first, count }) => [first, Math.min(entry.pixels, first + count)]),
        leadMm: cutLengthMm(plan, wireWayMm(from, start), spareMm),
        spareMm,
        spareOutMm: spareMmAt(entry.run.line, dataOut),
        start,
        end,
        isAgainstArrow: isDataAtEnd,
      })
      number += extra + entry.pixels
      from = end
    }
    return light === undefined
      ? []
      : [{ id, name, data: light.data, bitsPerPixel: light.bitsPerPixel, runs, pixels: number }]
  })
}

/** What is shared out: runs by their pixels. */
interface Shared {
  readonly runs: readonly {
    readonly pixels: number
    readonly entry: { readonly run: { readonly id: string } }
  }[]
}

/** The lanes' runs shared out anew over so many lanes, in their order and as evenly as whole runs allow. */
export function splitLanes(lanes: readonly Shared[], count: number): PlanLane[] {
  const runs = lanes.flatMap((lane) => lane.runs)
  const all = runs.reduce((sum, { pixels }) => sum + pixels, 0)
  const made: { id: string; name: string; lines: string[] }[] = []
  let before = 0
  for (const { pixels, entry } of runs) {
    // By the middle of the run, so that a long one does not pull its neighbours along.
    const at = Math.min(count - 1, Math.floor(((before + pixels / 2) / all) * count))
    const id = `lane-${String(at + 1)}`
    const lane = made.find((one) => one.id === id)
    if (lane === undefined)
      made.push({ id, name: `Lane ${String(made.length + 1)}`, lines: [entry.run.id] })
    else lane.lines.push(entry.run.id)
    before += pixels
  }
  return made
}
