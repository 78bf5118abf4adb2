import { middleOf, type Point } from '../../core/measure/geometry'
import { placer } from '../../core/measure/layout'
import type { MeasuredRun } from '../../core/measure/measure'
import { formatJotted, type LengthUnits } from '../../core/quantity/format'
import { meet, roomAround, type Room } from './labels'
import type { DrawnRun } from './run-drawing'

/** A dimension on the drawing: where it stands, px from where the bench begins, and for how many equal parts. */
export interface Chip {
  /** Index among the run's segments; -1 for single lights. */
  readonly at: number
  readonly dimension: number
  readonly times: number
  readonly x: number
  readonly y: number
}

/** Space between a line and its dimension, px. */
const clear = 21
/** A part drawn shorter than this carries no chip of its own, px. */
const shortest = 46

/** One chip for each dimension; for each part where few are equal and there is room. */
export function chipsOf(entry: DrawnRun, scale: number): Chip[] {
  const { run, box } = entry
  if (run.segments.length === 0)
    return [
      {
        at: -1,
        dimension: 0,
        times: 1,
        x: (box.x + box.width / 2) * scale,
        y: (box.y + box.height) * scale + clear,
      },
    ]
  const byDimension = new Map<number, number[]>()
  for (const [index, { dimension }] of run.segments.entries())
    if (dimension >= 0) byDimension.set(dimension, [...(byDimension.get(dimension) ?? []), index])
  return [...byDimension].flatMap(([dimension, indices]) => {
    const isEach =
      run.shape === 'edge' &&
      indices.length <= 4 &&
      indices.every((index) => (run.segments[index]?.lengthMm ?? 0) * scale >= shortest)
    // Of an arch's legs the right one: the left stands close to the name. Of a frame's sides the lower one, for the same reason.
    const isLast =
      run.shape === 'arch' || (run.shape === 'frame' && indices.length === 2 && dimension === 0)
    const shown = isEach ? indices : isLast ? indices.slice(-1) : indices.slice(0, 1)
    return shown.map((at) => chipAt(entry, at, dimension, isEach ? 1 : indices.length, scale))
  })
}

/** What a chip says: the measure that it stands for, and how often. */
export function chipLabel(
  { dimensions }: Pick<MeasuredRun, 'dimensions'>,
  { dimension, times }: Pick<Chip, 'dimension' | 'times'>,
  units: LengthUnits,
): string {
  const { kind, value = 0 } = dimensions[dimension] ?? {}
  const length = formatJotted(value, units)
  const text = kind === 'radius' ? `r ${length}` : kind === 'diameter' ? `⌀ ${length}` : length
  return times > 1 ? `${String(times)} × ${text}` : text
}

/** A letter on a chip, and what the chip is wider than its label, px: it may touch what stands beside it. */
const [letterPx, borderPx] = [7.2, 14]
/** Room that a chip takes with a hand's width around it, px. */
const [chipWidth, chipHeight] = [70, 28]

/**
 * Chips that stand clear of those before them; on a small drawing the others come as soon as there is room.
 *
 * @param taken where no chip may stand unless it is of the run that is chosen
 */
export function apart<
  Placed extends {
    readonly x: number
    readonly y: number
    readonly label: string
    readonly isChosen?: boolean
  },
>(chips: readonly Placed[], taken: readonly Room[] = []): Placed[] {
  const kept = new Map<string, Placed[]>()
  const cell = (value: number, size: number): number => Math.floor(value / size)
  return chips.filter((chip) => {
    const room = roomAround(chip.x, chip.y, letterPx * chip.label.length + borderPx, 20)
    if (chip.isChosen !== true && taken.some((other) => meet(room, other))) return false
    const [column, row] = [cell(chip.x, chipWidth), cell(chip.y, chipHeight)]
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1])
        for (const { x, y } of kept.get(`${String(column + dx)} ${String(row + dy)}`) ?? [])
          if (Math.abs(x - chip.x) < chipWidth && Math.abs(y - chip.y) < chipHeight) return false
    const own = `${String(column)} ${String(row)}`
    kept.set(own, [...(kept.get(own) ?? []), chip])
    return true
  })
}

function chipAt(
  { run, place }: DrawnRun,
  at: number,
  dimension: number,
  times: number,
  scale: number,
): Chip {
  const put = placer(run, place)
  const points = (run.segments[at]?.points ?? []).map(put)
  const lefts = points.map(([x]) => x)
  const tops = points.map(([, y]) => y)
  const chip = ([x, y]: Point, dx = 0, dy = 0): Chip => ({
    at,
    dimension,
    times,
    x: x * scale + dx,
    y: y * scale + dy,
  })
  const isStraight = points.length === 2
  if (run.shape === 'arch' && !isStraight) return chip(middleOf(points))
  if (run.shape === 'ring')
    return chip([
      (Math.min(...lefts) + Math.max(...lefts)) / 2,
      (Math.min(...tops) + Math.max(...tops)) / 2,
    ])
  // Beside their ends: under each other there is no room below.
  if (run.shape === 'rows') return chip([Math.max(...lefts), points[0]?.[1] ?? 0], clear * 1.3)
  if (run.shape === 'traced')
    return chip([(Math.min(...lefts) + Math.max(...lefts)) / 2, Math.max(...tops)], 0, clear)
  // On an upright line the chip stands on the line itself: beside it another run may be close.
  const isUpright = isStraight && Math.abs((lefts[0] ?? 0) - (lefts[1] ?? 0)) < 1e-6
  // In a frame that has room for it, so that what stands below is left free.
  const isWithin = run.shape === 'frame' && run.box.height * scale > 44
  const isBeside = run.shape === 'frame' && isUpright
  return chip(
    middleOf(points),
    isBeside ? clear * 1.8 : 0,
    isUpright ? 0 : isWithin ? -clear : clear,
  )
}
