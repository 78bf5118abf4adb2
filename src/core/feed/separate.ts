import { endReader, type Network, type NetworkRun } from './network'

/** Places that belong together, joined pair by pair. */
export class Groups {
  private readonly parent: number[]

  constructor(size: number) {
    this.parent = Array.from({ length: size }, (_, index) => index)
  }

  find(item: number): number {
    let root = item
    while (this.parent[root] !== undefined && this.parent[root] !== root)
      root = this.parent[root] ?? root
    this.parent[item] = root
    return root
  }

  join(a: number, b: number): void {
    this.parent[this.find(a)] = this.find(b)
  }
}

/** A part of a network, and which of the network's leads its leads are. */
export interface SeparatePart {
  readonly part: Network
  readonly leadIndices: readonly number[]
}

/** Runs and junctions that hang together otherwise than by a supply. A run without a lead is a part by itself. */
export function separateParts(network: Network): SeparatePart[] {
  const places = new Map<string, number>()
  const placeOf = (key: string): number => {
    const known = places.get(key)
    if (known !== undefined) return known
    places.set(key, places.size)
    return places.size - 1
  }
  for (const { id } of network.runs) placeOf(`run ${id}`)
  const readEnd = endReader(network)
  const ends = network.leads.map(({ from, to }) =>
    [from, to].flatMap((name) => {
      const result = readEnd(name)
      if (!result.ok) throw new RangeError(result.message)
      const { end } = result
      if (end.kind === 'supply') return []
      return [
        placeOf(
          end.kind === 'pad' ? `run ${network.runs[end.run]?.id ?? ''}` : `junction ${end.name}`,
        ),
      ]
    }),
  )
  const groups = new Groups(places.size)
  for (const [a, b] of ends) if (a !== undefined && b !== undefined) groups.join(a, b)
  const parts = new Map<number, { runs: NetworkRun[]; leads: number[] }>()
  const partAt = (root: number): { runs: NetworkRun[]; leads: number[] } => {
    const part = parts.get(root) ?? { runs: [], leads: [] }
    parts.set(root, part)
    return part
  }
  for (const run of network.runs) partAt(groups.find(placeOf(`run ${run.id}`))).runs.push(run)
  for (const [index, [end]] of ends.entries())
    partAt(end === undefined ? -1 : groups.find(end)).leads.push(index)
  return [...parts.values()].map(({ runs, leads }) => {
    const own = leads.flatMap((index) => network.leads[index] ?? [])
    // Without any supply there is none to hold it; one keeps the volts to begin with.
    const named = new Set(own.flatMap(({ from, to }) => [from, to]))
    const fed = network.supplies.filter(({ id }) => named.has(id))
    return {
      part: { supplies: fed.length > 0 ? fed : network.supplies.slice(0, 1), runs, leads: own },
      leadIndices: leads,
    }
  })
}
