import { wireOf } from '../parts/wires'
import { partNames } from '../load/nodes'
import type { WireRole } from '../plan/choices'
import type { Terminal } from './circuit'
import type { RouteContext } from './route-context'
import { beside, blockId, commonAt, way } from './harness'

/** Wires of nodes: signals, plus and minus of each, to the board or to the boards that read them. */
export function addNodes(context: RouteContext): void {
  const { harness, plan, nodes, sources, fit, lightAt, entryOf } = context
  const gauge = wireOf(plan.wiring.dataWire)
  for (const { id, node, nodes: count, readers, each } of nodes) {
    if (each.wires === 0 && each.channels === 0) continue
    const name = entryOf.get(id)?.run.name ?? ''
    const isHub = readers !== undefined || fit === undefined
    const hub = `${blockId.hub(id)}.nodes`
    if (isHub)
      harness.block(hub, {
        of: { kind: 'hub', run: id },
        name: `${name}, nodes`,
        detail:
          readers === undefined ? 'terminal strip' : `${String(readers.boards)} reading boards`,
        about: [id],
      })
    const names = partNames(node)
    const common = { gauge, about: [id] }
    const end = (key: string, role: WireRole): Terminal =>
      isHub
        ? harness.at(hub, key, role, { kind: 'pin', side: 'out' })
        : commonAt(harness, role === 'plus' ? '+' : '−')
    for (let index = 0; index < count; index += 1) {
      const length = way(plan, sources.controller, lightAt(id, index), {
        dropMm: entryOf.get(id)?.run.dropMm ?? 0,
      })
      for (const part of node.parts)
        for (let one = 0; one < part.count; one += 1)
          for (const [at, role] of rolesOf(part).entries()) {
            const key = `node ${String(index + 1)} ${names.get(part.id) ?? part.name}${part.count > 1 ? ` ${String(one + 1)}` : ''} ${role}${role === 'signal' && part.channels > 1 ? ` ${String(at + 1)}` : ''}`
            const signal = one * part.channels + at
            harness.wire({
              ...common,
              role,
              from:
                role === 'signal' && !isHub
                  ? context.pinFor(
                      {
                        kind: 'node',
                        run: id,
                        line: { kind: 'signal', node: index, part: part.id, index: signal },
                      },
                      key,
                      role,
                    )
                  : end(role === 'signal' ? key : role === 'plus' ? '+ nodes' : '− nodes', role),
              to: harness.at(blockId.run(id), key, role, { kind: 'light', light: index }),
              ...length,
              bundle: `node.${id}.${String(index)}`,
              home: id,
            })
          }
    }
    if (readers === undefined || fit === undefined) continue
    // The reading boards stand beside the plan's board, in a chain on two of its pins.
    for (const [sign, role] of [
      ['+', 'plus'],
      ['−', 'minus'],
    ] as const)
      harness.wire({
        ...common,
        role,
        from: commonAt(harness, sign),
        to: harness.at(hub, sign, role, { kind: 'power' }),
        ...beside,
        bundle: `readers.${id}`,
      })
    for (const { need, pin } of fit.pins)
      if (need.of.kind === 'node' && need.of.run === id)
        harness.wire({
          ...common,
          role: 'signal',
          from: harness.at(blockId.board, pin?.name ?? need.line, 'signal', { kind: 'pin' }),
          to: harness.at(hub, need.line, 'signal', { kind: 'pin', side: 'in' }),
          ...beside,
          bundle: `readers.${id}`,
        })
  }
}

/** What the wires of a node's part carry: its signals first, then plus and minus in turn. */
function rolesOf({
  wires,
  channels,
}: {
  readonly wires: number
  readonly channels: number
}): WireRole[] {
  return Array.from({ length: Math.max(wires, channels) }, (_, at) =>
    at < channels ? 'signal' : (at - channels) % 2 === 0 ? 'plus' : 'minus',
  )
}
