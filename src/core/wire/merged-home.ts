import type { PlanBlock, PlanWire, Wiring } from './wires'

/** Wires home of one run from which on they are drawn as one for each thing that they carry. */
const manyHome = 9

/** What the diagram draws: of many wires home that carry the same from one block to another, the first. */
export function mergedHome({ blocks, wires, capacitors }: Wiring): {
  readonly blocks: readonly PlanBlock[]
  readonly wires: readonly PlanWire[]
  readonly capacitors: Wiring['capacitors']
  /** Names of all the wires that one stands for, by its own. */
  readonly namesOf: ReadonlyMap<string, readonly string[]>
} {
  const counts = new Map<string, number>()
  for (const { home } of wires)
    if (home !== undefined) counts.set(home, (counts.get(home) ?? 0) + 1)
  const standing = new Map<string, { readonly wire: PlanWire; readonly names: string[] }>()
  const kept: PlanWire[] = []
  for (const wire of wires) {
    if (wire.home === undefined || (counts.get(wire.home) ?? 0) < manyHome) {
      kept.push(wire)
      continue
    }
    const key = [wire.home, wire.from.block, wire.role].join(' ')
    const known = standing.get(key)
    if (known !== undefined) {
      known.names.push(wire.name)
      continue
    }
    standing.set(key, { wire, names: [wire.name] })
    kept.push({ ...wire, bundle: `home.${wire.home}` })
  }
  const used = new Set(kept.flatMap(({ from, to }) => [from.id, to.id]))
  return {
    wires: kept,
    capacitors,
    blocks: blocks.map((block) => ({
      ...block,
      terminals: block.terminals.filter(({ id }) => used.has(id)),
    })),
    namesOf: new Map([...standing.values()].map(({ wire, names }) => [wire.name, names])),
  }
}
