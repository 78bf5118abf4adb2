import type { Place } from '../plan/plan'
import { distance, pointAlong, type Point } from './geometry'
import { mostRuns } from './from-to'
import { readLine, type JottedRun } from './jot'
import { placer } from './layout'

/** How a run that was one of several is called: a number behind the name; in quotes where the name ends with one. */
const numbered = (name: string, number: number): string =>
  /\d$/.test(name) || name.includes('"')
    ? `"${name.replaceAll('"', '')}, ${String(number)}"`
    : `${name} ${String(number)}`

/**
 * Texts of the runs that a line of several like or unlike parts becomes when each is a run of its own: `rack 6 x 1040` is six racks, `rows 6
 * px, 9 px` two. `undefined` where its parts hang together or it has but one.
 *
 * @param name what the line is called where it gives no name
 */
export function runsOfParts(
  text: string,
  { name: given, shape, segments, dimensions }: JottedRun,
  name: string,
): string[] | undefined {
  if ((shape !== 'edge' && shape !== 'rows') || segments.length < 2) return undefined
  if (segments.length > mostRuns) return undefined
  const lengths = segments.map(({ lengthMm, dimension, pixels }) => {
    const said = dimensions[dimension]
    if (said === undefined || Math.abs(said.value - lengthMm) > 1e-6)
      return pixels === undefined ? `${String(lengthMm)} mm` : `${String(pixels)} px`
    return text.slice(said.at, said.end) + (said.carried === undefined ? '' : ` ${said.carried}`)
  })
  const base = given === '' ? name : given
  return lengths.map((length, index) => `${numbered(base, index + 1)} ${length}`)
}

/** Half of a run that was divided: what its line says, and where it lies. */
export interface Half {
  readonly text: string
  readonly place: Place
}

/** To a tenth of a millimetre, upwards: what is cut still fits. */
const upToTenth = (mm: number): string => String(Math.ceil(mm * 10 - 1e-6) / 10)

/**
 * A run divided in two that lie where it lay, so that each can have a lane of its own: a straight run at the cut mark next to its middle, a ring
 * in two arches, an arch in two of half its angle. `undefined` for other shapes.
 *
 * @param place where the whole lies
 * @param cutPitchMm of its strip
 */
export function halvesOf(
  run: JottedRun,
  name: string,
  place: Place,
  cutPitchMm: number,
): readonly [Half, Half] | undefined {
  const [segment, ...others] = run.segments
  if (segment === undefined || others.length > 0) return undefined
  const texts = halfTexts(run, segment.lengthMm, cutPitchMm)
  if (texts === undefined) return undefined
  const at = placer(run, place)
  const share = texts.firstMm / segment.lengthMm
  const stretches = [
    [0, share],
    [share, 1],
  ] as const
  const [first, second] = stretches.map(([from, to], index): Half | undefined => {
    const text = `${numbered(name, index + 1)} ${texts.halves[index] ?? ''}`
    const read = readLine(text)
    if (read.kind !== 'run') return undefined
    const on = (share: number): Point => at(pointAlong(segment.points, share))
    const lies = placeOn(read, [on(from), on((from + to) / 2), on(to)])
    return lies && { text, place: lies }
  })
  return first === undefined || second === undefined ? undefined : [first, second]
}

function halfTexts(
  { shape, dimensions }: JottedRun,
  lengthMm: number,
  cutPitchMm: number,
): { readonly halves: readonly [string, string]; readonly firstMm: number } | undefined {
  const even = { firstMm: lengthMm / 2 }
  switch (shape) {
    case 'edge': {
      const groups = Math.floor(lengthMm / cutPitchMm + 1e-9)
      if (groups < 2) return undefined
      const first = upToTenth(Math.ceil(groups / 2) * cutPitchMm)
      return {
        halves: [first, upToTenth(lengthMm - Number(first))],
        firstMm: Number(first),
      }
    }
    case 'ring': {
      const radius = `arch r${upToTenth(lengthMm / (2 * Math.PI))}`
      return { ...even, halves: [radius, radius] }
    }
    case 'arch': {
      if (dimensions.some(({ kind }) => kind === 'length')) return undefined
      const degrees = dimensions.find(({ kind }) => kind === 'degrees')?.value ?? 180
      const radiusMm = lengthMm / ((degrees * Math.PI) / 180)
      const half = `arch r${upToTenth(radiusMm)} ${String(degrees / 2)}°`
      return { ...even, halves: [half, half] }
    }
    default:
      return undefined
  }
}

/** How far from where it should be a half may lie, mm: its measures are rounded. */
const nearMm = 2

/** Where a run has to lie so that it goes from one point through the middle to the other. */
function placeOn(
  run: JottedRun,
  [start, middle, end]: readonly [Point, Point, Point],
): Place | undefined {
  const points = run.segments.flatMap((segment) => segment.points)
  const [first, last] = [points[0], points.at(-1)]
  if (first === undefined || last === undefined) return undefined
  const way = ([ax, ay]: Point, [bx, by]: Point): number =>
    (Math.atan2(by - ay, bx - ax) * 180) / Math.PI
  const degrees = ((way(start, end) - way(first, last) + 540) % 360) - 180
  const [x, y] = placer(run, { x: 0, y: 0, degrees })(first)
  const place = { x: start[0] - x, y: start[1] - y, degrees }
  const own = placer(run, place)(pointAlong(points, 0.5))
  return distance(own, middle) <= nearMm + distance(start, end) * 0.01 ? place : undefined
}
