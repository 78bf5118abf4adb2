import { takeLength } from '../../quantity/length'
import { boxAround, type Point } from '../geometry'
import { apart, copiesInRow, dimensionOf, type ReadShape, type Segment } from '../shape'

/** `cloud traced 1200`: an outline from a file, as wide as said; as wide as the file has it where nothing is. */
export const readTraced: ReadShape = (reader, count, trace) => {
  const width = reader.isNumber() ? takeLength(reader) : undefined
  if (trace === undefined)
    return reader.fail(
      'An outline comes from a file: choose “trace” below the pad, and its SVG or DXF',
    )
  const box = boxAround(trace.courses.flatMap(({ points }) => points))
  const natural = box.width > 0 ? box.width : box.height
  const scale = width === undefined ? 1 : width.mm / natural
  const one = trace.courses.map(({ lengthMm, points }, index): Segment => ({
    lengthMm: lengthMm * scale,
    points: points.map(([x, y]): Point => [(x - box.x) * scale, (y - box.y) * scale]),
    dimension: index === 0 && width !== undefined ? 0 : -1,
  }))
  return {
    segments: copiesInRow(count, natural * scale * (1 + apart), one),
    lights: [],
    dimensions: width === undefined ? [] : [dimensionOf('length', width)],
  }
}
