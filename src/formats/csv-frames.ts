import {
  frameMs,
  InputTape,
  lengthOf,
  readyShow,
  type InputEvent,
  type PlayGiven,
} from '../core/glow/play'
import { Player } from '../core/glow/player'
import type { Show } from '../core/plan/plan'
import { table, type Table } from './csv'

/**
 * What is sent in each frame, a row a frame and lane: linear bytes × the limit, red, green, blue (and white) of each pixel in the order of
 * the data, as hex.
 */
export function framesTable(
  given: PlayGiven,
  show: Show,
  run: {
    readonly seconds?: number | undefined
    readonly framesPerSecond: number
    readonly events?: readonly InputEvent[] | undefined
  },
): Table {
  const ready = readyShow(given, show)
  const { framesPerSecond, events = [], seconds = lengthOf(ready) } = run
  const player = new Player(ready)
  const tape = new InputTape(events, ready.inputs.length)
  const frames = Math.max(1, Math.round(seconds * framesPerSecond))
  const rows = Array.from({ length: frames }, (_, frame) => {
    const ms = frameMs(frame, framesPerSecond)
    tape.step(player, ms)
    player.paint(ms)
    return ready.field.lanes.map(({ name }, lane) => [ms, name, hexOf(player.bytes(lane))])
  })
  return table(['ms', 'lane', 'hex'], rows.flat())
}

const hexOf = (bytes: Uint8Array): string =>
  Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
