import type { Place, Plan } from '../plan/plan'
import { KeptList } from '../quantity/kept'
import { boxAround, turned, type Box, type Point } from './geometry'
import type { MeasuredRun } from './measure'

/** Where the drawing puts a run: its own 0,0 lies at x, y; it is turned around the middle of its box. */
export interface Placed {
  readonly id: string
  readonly place: Place
}

export interface Layout {
  readonly placed: readonly Placed[]
  /** Everything, with room for names and dimensions, mm. */
  readonly box: Box
}

/** Places by the ids of their runs. */
export function placesOf(layout: Pick<Layout, 'placed'>): ReadonlyMap<string, Place> {
  const known = knownPlaces.get(layout)
  if (known !== undefined) return known
  const places = new Map(layout.placed.map(({ id, place }) => [id, place]))
  knownPlaces.set(layout, places)
  return places
}
const knownPlaces = new WeakMap<Pick<Layout, 'placed'>, ReadonlyMap<string, Place>>()

/** Width over height that runs are set out to fill; fixed, so that no lead's length hangs on a window. */
const aspect = 1.25

/**
 * Runs that a hand has placed stay there; the others are set out like lines of type, side by side while a row has room, then on to the
 * next row: below what has its place. Many runs are set out in columns.
 */
export function layOut(runs: readonly MeasuredRun[], bench?: Plan['bench']): Layout {
  const fixed = runs.flatMap((run) => {
    const { place } = run.line
    return place === undefined ? [] : [{ run, place }]
  })
  const things = [
    ...fixed.flatMap(({ run, place }) => cornersOf(run, place)),
    ...(bench?.furniture ?? []).flatMap(({ place, widthMm, heightMm }) =>
      cornersOfBox(place, widthMm, heightMm),
    ),
  ]
  const free = runs.filter(({ line }) => line.place === undefined)
  const set = setOut(free)
  if (things.length === 0) return set
  const around = boxAround(things)
  const below = around.y + around.height + (free.length > 0 ? 0.05 * around.height : 0)
  const moved = set.placed.map(({ id, place }) => ({
    id,
    place: { ...place, x: place.x + around.x, y: place.y + below },
  }))
  const placeOf = new Map(moved.map((entry) => [entry.id, entry]))
  const margin = 0.09 * Math.max(around.width, around.height, 1)
  return {
    placed: runs.map(({ id, line }) =>
      line.place === undefined
        ? (placeOf.get(id) ?? { id, place: origin })
        : { id, place: line.place },
    ),
    box: boxAround([
      [around.x - margin / 2, around.y - margin],
      [around.x + around.width + margin / 2, around.y + around.height + margin],
      ...(free.length === 0
        ? []
        : ([
            [around.x, below],
            [around.x + set.box.width, below + set.box.height],
          ] as const)),
    ]),
  }
}

const origin: Place = { x: 0, y: 0, degrees: 0 }

/** Takes a run's own points to where the drawing has them. */
export function placer(
  { box }: Pick<MeasuredRun, 'box'>,
  { x, y, degrees }: Place,
): (point: Point) => Point {
  const middle: Point = [box.x + box.width / 2, box.y + box.height / 2]
  return (point) => {
    const [px, py] = turned(point, middle, degrees)
    return [px + x, py + y]
  }
}

/** … and back: what is on the drawing, in a run's own mm. */
export function unplacer(
  { box }: Pick<MeasuredRun, 'box'>,
  { x, y, degrees }: Place,
): (point: Point) => Point {
  const middle: Point = [box.x + box.width / 2, box.y + box.height / 2]
  return ([px, py]) => turned([px - x, py - y], middle, -degrees)
}

const cornersOf = (run: MeasuredRun, place: Place): Point[] => {
  const { x, y, width, height } = run.box
  const at = placer(run, place)
  return [at([x, y]), at([x + width, y]), at([x + width, y + height]), at([x, y + height])]
}

/** Corners of a thing that is turned around its own middle, mm. */
export function cornersOfBox({ x, y, degrees }: Place, widthMm: number, heightMm: number): Point[] {
  const middle: Point = [x + widthMm / 2, y + heightMm / 2]
  return [
    [x, y],
    [x + widthMm, y],
    [x + widthMm, y + heightMm],
    [x, y + heightMm],
  ].map(([px = 0, py = 0]) => turned([px, py], middle, degrees))
}

function setOut(runs: readonly MeasuredRun[]): Layout {
  if (runs.length === 0)
    return { placed: [], box: { x: 0, y: 0, width: 1000, height: 1000 / aspect } }
  const widest = Math.max(...runs.map((run) => run.box.width), 1)
  const largest = Math.max(widest, ...runs.map((run) => run.box.height))
  if (runs.length > mostInLines) return inColumns(runs, 0.05 * largest)
  // Room for a name above and a dimension below.
  const margin = 0.14 * largest
  const widths = Array.from({ length: 14 }, (_, step) => (widest + margin) * 1.25 ** step)
  const rowWidth = largestDrawn(widths, (width) => inRows(runs, width, margin))
  const places: Point[] = []
  const { width, height } = inRows(runs, rowWidth, margin, (place) => {
    places.push(place)
  })
  return {
    placed: placedAt(runs, (index) => places[index] ?? [0, 0]),
    box: { x: 0, y: 0, width, height },
  }
}

