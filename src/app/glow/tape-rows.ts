import type { Tape } from '../../core/glow/look'

/** One row of lights on the screen, px. */
export interface TapeRow {
  /** Its run, where the row is the first of it. */
  readonly name: string | undefined
  /** Its lights among all of the frame, and the number of the first one in its run, from 0. */
  readonly from: number
  readonly count: number
  readonly number: number
  readonly top: number
  /** Of a tape: how long it is, and each of its lights. */
  readonly lengthPx: number
  readonly lightPx: number
}

export interface LaidTapes {
  readonly rows: readonly TapeRow[]
  readonly height: number
  /** How high a light is; in the grid how far it is from one to the next, and the more so behind ten, px. */
  readonly lightPx: number
  readonly stepPx: number
  readonly tenPx: number
}

const namePx = 22
const [tapePx, gridPx, gapPx, tenPx] = [14, 12, 2, 4]
/** Above the first run, where the choice of the view lies, and below the last. */
const [headPx, edgePx] = [44, 10]

/** Lays runs out as tapes at one scale, or in rows of tens. @param width px that the lights may take */
export function tapeRows(tapes: readonly Tape[], as: 'tapes' | 'grid', width: number): LaidTapes {
  const rows: TapeRow[] = []
  let top = headPx
  const longest = Math.max(1, ...tapes.map(({ lengthMm }) => lengthMm))
  const tens = Math.max(1, Math.floor((width + tenPx) / (10 * (gridPx + gapPx) + tenPx)))
  for (const { name, from, count, lengthMm } of tapes) {
    top += namePx
    const lengthPx = Math.max(2, (lengthMm / longest) * width)
    const lightPx = Math.max(1, Math.min(tapePx, (0.72 * lengthPx) / count))
    const perRow = as === 'tapes' ? count : 10 * tens
    for (let first = 0; first < count; first += perRow) {
      rows.push({
        name: first === 0 ? name : undefined,
        from: from + first,
        count: Math.min(perRow, count - first),
        number: first,
        top,
        lengthPx,
        lightPx,
      })
      top += as === 'tapes' ? tapePx : gridPx + gapPx
    }
    top += 8
  }
  return {
    rows,
    height: top + edgePx,
    lightPx: as === 'tapes' ? tapePx : gridPx,
    stepPx: gridPx + gapPx,
    tenPx,
  }
}
