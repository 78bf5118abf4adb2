import { missing, shareUnit, takeCount, takeLength } from '../../quantity/length'
import { step, type Point } from '../geometry'
import { apart, countOf, dimensionOf, mostParts, type Dimension, type ReadShape } from '../shape'

/**
 * `grid 5 x 8 @ 60 x 45`: rows by columns of single lights; a second pitch is the one between rows. `zigzag` lets every second row run
 * back, as a string of them is laid; `drop` is how far each light hangs below its place.
 */
export const readGrid: ReadShape = (reader, count) => {
  const rows = takeCount(reader, 'rows', mostParts)
  if (!reader.skipMark('x')) reader.fail(missing(reader, 'x and the columns'))
  const columns = takeCount(reader, 'columns', mostParts)
  if (rows.value * columns.value * count > mostParts)
    reader.fail(
      `${String(rows.value * columns.value * count)} lights: at most ${String(mostParts)}`,
    )
  if (!reader.skipMark('@')) reader.fail(missing(reader, '@ and the pitch, such as @ 60'))
  const first = takeLength(reader)
  const pitches = reader.skipMark('x') ? shareUnit(reader, [first, takeLength(reader)]) : [first]
  const [pitchX = first, pitchY = pitchX] = pitches
  const drop = reader.skipWord('drop', 'drops') ? takeLength(reader) : undefined
  const isZigzag = reader.skipWord('zigzag')

  const dimensions: Dimension[] = [dimensionOf('length', pitchX), countOf(rows), countOf(columns)]
  if (pitchY !== pitchX) dimensions.push(dimensionOf('length', pitchY))
  if (drop !== undefined) dimensions.push(dimensionOf('length', drop))
  const width = columns.value * pitchX.mm * (1 + apart)
  const lights: Point[] = []
  for (let copy = 0; copy < count; copy += 1)
    for (let row = 0; row < rows.value; row += 1)
      for (let index = 0; index < columns.value; index += 1) {
        const column = isZigzag && row % 2 === 1 ? columns.value - 1 - index : index
        lights.push([copy * width + column * pitchX.mm, row * pitchY.mm])
      }
  return { segments: [], lights, dimensions, ...(drop !== undefined && { dropMm: drop.mm }) }
}

/** `string 12 @ 900`: fittings along a line. */
export const readString: ReadShape = (reader, count) => {
  const fittings = takeCount(reader, 'fittings', mostParts)
  if (!reader.skipMark('@')) reader.fail(missing(reader, '@ and the pitch, such as @ 900'))
  const pitch = takeLength(reader)
  const lights = Array.from({ length: fittings.value * count }, (_, index): Point => {
    const [row, along] = [Math.floor(index / fittings.value), index % fittings.value]
    return [along * pitch.mm, row * pitch.mm]
  })
  return { segments: [], lights, dimensions: [dimensionOf('length', pitch), countOf(fittings)] }
}

/** Degrees from one light to the next that never line up: 360° over the square of the golden ratio. */
const goldenAngle = 137.508

/** `scatter 14 drop 300`: lights placed by hand; until they are, they lie like seeds in a sunflower. */
export const readScatter: ReadShape = (reader, count) => {
  const lights = takeCount(reader, 'lights', mostParts)
  reader.skipWord('lights', 'light')
  const drop = reader.skipWord('drop', 'drops') ? takeLength(reader) : undefined
  const spread = 120
  return {
    segments: [],
    lights: Array.from({ length: lights.value * count }, (_, index) =>
      step([0, 0], index * goldenAngle, spread * Math.sqrt(index)),
    ),
    dimensions: [countOf(lights), ...(drop === undefined ? [] : [dimensionOf('length', drop)])],
    ...(drop !== undefined && { dropMm: drop.mm }),
  }
}
