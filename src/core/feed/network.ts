// What a network is; apart from its schema, so that the worker need not load the checker.

/** What one load draws: idle current, channels with knees, and a resistive group behind a drop. */
export interface NetworkLoad {
  readonly idleA: number
  readonly channels?:
    | readonly {
        readonly fullA: number
        readonly kneeV: number
        readonly offV: number
        readonly duty: number
      }[]
    | undefined
  readonly ohmic?:
    | { readonly forwardV: number; readonly ohm: number; readonly duty: number }
    | undefined
}

/** Equal loads between two resistive rails. */
export interface NetworkRun {
  readonly id: string
  readonly loads: number
  readonly pitchM: number
  readonly railOhmPerM: { readonly p: number; readonly m: number }
  readonly load: NetworkLoad
  /** Brightness of every channel of every load in place of `load`'s duties, 0–1: loads × channels, load by load. */
  readonly duties?: Float64Array
  /** Wires from piece to piece: in each rail, just behind the pad. */
  readonly jumpers?:
    | readonly { readonly pad: number; readonly plusOhm: number; readonly minusOhm: number }[]
    | undefined
}

/**
 * What is to be solved: supplies, runs and leads. A lead goes from and to a supply (`a`), a pad of a run (`sill@90`; pad 0 is the data-in
 * end, load i lies between pads i and i + 1) or a junction (any other name). `null` ohms mean that the wire is missing. The minuses of all
 * supplies are one, and are 0 V.
 */
export interface Network {
  readonly supplies: readonly { readonly id: string; readonly volts: number }[]
  readonly runs: readonly NetworkRun[]
  readonly leads: readonly {
    readonly from: string
    readonly to: string
    readonly plusOhm: number | null
    readonly minusOhm: number | null
  }[]
}

/** Where a lead ends. */
export type End =
  | { readonly kind: 'supply'; readonly index: number }
  | { readonly kind: 'pad'; readonly run: number; readonly pad: number }
  | { readonly kind: 'junction'; readonly name: string }

/** The name of a pad of a run, counted in loads. */
export const padName = (run: string, pad: number): string => `${run}@${String(pad)}`

export type EndResult =
  | { readonly ok: true; readonly end: End }
  | { readonly ok: false; readonly message: string }

/**
 * Reads the names of lead ends of a network: a supply, a pad of a run (`sill@90`), or a junction.
 *
 * @returns a function of a name, in time that does not grow with the network
 */
export function endReader(network: Network): (name: string) => EndResult {
  const supplies = new Map(network.supplies.map(({ id }, index) => [id, index]))
  const runs = new Map(network.runs.map(({ id }, index) => [id, index]))
  return (name) => {
    const supply = supplies.get(name)
    if (supply !== undefined) return { ok: true, end: { kind: 'supply', index: supply } }
    const [runId = '', pad, ...more] = name.split('@')
    if (pad === undefined)
      return runs.has(name)
        ? {
            ok: false,
            message: `“${name}” is a run: name one of its pads, such as ${name}@0`,
          }
        : { ok: true, end: { kind: 'junction', name } }
    const index = runs.get(runId)
    const run = index === undefined ? undefined : network.runs[index]
    if (index === undefined || run === undefined)
      return { ok: false, message: `there is no run “${runId}”` }
    const number = Number(pad)
    if (more.length > 0 || !/^\d+$/.test(pad) || number > run.loads)
      return { ok: false, message: `“${name}”: ${runId} has pads 0 to ${String(run.loads)}` }
    return { ok: true, end: { kind: 'pad', run: index, pad: number } }
  }
}

/** The run and pad that a name means, or `undefined` where it is of something else. */
export function padReader(
  network: Network,
): (name: string) => { readonly run: string; readonly pad: number } | undefined {
  const readEnd = endReader(network)
  return (name) => {
    const read = readEnd(name)
    if (!read.ok || read.end.kind !== 'pad') return undefined
    const run = network.runs[read.end.run]
    return run && { run: run.id, pad: read.end.pad }
  }
}

/**
 * What the end of a lead is at: the id of a supply or run, or the name of a junction.
 *
 * @throws RangeError where the network has no such end
 */
export function nodeReader(network: Network): (name: string) => string {
  const readEnd = endReader(network)
  return (name) => {
    const read = readEnd(name)
    if (!read.ok) throw new RangeError(read.message)
    const { end } = read
    if (end.kind === 'junction') return end.name
    return (end.kind === 'supply' ? network.supplies[end.index] : network.runs[end.run])?.id ?? name
  }
}

/** What the name of one lead's end means in a network. */
export const endOf = (network: Network, name: string): EndResult => endReader(network)(name)
