import type { CutStripRun } from '../cut/cut'
import type { Plan } from '../plan/plan'
import { formatQuantity } from '../quantity/format'
import { blockId } from './harness'
import { isPlugged } from './plugs'
import type { RouteContext } from './route-context'

export function addBlocks({
  harness,
  plan,
  cutRuns,
  litOf,
  lanes,
  fit,
  volts,
  powerSwitches,
}: RouteContext): void {
  for (const { id, name } of plan.supplies)
    harness.block(blockId.supply(id), {
      of: { kind: 'supply', supply: id },
      name,
      detail: formatQuantity(volts.get(id) ?? 0, 'V'),
      about: [id],
    })
  for (const { id, name } of plan.supplies) {
    const place = powerSwitches.get(id)
    if (place !== undefined)
      harness.block(blockId.powerSwitch(id), {
        of: { kind: 'power-switch', supply: id },
        name: `Switch of ${name}`,
        detail: place === 'plus' ? 'in the plus' : 'at the enable pin',
        about: [id],
      })
  }
  for (const { id, name, limitA } of plan.junctions)
    harness.block(blockId.junction(id), {
      of: { kind: 'junction', junction: id },
      name,
      detail: `up to ${formatQuantity(limitA, 'A')}`,
      about: [id],
    })
  if (fit !== undefined)
    harness.block(blockId.board, {
      of: { kind: 'board' },
      name: 'Board',
      detail: fit.board.name,
      about: [],
    })
  if (fit !== undefined && plan.signal.fix === 'buffer' && lanes.length > 0)
    harness.block(blockId.buffer, {
      of: { kind: 'buffer' },
      name: 'Buffer',
      detail: '5 V out',
      about: [],
    })
  // Runs in the order of their lanes, then those without data.
  const inLanes = new Set(lanes.flatMap(({ runs }) => runs.map(({ entry }) => entry)))
  for (const entry of [...inLanes, ...cutRuns.filter((one) => !inLanes.has(one))]) {
    const { run, strip, pieces } = entry
    const own = litOf.get(run.id)
    const isEmpty = entry.groups === 0 && run.lights.length === 0
    if (isEmpty) continue
    harness.block(blockId.run(run.id), {
      of: { kind: 'run', run: run.id },
      name: run.name,
      detail:
        own !== undefined
          ? `${String(own.lights)} × ${own.part.name}${isPlugged(own) ? ', plugged' : ''}`
          : entry.groups === 0
            ? formatQuantity(run.lights.length, 'lights')
            : stripDetail(plan, strip.light.kind, entry, pieces),
      about: [run.id],
    })
  }
}

function stripDetail(
  plan: Plan,
  kind: 'pixels' | 'plain',
  entry: CutStripRun,
  pieces: CutStripRun['pieces'],
): string {
  const names = pieces.filter((piece) => piece.groups > 0).map(({ name }) => name)
  const what =
    kind === 'pixels'
      ? formatQuantity(entry.pixels, 'px')
      : formatQuantity(entry.placedMm, 'mm', plan.units)
  return `${what} · ${names.length > 2 ? `${names[0] ?? ''} to ${names.at(-1) ?? ''}` : names.join(', ')}`
}
