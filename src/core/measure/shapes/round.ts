import {
  isPixelCount,
  missing,
  takeDegrees,
  takeLength,
  takeStretch,
  type ReadLength,
} from '../../quantity/length'
import type { Reader } from '../../quantity/reader'
import { arcMm, arcPoints, boxAround, helixMm, ringMm, type Point } from '../geometry'
import {
  apart,
  copiesInRow,
  dimensionOf,
  type Dimension,
  type ReadShape,
  type Segment,
} from '../shape'

interface Round {
  readonly radiusMm: number
  readonly dimension: Dimension
}

/** `382` or `d382` is a diameter, `r191` a radius. */
function takeRound(reader: Reader): Round {
  if (reader.skipMark('r')) {
    const length = takeLength(reader)
    return { radiusMm: length.mm, dimension: dimensionOf('radius', length) }
  }
  const hasMark = reader.skipMark('d')
  if (!hasMark && reader.peek().kind === 'word') reader.fail(missing(reader, 'a diameter'))
  const length = takeLength(reader)
  return { radiusMm: length.mm / 2, dimension: dimensionOf('diameter', length) }
}

/** A diameter or radius, or the pixels that go once around: `40 px`. */
function takeAround(reader: Reader): Round & { readonly pixels?: number } {
  if (!isPixelCount(reader)) return takeRound(reader)
  const around = takeStretch(reader)
  const radiusMm = around.mm / (2 * Math.PI)
  const dimension = { ...dimensionOf('diameter', around), value: 2 * radiusMm }
  return { radiusMm, dimension, ...(around.pixels !== undefined && { pixels: around.pixels }) }
}

/** `ring 382`: once around, starting at the bottom. */
export const readRing: ReadShape = (reader, count) => {
  const { radiusMm, pixels, dimension } = takeAround(reader)
  const one: Segment = {
    lengthMm: ringMm(2 * radiusMm),
    ...(pixels !== undefined && { pixels }),
    points: arcPoints([radiusMm, radiusMm], radiusMm, 90, 360),
    dimension: 0,
  }
  return {
    segments: copiesInRow(count, 2 * radiusMm * (1 + apart), [one]),
    lights: [],
    dimensions: [dimension],
  }
}

/** `arch r410 120 legs 300`: part of a circle, 180° unless said, on legs if wanted. */
export const readArch: ReadShape = (reader, count) => {
  const { radiusMm, dimension } = takeRound(reader)
  const dimensions: Dimension[] = [dimension]
  let degrees = 180
  if (reader.isNumber()) {
    const read = takeDegrees(reader)
    degrees = read.mm
    dimensions.push(dimensionOf('degrees', read))
  }
  let legs: ReadLength | undefined
  if (reader.skipWord('legs', 'leg')) {
    legs = takeLength(reader)
    dimensions.push(dimensionOf('length', legs))
  }

  const arc = arcPoints([0, 0], radiusMm, 270 - degrees / 2, degrees)
  const [left = [0, 0], right = [0, 0]]: (Point | undefined)[] = [arc[0], arc.at(-1)]
  const segments: Segment[] = [{ lengthMm: arcMm(radiusMm, degrees), points: arc, dimension: 0 }]
  if (legs !== undefined) {
    const foot = ([x, y]: Point): Point => [x, y + legs.mm]
    const leg = { lengthMm: legs.mm, dimension: dimensions.length - 1 }
    segments.unshift({ ...leg, points: [foot(left), left] })
    segments.push({ ...leg, points: [right, foot(right)] })
  }
  const { width } = boxAround(segments.flatMap((segment) => segment.points))
  return { segments: copiesInRow(count, width * (1 + apart), segments), lights: [], dimensions }
}

/** `wrap d60 pitch 40 turns 12`: around a pole; `height` in place of `turns`. */
export const readWrap: ReadShape = (reader: Reader, count) => {
  let round: Round | undefined
  let pitch: ReadLength | undefined
  let turns: number | undefined
  let height: ReadLength | undefined
  const dimensions: Dimension[] = []

  while (!reader.isAtEnd) {
    if (reader.skipWord('pitch')) {
      pitch = takeLength(reader)
      dimensions.push(dimensionOf('length', pitch))
    } else if (reader.skipWord('height')) {
      height = takeLength(reader)
      dimensions.push(dimensionOf('length', height))
    } else if (reader.skipWord('turns')) {
      if (!reader.isNumber()) reader.fail(missing(reader, 'how many turns'))
      const token = reader.take()
      if (!(token.value > 0 && token.value <= 10_000))
        reader.fail(`${token.text} turns: more than 0 and up to 10 000`, token)
      turns = token.value
      dimensions.push({ kind: 'count', value: token.value, at: token.at, end: token.end })
    } else if (round === undefined) {
      round = takeRound(reader)
      dimensions.push(round.dimension)
    } else reader.expectEnd('pitch, turns or height?')
  }
  if (round === undefined) reader.fail('The pole’s diameter? Such as wrap d60 pitch 40 turns 12')
  if (pitch === undefined) reader.fail('The pitch from turn to turn? Such as pitch 40')
  if (turns !== undefined && height !== undefined)
    reader.fail('Turns and height: give one of the two')
  turns ??= height === undefined ? undefined : height.mm / pitch.mm
  if (turns === undefined) reader.fail('How many turns, or what height? Such as turns 12')

  const segment: Segment = {
    lengthMm: helixMm(2 * round.radiusMm, pitch.mm, turns),
    points: helixSide(round.radiusMm, pitch.mm, turns),
    dimension: dimensions.indexOf(round.dimension),
    radiusMm: round.radiusMm,
  }
  return {
    segments: copiesInRow(count, 2 * round.radiusMm * (1 + apart), [segment]),
    lights: [],
    dimensions,
  }
}

/** The winding seen from the side, bottom to top: a wave as wide as the pole. */
function helixSide(radiusMm: number, pitchMm: number, turns: number): Point[] {
  const steps = Math.min(4_000, Math.max(2, Math.ceil(turns * 24)))
  return Array.from({ length: steps + 1 }, (_, index) => {
    const turn = (turns * index) / steps
    return [radiusMm * Math.sin(2 * Math.PI * turn), (turns - turn) * pitchMm]
  })
}
