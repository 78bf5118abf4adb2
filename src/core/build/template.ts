import type { CutStripRun } from '../cut/cut'
import { isOnWire } from '../cut/on-wire'
import { jumpersOf, jumperWayMm, pointOf } from '../cut/pads'
import { boxAround, type Box, type Point } from '../measure/geometry'
import { placesOf, unplacer } from '../measure/layout'
import { sheetShape } from '../measure/sheet-shape'
import { mounted } from '../parts/mounted'
import { sheetMaterialOf } from '../parts/sheets'
import { fewNames } from '../quantity/few-names'
import { listed } from '../quantity/listed'
import { blockId } from '../route/harness'
import type { PlanWire } from '../wire/wires'
import type { WiredPlan } from '../wire/wired-plan'
import { fixingPlaces } from './clips'

/** A hole to drill, or where something goes through. */
export interface TemplateHole {
  readonly at: Point
  /** Its diameter, mm; `null` where only the middle is marked. */
  readonly mm: number | null
  readonly name: string
  /** Wires go through it, and no light sits in it. */
  readonly isForWires: boolean
}

/** Where wires lie: along a course that ends at the run. */
export interface TemplateWay {
  /** Of the wires, such as "W3 and W4"; empty where they are many and alike. */
  readonly name: string
  readonly points: readonly Point[]
}

/** The sheet of material that is cut for a run. */
export interface TemplateOutline {
  /** What it covers, corner by corner: the last is joined to the first. */
  readonly points: readonly Point[]
  /** It is cut so much larger all round, mm. */
  readonly wrapMm: number
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
  readonly ways: readonly TemplateWay[]
  readonly sheet: TemplateOutline | undefined
  readonly box: Box
}

/** Pixels are numbered every so often. */
const everyPixel = 10

/** Around all that is drawn, mm: numbers and holes stand beside it; and beside the line that is cut. */
const [roomMm, cutRoomMm] = [15, 4]

/** The templates of all runs that have something to mark. */
export function templatesOf(
  given: Pick<WiredPlan, 'plan' | 'cutRuns' | 'lit' | 'nodes' | 'lanes' | 'layout' | 'wiring'>,
): Template[] {
  const waysOf = cableWays(given)
  return given.cutRuns.flatMap((entry): Template[] => {
    const { run } = entry
    if (run.segments.length === 0 && run.lights.length === 0) return []
    const pieces = isOnWire(entry) ? [] : entry.pieces.filter((piece) => piece.groups > 0)
    const courses = run.segments.map(({ points }) => points)
    const own = {
      run: run.id,
      name: run.name,
      courses,
      pieces: pieces.map((piece) => ({
        name: piece.name,
        from: pointOf(entry, piece, 0),
        to: pointOf(entry, piece, piece.groups),
      })),
      pixels: pixelsOf(given, entry),
      clips: clipsOf(given, entry),
      holes: holesOf(given, entry),
      entry: pieces[0] === undefined ? run.lights[0] : pointOf(entry, pieces[0], 0),
      sheet: sheetOf(run),
    }
    const points = [
      ...courses.flat(),
      ...own.holes.map(({ at }) => at),
      ...(own.entry === undefined ? [] : [own.entry]),
      ...(own.sheet?.points ?? []),
    ]
    const box = boxOf(points, Math.max(roomMm, (own.sheet?.wrapMm ?? 0) + cutRoomMm))
    return [{ ...own, ways: waysOf(entry, box), box }]
  })
}

function boxOf(points: readonly Point[], room: number): Box {
  const { x, y, width, height } = boxAround(points)
  return { x: x - room, y: y - room, width: width + 2 * room, height: height + 2 * room }
}

function sheetOf(run: CutStripRun['run']): TemplateOutline | undefined {
  const { sheet } = run.line
  const [shape, material] = [sheetShape(run), sheet && sheetMaterialOf(sheet.material)]
  return sheet === undefined || shape === undefined || material === undefined
    ? undefined
    : { points: shape.outline, wrapMm: sheet.wrapMm, name: material.name }
}

/** Of so many ways at a run none is named: they are wires home, and alike. */
const mostNamed = 6

/**
 * Where wires lie on a run's template: from piece to piece, and from outside at right angles as far as its paper reaches. The plan has their
 * beginning and end on the drawing; a run may be turned there.
 */
function cableWays({
  layout,
  wiring,
}: Pick<WiredPlan, 'layout' | 'wiring'>): (entry: CutStripRun, box: Box) => TemplateWay[] {
  const places = placesOf(layout)
  const byBlock = new Map<string, PlanWire[]>()
  for (const wire of wiring.wires)
    if (wire.ends !== undefined)
      for (const block of new Set([wire.from.block, wire.to.block]))
        listed(byBlock, block).push(wire)
  return (entry, box) => {
    const { run } = entry
    const toOwn = unplacer(run, places.get(run.id) ?? { x: 0, y: 0, degrees: 0 })
    const within = jumpersOf(entry).flatMap((jumper): TemplateWay[] =>
      jumperWayMm(jumper) === undefined
        ? []
        : [
            {
              name: '',
              points: [
                pointOf(entry, jumper.from, jumper.from.groups),
                pointOf(entry, jumper.to, 0),
              ],
            },
          ],
    )
    const block = blockId.run(run.id)
    const sideBySide = new Map<string, PlanWire[]>()
    for (const wire of byBlock.get(block) ?? [])
      listed(sideBySide, `${wire.bundle} ${wire.ends?.join(' ') ?? ''}`).push(wire)
    const outside = [...sideBySide.values()].flatMap((wires): TemplateWay[] => {
      const [first] = wires
      if (first?.ends === undefined) return []
      const [from, to] = first.ends
      const course = [from, [to[0], from[1]] as const, to].map(toOwn)
      const points = first.to.block === block ? course : course.toReversed()
      return points.some((point) => isWithin(box, point))
        ? [{ name: fewNames(wires.map(({ name }) => name)), points }]
        : []
    })
    const isMany = outside.length > mostNamed
    return [...within, ...outside.map((way) => (isMany ? { ...way, name: '' } : way))]
  }
}

const isWithin = ({ x, y, width, height }: Box, [px, py]: Point): boolean =>
  px >= x && px <= x + width && py >= y && py <= y + height

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
    .filter((piece) => piece.groups > 0)
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
    isForWires: false,
  }))
  const placed = isOnWire(entry) ? [] : pieces.filter((piece) => piece.groups > 0)
  const [first, last] = [placed[0], placed.at(-1)]
  const wires = (run.line.into?.holes ?? []).flatMap((hole): TemplateHole[] => {
    const at =
      hole.at === 'start'
        ? first && pointOf(entry, first, 0)
        : last && pointOf(entry, last, last.groups)
    return at === undefined ? [] : [{ at, mm: hole.mm, name: 'wires', isForWires: true }]
  })
  return [...lights, ...wires]
}
