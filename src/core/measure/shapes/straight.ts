import { largest } from '../../quantity/extremes'
import {
  missing,
  shareUnit,
  takeCount,
  takeDegrees,
  takeLength,
  takeStretch,
  type ReadLength,
} from '../../quantity/length'
import { boxAround, step, type Point } from '../geometry'
import {
  apart,
  copiesInRow,
  countOf,
  dimensionOf,
  lengthOf,
  moved,
  mostParts,
  type Dimension,
  type ReadShape,
  type Segment,
} from '../shape'

/** `frame 800 x 450`: four sides, clockwise from the top left corner. */
export const readFrame: ReadShape = (reader, count) => {
  const first = takeStretch(reader)
  if (!reader.skipMark('x')) reader.fail(missing(reader, 'x and the other side'))
  const second = takeStretch(reader)
  const [width = first, height = second] = shareUnit(reader, [first, second])
  const side = (from: Point, to: Point, length: ReadLength, dimension: number): Segment => ({
    ...lengthOf(length),
    points: [from, to],
    dimension,
  })
  const [w, h] = [width.mm, height.mm]
  const one = [
    side([0, 0], [w, 0], width, 0),
    side([w, 0], [w, h], height, 1),
    side([w, h], [0, h], width, 0),
    side([0, h], [0, 0], height, 1),
  ]
  return {
    segments: copiesInRow(count, w * (1 + apart), one),
    lights: [],
    dimensions: [dimensionOf('length', width), dimensionOf('length', height)],
  }
}

/** `corners 400, 1200, 380 outside 120`: each turn a right angle to the inside unless said. */
export const readCorners: ReadShape = (reader, count) => {
  const turns: { length: ReadLength; degrees: ReadLength | undefined; by: number }[] = []
  const dimensions: Dimension[] = []
  const segments: Segment[] = []
  let heading = 0
  let at: Point = [0, 0]
  do {
    const length = takeStretch(reader)
    const turnsIn = !reader.isWord(['outside'])
    let inner = 90
    let degrees: ReadLength | undefined
    if (reader.skipWord('inside', 'outside') && reader.isNumber()) {
      const read = takeDegrees(reader)
      inner = read.mm
      degrees = read
    }
    turns.push({ length, degrees, by: (turnsIn ? 1 : -1) * (180 - inner) })
  } while (reader.skipMark(','))
  const shared = shareUnit(
    reader,
    turns.map(({ length }) => length),
  )
  for (const [index, { length: own, degrees, by }] of turns.entries()) {
    const length = shared[index] ?? own
    const end = step(at, heading, length.mm)
    segments.push({ ...lengthOf(length), points: [at, end], dimension: dimensions.length })
    dimensions.push(dimensionOf('length', length))
    if (degrees !== undefined) dimensions.push(dimensionOf('degrees', degrees))
    at = end
    heading += by
  }
  const { width } = boxAround(segments.flatMap((segment) => segment.points))
  return { segments: copiesInRow(count, width * (1 + apart), segments), lights: [], dimensions }
}

/** `panels 5 x 6 sides 180`: regular polygons; without a count it is one. */
export const readPanels: ReadShape = (reader, count) => {
  const first = takeCount(reader, 'panels')
  const sides = reader.skipMark('x') ? takeCount(reader, 'sides') : first
  if (!reader.skipWord('sides', 'sided')) reader.fail(missing(reader, '“sides”'))
  if (sides.value < 3 || sides.value > 100)
    reader.fail(`${sides.text} sides: a panel has 3 to 100`, sides)
  const panels = (sides === first ? 1 : first.value) * count
  if (panels * sides.value > mostParts)
    reader.fail(`${String(panels * sides.value)} sides in all: at most ${String(mostParts)}`, first)
  const side = takeLength(reader)

  const outline = polygonSides(sides.value, side.mm)
  const box = boxAround(outline.flatMap((segment) => segment.points))
  const perRow = Math.ceil(Math.sqrt(panels * 1.6))
  const pitch = Math.max(box.width, box.height) * (1 + apart / 2)
  const segments = Array.from({ length: panels }, (_, index) => {
    const [row, column] = [Math.floor(index / perRow), index % perRow]
    return outline.map((segment) => ({
      ...segment,
      points: moved(segment.points, column * pitch - box.x, row * pitch - box.y),
    }))
  }).flat()
  return {
    segments,
    lights: [],
    dimensions: [
      dimensionOf('length', side),
      countOf(sides),
      ...(sides === first ? [] : [countOf(first)]),
    ],
  }
}

