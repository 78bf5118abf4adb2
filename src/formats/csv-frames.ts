import { framesOf, readyShow, type PlayGiven, type ShowRun } from '../core/glow/play'
import type { Show } from '../core/plan/plan'
import { table, type Table } from './csv'

/**
 * What is sent in each frame, a row a frame and lane: linear bytes × the limit, red, green, blue (and white) of each pixel in the order of
 * the data, as hex.
 */
export function framesTable(given: PlayGiven, show: Show, run: ShowRun): Table {
  const ready = readyShow(given, show)
  const rows: [ms: number, lane: string, hex: string][] = []
  for (const { ms, player } of framesOf(ready, run))
    for (const [lane, { name }] of ready.field.lanes.entries())
      rows.push([ms, name, hexOf(player.bytes(lane))])
  return table(['ms', 'lane', 'hex'], rows)
}

const hexOf = (bytes: Uint8Array): string =>
  Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
