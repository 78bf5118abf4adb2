import type { CutStripRun } from '../cut/cut'
import { supplyByBoard } from '../lanes/boards'
import type { LaneRun } from '../lanes/lanes'
import { connectorOf } from '../parts/connectors'
import { wireOf } from '../parts/wires'
import type { WireRole } from '../plan/choices'
import { operand, working } from '../quantity/figure'
import { Kept } from '../quantity/kept'
import type { RoutedWire, Terminal } from './circuit'
import { switchedPlus } from './connect-leads'
import { beside, blockId, way, type WireLength } from './harness'
import type { RouteContext } from './route-context'

/** Plus and minus of the board, and of the buffer beside it. */
export function addBoardFeed(context: RouteContext): void {
  const { harness, plan, sources, lanes, plusPad } = context
  const gauge = wireOf(plan.wiring.dataWire)
  const first = lanes[0]?.runs[0]
  const supplyId = supplyByBoard(plan, lanes)
  const { boardFrom } = plan.signal
  const atStrip = boardFrom === 'strip' && first !== undefined
  const supply = blockId.supply(supplyId)
  const source = atStrip ? blockId.run(first.entry.run.id) : supply
  const isRaw = context.pinSupply === supplyId
  const from = atStrip ? first.start : (sources.supplies.get(supplyId) ?? sources.controller)
  const common = {
    gauge,
    bundle: 'board',
    about: [supplyId],
    ...way(plan, from, sources.controller),
  }
  // Its supply's end and its own; a board at the strip is told the other way round, like all that ends at a run.
  const ends = (sign: '+' | '−', role: WireRole): Pick<RoutedWire, 'from' | 'to'> => {
    const key = isRaw && sign === '+' ? 'raw +' : sign
    const own = harness.at(blockId.board, key, role, { kind: 'power' })
    const pad = atStrip && sign === '+' ? plusPad(first.entry.run.id, 0) : 0
    return atStrip
      ? {
          from: own,
          to: harness.at(source, pad === 0 ? sign : `${sign} ${String(pad)}`, role, {
            kind: 'pad',
            pad,
          }),
        }
      : {
          from: harness.at(
            sign === '+' ? switchedPlus(context, supplyId, supply) : source,
            `${sign} board`,
            role,
            { kind: 'lead', lead: 'board' },
            `board ${sign}`,
          ),
          to: own,
        }
  }
  const hasPlus = boardFrom !== 'usb'
  // A plug of the board's own brings its plus; the minuses meet all the same.
  if (hasPlus)
    harness.wire({
      ...common,
      role: 'plus',
      ...ends('+', 'plus'),
      ...(!atStrip && { isBoardFeed: true }),
    })
  if (hasPlus || plan.rules.joinsMinus)
    harness.wire({ ...common, role: 'minus', ...ends('−', 'minus') })
  if (!harness.blocks.has(blockId.buffer)) return
  for (const [sign, role] of [
    ['+', 'plus'],
    ['−', 'minus'],
  ] as const)
    harness.wire({
      role,
      from: harness.at(
        blockId.board,
        `${sign} out`,
        role,
        { kind: 'output', to: 'buffer' },
        sign === '+' ? '5 V' : '−',
      ),
      to: harness.at(blockId.buffer, sign, role, { kind: 'power' }),
      gauge,
      ...beside,
      bundle: 'buffer',
      about: [supplyId],
    })
}

// A wire from run to run is the very same until something that it is made from is another.
const keptWires = {
  data: new Kept<CutStripRun, RoutedWire>(),
  clock: new Kept<CutStripRun, RoutedWire>(),
}

/** Data, and clock where there is one, from the board along each lane. */
export function addLanes(context: RouteContext): void {
  const { harness, plan, lanes, sources, pinFor } = context
  const gauge = wireOf(plan.wiring.dataWire)
  const { resistorOhm, fix } = plan.signal
  for (const lane of lanes) {
    const lines = lane.data === 'clocked' ? (['data', 'clock'] as const) : (['data'] as const)
    let before: LaneRun | undefined
    for (const run of lane.runs) {
      const block = blockId.run(run.entry.run.id)
      const from = before?.end ?? sources.controller
      const length = (): WireLength => way(plan, from, run.start, run)
      for (const line of lines) {
        const mark = line === 'data' ? 'D' : 'C'
        const common = { role: line, gauge, about: [run.entry.run.id] }
        // The clock comes apart with the data, in one plug.
        const apart = line === 'data' ? connectorOf(run.entry.run.line.dataApart) : undefined
        const end = (): Terminal =>
          harness.at(block, `${mark} in`, line, { kind: 'data', side: 'in' })
        if (before !== undefined) {
          const last = blockId.run(before.entry.run.id)
          const places = [...from, ...run.start, run.spareMm]
          const wire = keptWires[line].get(
            run.entry,
            [lane.id, last, ...places, plan.rules, gauge, apart],
            () => ({
              ...common,
              from: harness.at(last, `${mark} out`, line, { kind: 'data', side: 'out' }),
              to: end(),
              ...length(),
              bundle: `${lane.id}.${run.entry.run.id}`,
              ...(apart && { apart }),
            }),
          )
          harness.takeOver(wire)
          continue
        }
        const to = end()
        let pin = pinFor({ kind: 'lane', lane: lane.id, line }, `${lane.name} ${mark}`, line)
        if (harness.blocks.has(blockId.buffer)) {
          const bufferPin = (side: 'in' | 'out'): Terminal =>
            harness.at(
              blockId.buffer,
              `${side} ${lane.name} ${mark}`,
              line,
              { kind: 'pin', side },
              side,
            )
          harness.wire({
            ...common,
            from: pin,
            to: bufferPin('in'),
            ...beside,
            bundle: `${lane.id}.buffer`,
          })
          pin = bufferPin('out')
        }
        harness.wire({
          ...common,
          from: pin,
          to,
          ...length(),
          bundle: `${lane.id}.in`,
          ...(apart && { apart }),
          ...(resistorOhm !== null && { resistor: { ohm: resistorOhm, why: 'data' } }),
        })
      }
      if (before === undefined && fix === 'diode') addDiode(context, lane.id, run.entry)
      before = run
    }
  }
}

/** From pad to pad over one pixel, mm. */
const overPixelMm = 30

/** The diode in the plus of a lane's first pixel, which has been cut off the strip's plus behind it (handbook 3, first-pixel-diode). */
function addDiode({ harness, plan }: RouteContext, lane: string, { run }: CutStripRun): void {
  const block = blockId.run(run.id)
  harness.wire({
    role: 'plus',
    from: harness.at(block, '+ 1', 'plus', { kind: 'pad', pad: 1 }, '+'),
    to: harness.at(block, '+', 'plus', { kind: 'pad', pad: 0 }),
    gauge: wireOf(plan.wiring.dataWire),
    lengthMm: overPixelMm,
    working: working`${operand('over the first pixel', overPixelMm, 'mm')}`,
    rule: 'the diode’s own legs and a short wire',
    bundle: `${lane}.diode`,
    about: [run.id],
    hasDiode: true,
  })
}
