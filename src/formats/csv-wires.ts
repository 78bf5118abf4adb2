import type { MappedPixel } from '../core/lanes/pixel-map'
import type { Block, Terminal } from '../core/route/circuit'
import type { PlanJoint } from '../core/wire/joints'
import type { PlanWire, Wiring } from '../core/wire/wires'
import type { LengthUnits } from '../core/quantity/format'
import { workingText } from '../core/quantity/figure'
import { table, type Table } from './csv'
import { inMm } from './csv-lengths'

/** Where a wire ends, for people: block and terminal. */
export const placeText = (
  blocks: ReadonlyMap<string, Pick<Block, 'name'>>,
  { block, label }: Pick<Terminal, 'block' | 'label'>,
): string => `${blocks.get(block)?.name ?? ''} ${label}`.trim()

export const blocksById = <Of extends Block>({
  blocks,
}: {
  readonly blocks: readonly Of[]
}): Map<string, Of> => new Map(blocks.map((block) => [block.id, block]))

/** Every wire as CSV, with the sum that made its length. */
export function wiresTable(
  circuit: Pick<Wiring, 'blocks' | 'wires'>,
  units: LengthUnits = 'mm',
): Table {
  const { head, value } = inMm(units)
  const blocks = blocksById(circuit)
  return table(
    [
      'wire',
      'from',
      'to',
      'use',
      'gauge',
      'colour',
      head('length'),
      'why',
      head('bare from'),
      head('bare to'),
      'sleeve',
      'in the wire',
      'cable',
    ],
    circuit.wires.map((wire: PlanWire) => [
      wire.name,
      placeText(blocks, wire.from),
      placeText(blocks, wire.to),
      wire.role,
      wire.gauge.name,
      wire.colour,
      value(Math.ceil(wire.lengthMm - 1e-6)),
      `${workingText(wire.working, units)} (${wire.rule})`,
      value(wire.bareMm[0]),
      value(wire.bareMm[1]),
      wire.sleeveMm === null ? '' : `${String(wire.sleeveMm)} mm`,
      wire.inLine.map(({ kind, text }) => `${kind} ${text}`).join(', '),
      wire.cable === undefined ? '' : `${wire.cable.cable} core ${String(wire.cable.core)}`,
    ]),
  )
}

/** Every joint in the order of the feed. */
export const jointsTable = (joints: readonly PlanJoint[], ticks: readonly string[]): Table =>
  table(
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

/** Every pixel with its number and its place on the drawing. */
export function pixelsTable(pixels: readonly MappedPixel[], units: LengthUnits = 'mm'): Table {
  const { head, value } = inMm(units)
  return table(
    ['lane', 'number', 'run', 'in run', head('x'), head('y'), 'lit'],
    pixels.map(({ lane, number, run, inRun, at: [x, y], isLit }) => [
      lane,
      number,
      run,
      inRun < 0 ? 'extra' : inRun,
      value(x),
      value(y),
      isLit ? 'yes' : 'no',
    ]),
  )
}
