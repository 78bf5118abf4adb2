import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { pointOf } from '../cut/pads'
import { boxAround, type Box, type Point } from '../measure/geometry'
import { mounted } from '../parts/mounted'
import type { WiredPlan } from '../wire/wired-plan'
import { fixingPlaces } from './clips'

/** A hole to drill, or where something goes through. */
export interface TemplateHole {
  readonly at: Point
  /** Its diameter, mm; `null` where only the middle is marked. */
  readonly mm: number | null
  readonly name: string
}

/** A run at true size, in its own mm: what is marked on the wall, the shelf or the panel. */
export interface Template {
  readonly run: string
  readonly name: string
  /** Courses along which strip lies. */
  readonly courses: readonly (readonly Point[])[]
  /** Ends of pieces, with their names at the start of each. */
  readonly pieces: readonly { readonly name: string; readonly from: Point; readonly to: Point }[]
  /** Pixels by their numbers on the lane: the first, every tenth, and the last of each piece. */
  readonly pixels: readonly { readonly at: Point; readonly number: number }[]
  readonly clips: readonly Point[]
  readonly holes: readonly TemplateHole[]
  /** Where the wire comes in. */
  readonly entry: Point | undefined
  readonly box: Box
}

/** Pixels are numbered every so often. */
const everyPixel = 10

/** Around all that is drawn, mm: numbers and holes stand beside it. */
const roomMm = 15

/** The templates of all runs that have something to mark. */
export function templatesOf(
  given: Pick<WiredPlan, 'plan' | 'cuts' | 'lit' | 'nodes' | 'lanes'>,
): Template[] {
  return given.cuts.flatMap((entry): Template[] => {
    const { run } = entry
    if (run.segments.length === 0 && run.lights.length === 0) return []
    const pieces = isOnWire(entry) ? [] : entry.pieces.filter((piece) => piece.cuts > 0)
    const courses = run.segments.map(({ points }) => points)
    const own = {
      run: run.id,
      name: run.name,
      courses,
      pieces: pieces.map((piece) => ({
        name: piece.name,
        from: pointOf(entry, piece, 0),
        to: pointOf(entry, piece, piece.cuts),
      })),
      pixels: pixelsOf(given, entry),
      clips: clipsOf(given, entry),
      holes: holesOf(given, entry),
      entry: pieces[0] === undefined ? run.lights[0] : pointOf(entry, pieces[0], 0),
    }
    const points = [
      ...courses.flat(),
      ...own.holes.map(({ at }) => at),
      ...(own.entry === undefined ? [] : [own.entry]),
    ]
    return [{ ...own, box: boxOf(points) }]
  })
}

function boxOf(points: readonly Point[]): Box {
  const { x, y, width, height } = boxAround(points)
  return {
    x: x - roomMm,
    y: y - roomMm,
    width: width + 2 * roomMm,
    height: height + 2 * roomMm,
  }
}

function pixelsOf({ lanes }: Pick<WiredPlan, 'lanes'>, entry: CutStripRun): Template['pixels'] {
  const { light } = entry.strip
  const own = lanes.flatMap(({ runs }) => runs).find((one) => one.entry.run.id === entry.run.id)
  if (light.kind !== 'pixels' || own === undefined || isOnWire(entry)) return []
  let before = 0
  return entry.pieces.flatMap((piece) => {
    const first = before
    before += piece.pixels
    return Array.from({ length: piece.pixels }, (_, index) => index)
      .filter(
        (index) => index === 0 || index === piece.pixels - 1 || (first + index) % everyPixel === 0,
      )
      .map((index) => ({
        at: pointOf(entry, piece, (index + 0.5) / light.perCut),
        number: own.first + first + index,
      }))
  })
}

function clipsOf({ plan }: Pick<WiredPlan, 'plan'>, entry: CutStripRun): Point[] {
  const { strip, run, pieces } = entry
  const { fixing = plan.rules.fixing, profile, surface } = mounted(plan.own, run.line.mount)
  const isHeldAtPoints = fixing === 'clips' || fixing === 'glue' || fixing === 'magnets'
  if (!isHeldAtPoints || profile !== undefined || surface === 'air' || isOnWire(entry)) return []
  return pieces
    .filter((piece) => piece.cuts > 0)
    .flatMap((piece) =>
      fixingPlaces(strip, piece.placedMm).map((mm) => pointOf(entry, piece, mm / strip.cutPitchMm)),
    )
}

/** Holes of single lights and nodes, and those that wires go through. */
function holesOf(
  { lit, nodes }: Pick<WiredPlan, 'lit' | 'nodes'>,
  entry: CutStripRun,
): TemplateHole[] {
  const { run, pieces } = entry
  const own = lit.find(({ id }) => id === run.id)
  const node = nodes.find(({ id }) => id === run.id)
  const largest = Math.max(
    0,
    ...(node?.node.parts.flatMap(({ holes, holeMm }) => (holes > 0 ? [holeMm] : [])) ?? []),
  )
  const lightMm = run.line.lights?.holeMm ?? (largest > 0 ? largest : (own?.part.holeMm ?? null))
  const lights = run.lights.map((at, index): TemplateHole => ({
    at,
    mm: lightMm,
    name: String(index + 1),
  }))
  const placed = isOnWire(entry) ? [] : pieces.filter((piece) => piece.cuts > 0)
  const [first, last] = [placed[0], placed.at(-1)]
  const wires = (run.line.into?.holes ?? []).flatMap((hole): TemplateHole[] => {
    const at =
      hole.at === 'start'
        ? first && pointOf(entry, first, 0)
        : last && pointOf(entry, last, last.cuts)
    return at === undefined ? [] : [{ at, mm: hole.mm, name: 'wires' }]
  })
  return [...lights, ...wires]
}

/** Paper, mm: what a printer leaves free at every edge is left out. */
export const templatePapers = {
  A4: { name: 'A4', widthMm: 186, heightMm: 262 },
  Letter: { name: 'Letter', widthMm: 190, heightMm: 244 },
} as const
export type TemplatePaper = keyof typeof templatePapers

/** Sheets lie so far over each other, mm. */
const overlapMm = 10
/** Below the picture of each sheet: its name and the ruler, mm. */
export const footMm = 16

/** One sheet of a template. */
export interface Tile extends Box {
  /** From 1. */
  readonly row: number
  readonly column: number
}

/** The sheets that a template takes, row by row, each overlapping the next. */
export function tilesOf(box: Box, paper: TemplatePaper): Tile[] {
  const { widthMm, heightMm } = templatePapers[paper]
  const pictureMm = heightMm - footMm
  const across = countOf(box.width, widthMm)
  const down = countOf(box.height, pictureMm)
  return Array.from({ length: across * down }, (_, index): Tile => {
    const [row, column] = [Math.floor(index / across), index % across]
    return {
      row: row + 1,
      column: column + 1,
      x: box.x + column * (widthMm - overlapMm),
      y: box.y + row * (pictureMm - overlapMm),
      width: widthMm,
      height: pictureMm,
    }
  })
}

/** Sheets that cover a length when each lies over the one before. */
const countOf = (lengthMm: number, sheetMm: number): number =>
  Math.max(1, Math.ceil((lengthMm - overlapMm) / (sheetMm - overlapMm) - 1e-9))

/** So many sheets are no template any more: a measure and a pencil are quicker. */
export const mostTiles = 60
