import type { CutStripRun } from '../cut/cut'
import { jumpersOf, jumperWayMm } from '../cut/pads'
import { wireOf } from '../parts/wires'
import { operand } from '../quantity/figure'
import type { Terminal } from './circuit'
import { blockId, cutTo } from './harness'
import type { RouteContext } from './route-context'
import { linesOf } from './strip-lines'

/** Wires from piece to piece of a run. */
export function addJumpers({ harness, plan }: RouteContext, entry: CutStripRun): void {
  const { run } = entry
  const block = blockId.run(run.id)
  const gauge = wireOf(plan.defaults.wire)
  const thin = wireOf(plan.wiring.dataWire)
  for (const jumper of jumpersOf(entry)) {
    const mm = jumperWayMm(jumper)
    if (mm === undefined) continue
    const { from, to } = jumper
    for (const { mark, role, channel } of linesOf(entry.strip)) {
      const end = (piece: string, side: 'start' | 'end'): Terminal =>
        harness.at(
          block,
          `${piece} ${mark} ${side}`,
          role,
          { kind: 'piece', piece, end: side, ...(channel !== undefined && { channel }) },
          `${piece} ${mark}`,
        )
      harness.wire({
        role,
        from: end(from.name, 'end'),
        to: end(to.name, 'start'),
        gauge: role === 'data' || role === 'clock' ? thin : gauge,
        ...cutTo(plan, { parts: [operand('from end to start', mm, 'mm')] }),
        rule: 'straight from piece to piece, with the plan’s slack',
        bundle: `${run.id}.${from.name}`,
        about: [run.id],
      })
    }
  }
}
