import { inputParts } from '../parts/inputs'
import { wireOf } from '../parts/wires'
import { operand, working } from '../quantity/figure'
import type { RoutedWire } from './circuit'
import type { RouteContext } from './route-context'
import { beside, blockId, commonAt, way, type WireLength } from './harness'

/** The status light, beside the board: a resistor for each of its colours. */
export function addStatus({ harness, plan, fit }: RouteContext): void {
  const pins = (fit?.pins ?? []).flatMap(({ need, pin }) =>
    need.of.kind === 'status' ? [{ channel: need.of.channel, pin }] : [],
  )
  if (pins.length === 0) return
  const block = blockId.status
  harness.block(block, {
    of: { kind: 'input', input: 'status' },
    name: 'Status light',
    detail: 'three colours',
    about: [],
  })
  const common = { gauge: wireOf(plan.wiring.dataWire), ...beside, bundle: block, about: [] }
  for (const { channel, pin } of pins)
    harness.wire({
      ...common,
      role: 'signal',
      from: harness.at(block, channel, 'signal', { kind: 'pin' }),
      to: harness.at(blockId.board, pin?.name ?? channel, 'signal', { kind: 'pin' }),
      resistor: { ohm: statusOhm, why: 'status' },
    })
  harness.wire({
    ...common,
    role: 'minus',
    from: harness.at(block, '−', 'minus', { kind: 'power' }),
    to: commonAt(harness, '−'),
  })
}

/** Before each colour of a status light, Ω: *typical*. */
const statusOhm = 220

/** Sensors, buttons and knobs: plus where they take it, minus, and their pins. */
export function addInputs({ harness, plan, sources, pinFor }: RouteContext): void {
  const gauge = wireOf(plan.wiring.dataWire)
  for (const { id, name, kind, at } of plan.signal.inputs) {
    const block = blockId.input(id)
    const part = inputParts[kind]
    harness.block(block, { of: { kind: 'input', input: kind }, name, detail: part.name, about: [] })
    const length = at === undefined ? notPlaced : way(plan, sources.controller, at)
    const common: Pick<RoutedWire, 'gauge' | 'bundle' | 'about'> & WireLength = {
      gauge,
      ...length,
      bundle: block,
      about: [],
    }
    if (part.hasPlus)
      harness.wire({
        ...common,
        role: 'plus',
        from: harness.at(block, '+', 'plus', { kind: 'power' }),
        to: commonAt(harness, '+'),
      })
    harness.wire({
      ...common,
      role: 'minus',
      from: harness.at(block, '−', 'minus', { kind: 'power' }),
      to: commonAt(harness, '−'),
    })
    for (const pin of part.pins)
      harness.wire({
        ...common,
        role: 'signal',
        from: harness.at(block, pin.name, 'signal', { kind: 'pin' }),
        to: pinFor({ kind: 'input', input: id, pin: pin.name }, `${name} ${pin.name}`, 'signal'),
      })
  }
}

/** Of a sensor that has no place on the drawing yet. */
const notPlaced: WireLength = {
  lengthMm: 1000,
  working: working`${operand('not placed yet', 1000, 'mm')}`,
  rule: 'a metre until it stands on the drawing',
}