/** The sides of a regular polygon that lies on one of them. */
function polygonSides(sides: number, sideMm: number): Segment[] {
  let at: Point = [0, 0]
  return Array.from({ length: sides }, (_, index) => {
    const from = at
    at = step(at, 180 + (index * 360) / sides, sideMm)
    return { lengthMm: sideMm, points: [from, at], dimension: 0 }
  })
}

/** `steps 11 x 640 risers 180`: a light along each tread and, if wanted, up each riser. */
export const readSteps: ReadShape = (reader, count) => {
  const steps = takeCount(reader, 'steps', mostParts)
  if (!reader.skipMark('x')) reader.fail(missing(reader, 'x and the width of a step'))
  const tread = takeLength(reader)
  const dimensions = [dimensionOf('length', tread), countOf(steps)]
  let riser: ReadLength | undefined
  if (reader.skipWord('risers', 'riser')) {
    riser = takeLength(reader)
    dimensions.push(dimensionOf('length', riser))
  }
  const rise = riser?.mm ?? tread.mm * 0.28
  const going = tread.mm * 0.12
  const segments = Array.from({ length: steps.value }, (_, index): Segment[] => {
    const [x, y] = [index * going, (steps.value - index) * rise]
    const along: Segment = {
      lengthMm: tread.mm,
      points: [
        [x, y],
        [x + tread.mm, y],
      ],
      dimension: 0,
    }
    if (riser === undefined) return [along]
    const up: Segment = {
      lengthMm: riser.mm,
      points: [
        [x + tread.mm, y],
        [x + tread.mm, y - rise],
      ],
      dimension: 2,
    }
    return [along, up]
  }).flat()
  const { width } = boxAround(segments.flatMap((segment) => segment.points))
  return { segments: copiesInRow(count, width * (1 + apart), segments), lights: [], dimensions }
}

/** `rows 320, 400, 460`: as given, one under the other; every second runs back with `serpentine`. */
export const readRows: ReadShape = (reader, count) => {
  const rows: { repeat: number; length: ReadLength }[] = []
  do {
    const repeat =
      reader.isNumber() && reader.isMark('x', 1) ? takeCount(reader, 'rows', mostParts).value : 1
    if (repeat > 1 || reader.isMark('x')) reader.take()
    rows.push({ repeat, length: takeStretch(reader) })
  } while (reader.skipMark(','))
  const shared = shareUnit(
    reader,
    rows.map(({ length }) => length),
  )
  const lengths = rows.flatMap(({ repeat, length }, index) =>
    Array.from({ length: repeat }, () => shared[index] ?? length),
  )
  const pitch = reader.skipMark('@') ? takeLength(reader) : undefined
  const isSerpentine = reader.skipWord('serpentine')

  const longest = largest(lengths.map((length) => length.mm))
  const pitchMm = pitch?.mm ?? longest * 0.12
  const unique = [...new Set(lengths)]
  const one = lengths.map((length, index): Segment => {
    const [left, right]: Point[] = [
      [(longest - length.mm) / 2, index * pitchMm],
      [(longest + length.mm) / 2, index * pitchMm],
    ]
    const isBack = isSerpentine && index % 2 === 1
    return {
      ...lengthOf(length),
      points: left && right ? (isBack ? [right, left] : [left, right]) : [],
      dimension: unique.indexOf(length),
    }
  })
  const dimensions = unique.map((length) => dimensionOf('length', length))
  if (pitch !== undefined) dimensions.push(dimensionOf('length', pitch))
  return { segments: copiesInRow(count, longest * (1 + apart), one), lights: [], dimensions }
}
