import type { Terminal } from '../../core/route/circuit'
import type { PlanBlock, PlanWire } from '../../core/wire/wires'

/** What is chosen on the diagram or in the list: a wire by its name, or a block or terminal by its id. */
export type WireChoice =
  | { readonly kind: 'wire'; readonly name: string }
  | { readonly kind: 'place'; readonly id: string }

const isAt = ({ id, block }: Terminal, place: string): boolean => id === place || block === place

/** Names of the wires that a choice lights up. */
export function litWires(wires: readonly PlanWire[], choice: WireChoice | undefined): Set<string> {
  if (choice === undefined) return new Set()
  if (choice.kind === 'wire') return new Set([choice.name])
  return new Set(
    wires
      .filter(({ from, to }) => isAt(from, choice.id) || isAt(to, choice.id))
      .map(({ name }) => name),
  )
}

/** The name of a chosen block or terminal. */
export function placeName(blocks: readonly PlanBlock[], id: string): string {
  for (const { id: block, name, terminals } of blocks) {
    if (block === id) return name
    const terminal = terminals.find((one) => one.id === id)
    if (terminal !== undefined) return `${name} ${terminal.label}`.trim()
  }
  return ''
}

/** The run that a choice concerns, with the pad where a wire meets it, counted in cut groups. */
export function runOfChoice(
  { blocks, wires }: { readonly blocks: readonly PlanBlock[]; readonly wires: readonly PlanWire[] },
  choice: WireChoice | undefined,
): { readonly run: string; readonly pad: number | 'end' } | undefined {
  if (choice === undefined) return undefined
  const runOf = new Map(
    blocks.flatMap(({ id, of }) => (of.kind === 'run' ? [[id, of.run] as const] : [])),
  )
  const place = choice.kind === 'place' ? runOf.get(choice.id) : undefined
  if (place !== undefined) return { run: place, pad: 0 }
  const terminals =
    choice.kind === 'place'
      ? blocks.flatMap((block) => block.terminals.filter(({ id }) => id === choice.id))
      : wires.filter(({ name }) => name === choice.name).flatMap(({ from, to }) => [to, from])
  const terminal = terminals.find(({ block }) => runOf.has(block))
  const run = terminal && runOf.get(terminal.block)
  if (terminal === undefined || run === undefined) return undefined
  const { spot } = terminal
  return {
    run,
    pad: spot.kind === 'pad' ? spot.pad : spot.kind === 'data' && spot.side === 'out' ? 'end' : 0,
  }
}
