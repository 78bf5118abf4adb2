import { blockOf, type PlanWire } from '../../core/wire/circuit'

/** What is chosen on the diagram or in the list: a wire by its name, or a block or terminal by its id. */
export type WireChoice =
  { readonly kind: 'wire'; readonly name: string } | { readonly kind: 'place'; readonly id: string }

/** Names of the wires that a choice lights up. */
export function litWires(wires: readonly PlanWire[], choice: WireChoice | undefined): Set<string> {
  if (choice === undefined) return new Set()
  if (choice.kind === 'wire') return new Set([choice.name])
  const ends = (terminal: string): boolean =>
    choice.id.includes('/') ? terminal === choice.id : blockOf(terminal) === choice.id
  return new Set(wires.filter(({ from, to }) => ends(from) || ends(to)).map(({ name }) => name))
}

/** The run that a choice concerns, with the pad where a wire meets it, counted in cut groups. */
export function runOfChoice(
  wires: readonly PlanWire[],
  choice: WireChoice | undefined,
): { readonly run: string; readonly pad: number | 'end' } | undefined {
  const wire = choice?.kind === 'wire' ? wires.find(({ name }) => name === choice.name) : undefined
  const terminals =
    wire === undefined ? (choice?.kind === 'place' ? [choice.id] : []) : [wire.to, wire.from]
  const terminal = terminals.find((id) => id.startsWith('run:'))
  if (terminal === undefined) return undefined
  const key = terminal.split('/')[1] ?? ''
  const pad = /^[+−].* (\d+)$/.exec(key)?.[1]
  return {
    run: blockOf(terminal).slice('run:'.length),
    pad: pad !== undefined ? Number(pad) : key.endsWith('out') ? 'end' : 0,
  }
}
