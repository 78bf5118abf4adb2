import { sharesAt } from '../../core/feed/brightness'
import { loadsPerGroup } from '../../core/load/group-draw'
import type { Strip } from '../../core/plan/parts'
import type { DrawnPiece } from '../tape/tape'

/** Where each load of a run stands on its tape, px: in the middle of its pitch, in the order of the current. */
export function loadPlaces(pieces: readonly DrawnPiece[], strip: Strip): Float64Array {
  const perGroup = loadsPerGroup(strip)
  const places: number[] = []
  for (const { piece, stripX, stripWidth } of pieces) {
    const loads = piece.groups * perGroup
    for (let at = 0; at < loads; at += 1) places.push(stripX + ((at + 0.5) / loads) * stripWidth)
  }
  return Float64Array.from(places)
}

/** Where a pad is on the tape, px. Pads are counted in groups; of two at a jump between pieces, the first. */
export function padX(pieces: readonly DrawnPiece[], pad: number): number {
  let before = 0
  for (const { piece, stripX, stripWidth } of pieces) {
    if (piece.groups > 0 && pad <= before + piece.groups)
      return stripX + ((pad - before) / piece.groups) * stripWidth
    before += piece.groups
  }
  const last = pieces.findLast(({ piece }) => piece.groups > 0)
  return last === undefined ? 0 : last.stripX + last.stripWidth
}

/** The pad nearest to a place of the tape. */
export function padAt(pieces: readonly DrawnPiece[], x: number): number {
  let [best, nearest, before] = [0, Infinity, 0]
  for (const { piece, stripX, stripWidth } of pieces) {
    if (piece.groups === 0) continue
    const within = Math.round(((x - stripX) / stripWidth) * piece.groups)
    const pad = before + Math.max(0, Math.min(piece.groups, within))
    const away = Math.abs(padX(pieces, pad) - x)
    if (away < nearest) [best, nearest] = [pad, away]
    before += piece.groups
  }
  return best
}

/** What colours look like that are not red, green or blue themselves. */
const tints: Readonly<Record<string, readonly [number, number, number]>> = {
  red: [255, 0, 0],
  green: [0, 244, 0],
  blue: [0, 0, 232],
  white: [255, 236, 205],
  'warm white': [255, 205, 140],
  'cool white': [225, 235, 255],
}

/**
 * The colour that a load shows at its volts: each channel at its brightness and what its volts leave of it. Dark is not black, so that it
 * can be told from nothing.
 */
export function colourAt(strip: Strip, duties: readonly number[], volts: number): string {
  const shares = sharesAt(strip, volts)
  const sum = [0, 0, 0]
  for (const [index, { name }] of strip.light.channels.entries()) {
    const light = Math.min(1, (shares[index] ?? 0) * (duties[index] ?? 0))
    const tint = tints[name] ?? [255, 236, 205]
    // An eye sees half the light as much more than half as bright.
    const seen = light ** 0.7
    for (const at of [0, 1, 2]) sum[at] = (sum[at] ?? 0) + (tint[at] ?? 0) * seen
  }
  const [r, g, b] = sum.map((value) => Math.round(Math.min(255, 34 + value * 0.87)))
  return `rgb(${String(r)} ${String(g)} ${String(b)})`
}

/** A ribbon that sags by the lost volts, as an SVG path: its upper edge the tape, its lower edge the volts. */
export function ribbonPath(
  places: Float64Array,
  volts: Float64Array,
  toY: (volts: number) => number,
): { area: string; line: string } {
  const count = Math.min(places.length, volts.length)
  if (count === 0) return { area: '', line: '' }
  const every = Math.max(1, Math.ceil(count / 400))
  const points: string[] = []
  for (let at = 0; at < count; at += every) points.push(point(places, volts, at, toY))
  if ((count - 1) % every !== 0) points.push(point(places, volts, count - 1, toY))
  const line = `M${points.join('L')}`
  const [from, to] = [places[0] ?? 0, places[count - 1] ?? 0]
  return { area: `${line}L${to.toFixed(1)} 0L${from.toFixed(1)} 0Z`, line }
}

const point = (
  places: Float64Array,
  volts: Float64Array,
  at: number,
  toY: (volts: number) => number,
): string => `${(places[at] ?? 0).toFixed(1)} ${toY(volts[at] ?? 0).toFixed(2)}`
