import type { MappedPixel } from '../core/signal/pixel-map'
import type { Block, Circuit, PlanWire } from '../core/wire/circuit'
import { blockOf } from '../core/wire/circuit'
import type { PlanJoint } from '../core/wire/lists'
import { workingText } from '../core/quantity/figure'
import { csv } from './csv'

const rounded = (value: number, places = 1): number =>
  Math.round(value * 10 ** places) / 10 ** places

/** Where a wire ends, for people: block and terminal. */
export function placeText(blocks: ReadonlyMap<string, Block>, terminal: string): string {
  const block = blocks.get(blockOf(terminal))
  const label = block?.terminals.find(({ id }) => id === terminal)?.label ?? ''
  return `${block?.name ?? ''} ${label}`.trim()
}

export const blocksById = ({ blocks }: Pick<Circuit, 'blocks'>): Map<string, Block> =>
  new Map(blocks.map((block) => [block.id, block]))

/** Every wire as CSV, with the sum that made its length. */
export function wiresCsv(circuit: Circuit): string {
  const blocks = blocksById(circuit)
  return csv(
    [
      'wire',
      'from',
      'to',
      'use',
      'gauge',
      'colour',
      'length mm',
      'why',
      'bare from mm',
      'bare to mm',
      'sleeve',
      'in the wire',
    ],
    circuit.wires.map((wire: PlanWire) => [
      wire.name,
      placeText(blocks, wire.from),
      placeText(blocks, wire.to),
      wire.role,
      wire.gauge.name,
      wire.colour,
      Math.ceil(wire.lengthMm - 1e-6),
      `${workingText(wire.working)} (${wire.rule})`,
      wire.bareMm[0],
      wire.bareMm[1],
      wire.sleeve ?? '',
      wire.inLine.map(({ kind, text }) => `${kind} ${text}`).join(', '),
    ]),
  )
}

/** Every joint in the order of the feed. */
export const jointsCsv = (joints: readonly PlanJoint[], ticks: readonly string[]): string =>
  csv(
    ['joint', 'kind', 'where', 'what meets', 'thread on first', 'minutes', 'so far min', 'done'],
    joints.map(({ id, kind, where, meets, threadFirst, minutes, soFarMin }, index) => [
      index + 1,
      kind,
      where,
      meets.join('; '),
      threadFirst.join('; '),
      minutes,
      soFarMin,
      ticks.includes(id) ? 'yes' : '',
    ]),
  )

/** Every pixel with its number and its place on the drawing, mm. */
export const pixelsCsv = (pixels: readonly MappedPixel[]): string =>
  csv(
    ['lane', 'number', 'run', 'in run', 'x mm', 'y mm', 'lit'],
    pixels.map(({ lane, number, run, inRun, at: [x, y], isLit }) => [
      lane,
      number,
      run,
      inRun < 0 ? 'extra' : inRun,
      rounded(x),
      rounded(y),
      isLit ? 'yes' : 'no',
    ]),
  )
