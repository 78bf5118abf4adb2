import { padName, padReader, type Network, type NetworkRun } from './network'

/**
 * The same network with runs of uniform rails only: where wires join pieces, a run `sill` becomes `sill.1`, `sill.2` …, and the wires are
 * leads between them. Loads stay in their order.
 *
 * @param breaks pads of runs, counted in loads, where nothing is joined: the run is split there too, and no lead goes across
 * @param joins pads of runs, counted in loads, where a rail has so many ohms more than its copper and wires, or is open
 */
export function splitRuns(
  network: Network,
  breaks: ReadonlyMap<string, ReadonlySet<number>> = new Map(),
  joins: PadJoins = new Map(),
): Network {
  const split = new Map(
    network.runs.map((run) => {
      const own = joins.get(run.id)
      const ownBreaks =
        own === undefined
          ? breaks.get(run.id)
          : new Set([...(breaks.get(run.id) ?? []), ...own.keys()])
      return [run.id, runParts(run, ownBreaks)]
    }),
  )
  const padOf = padReader(network)
  const renamed = (name: string): string => {
    const at = padOf(name)
    if (at === undefined) return name
    const { run: id, pad } = at
    const parts = split.get(id) ?? []
    // A pad lies before the wire that follows it: it is the end of the part before.
    const part = parts.find(({ from, run }) => pad <= from + run.loads) ?? parts[0]
    return part === undefined ? name : padName(part.run.id, pad - part.from)
  }
  const parts = [...split.values()]
  return {
    ...network,
    runs: parts.flat().map(({ run }) => run),
    leads: [
      ...network.leads.map((lead) => ({
        ...lead,
        from: renamed(lead.from),
        to: renamed(lead.to),
      })),
      ...[...split].flatMap(([id, own]) => joined(own, breaks.get(id), joins.get(id))),
    ],
  }
}

/** By run and pad, in loads: what each rail has more there, Ω; `null`: it is open. */
export type PadJoins = ReadonlyMap<
  string,
  ReadonlyMap<number, { readonly plusOhm: number | null; readonly minusOhm: number | null }>
>

/** A stretch of a run between two wires. */
export interface RunPart {
  /** Loads of the run before it. */
  readonly from: number
  readonly run: NetworkRun
  /** The wire to the part behind it. */
  readonly plusOhm: number
  readonly minusOhm: number
}

/** The uniform parts of a run, in their order. */
export function runParts(
  { jumpers = [], ...run }: NetworkRun,
  breaks: ReadonlySet<number> = new Set(),
): readonly RunPart[] {
  const pads = [...new Set([...jumpers.map(({ pad }) => pad), ...breaks])]
    .filter((pad) => pad > 0 && pad < run.loads)
    .toSorted((a, b) => a - b)
  const starts = [0, ...pads]
  return starts.map((from, index): RunPart => {
    const to = starts[index + 1] ?? run.loads
    const wires = jumpers.filter(({ pad }) => pad === to)
    const perLoad = (run.duties?.length ?? 0) / run.loads
    return {
      from,
      run: {
        ...run,
        id: starts.length === 1 ? run.id : `${run.id}.${String(index + 1)}`,
        loads: to - from,
        ...(run.duties !== undefined && {
          duties: run.duties.slice(from * perLoad, to * perLoad),
        }),
      },
      plusOhm: wires.reduce((sum, { plusOhm }) => sum + plusOhm, 0),
      minusOhm: wires.reduce((sum, { minusOhm }) => sum + minusOhm, 0),
    }
  })
}

const more = (ohm: number, extra: number | null | undefined): number | null =>
  extra === null ? null : ohm + (extra ?? 0)

const joined = (
  parts: readonly RunPart[],
  breaks: ReadonlySet<number> = new Set(),
  joins: ReadonlyMap<
    number,
    { readonly plusOhm: number | null; readonly minusOhm: number | null }
  > = new Map(),
): Network['leads'] =>
  parts.slice(1).flatMap(({ from, run }, index) => {
    const before = parts[index]
    return before === undefined || breaks.has(from)
      ? []
      : [
          {
            from: padName(before.run.id, before.run.loads),
            to: padName(run.id, 0),
            plusOhm: more(before.plusOhm, joins.get(from)?.plusOhm),
            minusOhm: more(before.minusOhm, joins.get(from)?.minusOhm),
          },
        ]
  })