interface Size {
  readonly width: number
  readonly height: number
}

/** The choice with which everything is drawn largest: the first of several equal ones. */
function largestDrawn(
  [first = 0, ...others]: readonly number[],
  sizeOf: (choice: number) => Size,
): number {
  const scaleOf = (choice: number): number => {
    const { width, height } = sizeOf(choice)
    return Math.min(aspect / width, 1 / height)
  }
  let [best, bestScale] = [first, scaleOf(first)]
  for (const choice of others) {
    const scale = scaleOf(choice)
    if (scale > bestScale * 1.001) [best, bestScale] = [choice, scale]
  }
  return best
}

/** @param cornerOf where the upper left corner of a run's box goes, mm */
const placedAt = (runs: readonly MeasuredRun[], cornerOf: (index: number) => Point): Placed[] =>
  keptPlaces.map(runs, ({ id, box }, last, index) => {
    const corner = cornerOf(index)
    const [x, y] = [corner[0] - box.x, corner[1] - box.y]
    return last?.place.x === x && last.place.y === y ? last : { id, place: { x, y, degrees: 0 } }
  })
const keptPlaces = new KeptList<MeasuredRun, Placed>()

/** More runs than this are set out in columns. */
const mostInLines = 60

/**
 * Sets many runs out row by row in columns, each as wide as the widest run in it. A run that changes moves no other one as long as it is
 * not that: in lines of type each that comes after it would move, and with it the wires of all of them.
 *
 * @param margin to the next one, mm; names and dimensions show only when near
 */
function inColumns(runs: readonly MeasuredRun[], margin: number): Layout {
  const [wide, high] = [new Float64Array(runs.length), new Float64Array(runs.length)]
  for (let at = 0; at < runs.length; at += 1) {
    wide[at] = runs[at]?.box.width ?? 0
    high[at] = runs[at]?.box.height ?? 0
  }
  const tableOf = (columns: number): { widths: Float64Array; heights: Float64Array } => {
    const [widths, heights] = [
      new Float64Array(columns),
      new Float64Array(Math.ceil(runs.length / columns)),
    ]
    let [column, row] = [0, 0]
    for (let at = 0; at < runs.length; at += 1) {
      widths[column] = Math.max(widths[column] ?? 0, wide[at] ?? 0)
      heights[row] = Math.max(heights[row] ?? 0, high[at] ?? 0)
      column += 1
      if (column === columns) [column, row] = [0, row + 1]
    }
    return { widths, heights }
  }
  const rowGap = 1.6 * margin
  const sizeOf = ({ widths, heights }: ReturnType<typeof tableOf>): Size => ({
    width: sumOf(widths) + (widths.length - 1) * margin,
    height: sumOf(heights) + heights.length * rowGap,
  })
  const most = runs.length
  const counts = Array.from({ length: 16 }, (_, step) => Math.round(most ** (step / 15)))
  const columns = largestDrawn([...new Set(counts)], (count) => sizeOf(tableOf(count)))
  const table = tableOf(columns)
  const [xs, ys] = [startsOf(table.widths, margin), startsOf(table.heights, rowGap)]
  const placed = placedAt(runs, (index) => [
    xs[index % columns] ?? 0,
    (ys[Math.floor(index / columns)] ?? 0) + margin,
  ])
  return { placed, box: { x: 0, y: 0, ...sizeOf(table) } }
}

const sumOf = (sizes: Float64Array): number => sizes.reduce((sum, size) => sum + size, 0)

/** Where each of some sizes begins with a gap after each. */
function startsOf(sizes: Float64Array, gap: number): number[] {
  let next = 0
  return Array.from(sizes, (size) => {
    const start = next
    next += size + gap
    return start
  })
}

/** Sets runs in rows of a width, tells where each goes, and gives back how large all of it is, mm. */
function inRows(
  runs: readonly MeasuredRun[],
  rowWidth: number,
  margin: number,
  tell?: (corner: Point) => void,
): Size {
  let [x, y, rowHeight, right] = [0, 0, 0, 0]
  for (const run of runs) {
    const { box } = run
    if (x > 0 && x + box.width > rowWidth) {
      y += rowHeight
      x = 0
      rowHeight = 0
    }
    tell?.([x, y + margin])
    right = Math.max(right, x + box.width)
    x += box.width + margin
    rowHeight = Math.max(rowHeight, box.height + margin * 1.6)
  }
  return { width: right, height: y + rowHeight }
}
