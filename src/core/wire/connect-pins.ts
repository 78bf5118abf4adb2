import { inputParts } from '../parts/inputs'
import { wireOf } from '../parts/wires'
import type { LitRun } from '../load/lights'
import type { NodeRun } from '../load/nodes'
import type { Point } from '../measure/geometry'
import { operand, working } from '../quantity/figure'
import { beside, way, type Drawn, type Loom, type WiringGiven } from './loom'

// What hangs on the board's pins besides data: single lights, nodes, the status light, sensors.

/** Wires from the board's pins to single lights that hang on them, or to what drives them. */
export function addLightPins(loom: Loom, given: WiringGiven, lit: LitRun): void {
  const { plan, hidden, full, cuts } = given
  const gauge = wireOf(plan.wiring.dataWire)
  const block = `run:${lit.id}`
  const lead = full.leads.find(({ lead: { to } }) => to.kind === 'run' && to.run === lit.id)
  const entry = cuts.find(({ run }) => run.id === lit.id)
  const at: Point = lead?.lead.end ?? entry?.run.lights[0] ?? hidden.controller
  if (lit.settings.drive !== 'switch') addPinWires(loom, given, 'light', lit.id, at)
  // Lights on pins of their own come back to the board's minus together.
  if (lit.settings.drive === 'pins')
    loom.wire({
      role: 'minus',
      from: loom.at('board', '− sensors', 'minus', '−'),
      to: loom.at(block, '−', 'minus'),
      gauge,
      ...way(plan, hidden.controller, at),
      bundle: `lights.${lit.id}`,
      about: [lit.id],
    })
}

/** Signals of nodes to the board: theirs, or those of the boards that read them. */
export function addNodePins(loom: Loom, given: WiringGiven, { id }: NodeRun): void {
  const first = given.cuts.find(({ run }) => run.id === id)?.run.lights[0]
  addPinWires(loom, given, 'node', id, first ?? given.hidden.controller)
}

/** A wire to a run from every pin that it needs as lights or as nodes. */
function addPinWires(
  loom: Loom,
  { plan, signal, hidden }: WiringGiven,
  as: 'light' | 'node',
  run: string,
  at: Point,
): void {
  const before = `${as}.${run}.`
  for (const { need, pin } of signal.fit?.pins ?? []) {
    if (!need.id.startsWith(before)) continue
    const line = need.id.slice(before.length)
    loom.wire({
      role: 'signal',
      from: loom.at('board', pin?.name ?? line, 'signal'),
      to: loom.at(`run:${run}`, line, 'signal'),
      gauge: wireOf(plan.wiring.dataWire),
      ...way(plan, hidden.controller, at),
      bundle: `${as}s.${run}`,
      about: [run],
    })
  }
}

/** The status light, beside the board: a resistor for each of its colours. */
export function addStatus(loom: Loom, { plan, signal }: WiringGiven): void {
  const pins = signal.fit?.pins.filter(({ need }) => need.of === 'status') ?? []
  if (pins.length === 0) return
  const block = 'input:status'
  loom.block(block, { kind: 'input', name: 'Status light', detail: 'three colours', about: [] })
  const common = { gauge: wireOf(plan.wiring.dataWire), ...beside, bundle: block, about: [] }
  for (const { need, pin } of pins) {
    const channel = need.id.split('.')[1] ?? ''
    loom.wire({
      ...common,
      role: 'signal',
      from: loom.at(block, channel, 'signal'),
      to: loom.at('board', pin?.name ?? channel, 'signal'),
      inLine: [{ kind: 'resistor', text: '220 Ω' }],
    })
  }
  loom.wire({
    ...common,
    role: 'minus',
    from: loom.at(block, '−', 'minus'),
    to: loom.at('board', '− sensors', 'minus', '−'),
  })
}

/** Sensors, buttons and knobs: plus where they take it, minus, and their pins. */
export function addInputs(loom: Loom, { plan, signal, hidden }: WiringGiven): void {
  const gauge = wireOf(plan.wiring.dataWire)
  for (const { id, name, kind, at } of plan.signal.inputs) {
    const block = `input:${id}`
    const part = inputParts[kind]
    loom.block(block, { kind: 'input', name, detail: part.name, about: [], input: kind })
    const length = at === undefined ? notPlaced : way(plan, hidden.controller, at)
    const common = { gauge, ...length, bundle: block, about: [] }
    if (part.hasPlus)
      loom.wire({
        ...common,
        role: 'plus',
        from: loom.at(block, '+', 'plus'),
        to: loom.at('board', '+ sensors', 'plus', '+'),
      })
    loom.wire({
      ...common,
      role: 'minus',
      from: loom.at(block, '−', 'minus'),
      to: loom.at('board', '− sensors', 'minus', '−'),
    })
    for (const pin of part.pins) {
      const use = signal.fit?.pins.find(({ need }) => need.id === `input.${id}.${pin.name}`)
      loom.wire({
        ...common,
        role: 'signal',
        from: loom.at(block, pin.name, 'signal'),
        to: loom.at('board', use?.pin?.name ?? `${name} ${pin.name}`, 'signal'),
      })
    }
  }
}

/** Of a sensor that has no place on the drawing yet. */
const notPlaced: Pick<Drawn, 'lengthMm' | 'working' | 'rule'> = {
  lengthMm: 1000,
  working: working`${operand('not placed yet', 1000, 'mm')}`,
  rule: 'a metre until it stands on the drawing',
}
