import { shareUnit, takeCount, takeStretch, type ReadLength } from '../../quantity/length'
import type { Reader } from '../../quantity/reader'
import type { Token } from '../../quantity/tokens'
import { formatLength } from '../../quantity/format'
import { apart, dimensionOf, lengthOf, mostParts, type ReadShape, type Segment } from '../shape'

/** `2140`, `2 x 560`, `3 x 450 + 120`: straight parts, one behind the other on the drawing. */
export const readEdge: ReadShape = (reader, count) => {
  const taken: EdgePart[] = []
  do taken.push(takePart(reader))
  while (reader.skipMark('+'))
  const lengths = shareUnit(
    reader,
    taken.map(({ length }) => length),
  )
  const parts = taken.map(({ count: token, length }, index) => ({
    token,
    count: token?.value ?? 1,
    length: lengths[index] ?? length,
  }))
  for (const { token, length } of parts)
    if (token !== undefined && length.pixels === undefined && token.value > length.mm)
      reader.fail(
        `${token.text} parts of ${formatLength(length.mm)}? The count comes first: 2 x 560`,
        token,
      )
  if (reader.isMark('-')) reader.fail('A minus: put the sum in brackets, such as (1200 - 30)')

  const longest = Math.max(...parts.map((part) => part.length.mm))
  const segments: Segment[] = []
  let x = 0
  for (let copy = 0; copy < count; copy += 1) {
    for (const [dimension, part] of parts.entries()) {
      for (let index = 0; index < part.count; index += 1) {
        const { mm } = part.length
        segments.push({
          ...lengthOf(part.length),
          points: [
            [x, 0],
            [x + mm, 0],
          ],
          dimension,
        })
        x += mm + longest * apart
      }
    }
  }
  if (segments.length > mostParts)
    reader.fail(`${String(segments.length)} parts: at most ${String(mostParts)} in a line`)
  return {
    segments,
    lights: [],
    dimensions: parts.map((part) => dimensionOf('length', part.length)),
  }
}

/** A length, or how many of it: `2 x 560`. */
interface EdgePart {
  readonly count: Token | undefined
  readonly length: ReadLength
}

function takePart(reader: Reader): EdgePart {
  if (!(reader.isNumber() && reader.isMark('x', 1)))
    return { count: undefined, length: takeStretch(reader) }
  const count = takeCount(reader, 'parts', mostParts)
  reader.take()
  return { count, length: takeStretch(reader) }
}
