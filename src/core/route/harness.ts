import type { Point } from '../measure/geometry'
import { cutLengthMm, wireWayMm } from '../measure/wire-way'
import type { WireRole } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { operand, working, type Operand, type Working } from '../quantity/figure'
import type { Block, RoutedWire, Spot, Terminal } from './circuit'

/** Wires between parts that sit in the same box, mm. */
const besideMm = 120

/** How long a wire is, and why. */
export type WireLength = Pick<RoutedWire, 'lengthMm' | 'working' | 'rule' | 'ends'>

/** What a wire's way is made of, mm, and what the holes at its ends add. */
interface WireNeed {
  readonly parts: readonly [Operand, ...Operand[]]
  readonly spareMm?: number
}

/** How long a wire is cut, and the sum that says so. */
export function cutTo(
  plan: Pick<Plan, 'rules'>,
  { parts, spareMm = 0 }: WireNeed,
): Pick<WireLength, 'lengthMm' | 'working'> {
  const wayMm = parts.reduce((sum, { value }) => sum + value, 0)
  const { slack, slackEndMm } = plan.rules
  const added = [
    ...(slackEndMm > 0 ? [operand('at its ends', 2 * slackEndMm, 'mm')] : []),
    ...(spareMm > 0 ? [operand('for its holes', spareMm, 'mm')] : []),
  ]
  const way = parts.map((_, index) => `{${String(index)}}`).join(' + ')
  const operation = [
    `${parts.length > 1 ? `(${way})` : way} × {${String(parts.length)}}`,
    ...added.map((_, index) => `{${String(parts.length + 1 + index)}}`),
  ].join(' + ')
  const sum: Working = { operation, operands: [...parts, operand('slack', 1 + slack), ...added] }
  return { lengthMm: cutLengthMm(plan, wayMm, spareMm), working: sum }
}

/** How long a wire is from place to place, down a drop and through holes, with its slack. */
export const way = (
  plan: Pick<Plan, 'rules'>,
  from: Point,
  to: Point,
  { dropMm = 0, spareMm = 0 }: { readonly dropMm?: number; readonly spareMm?: number } = {},
): WireLength => ({
  ...cutTo(plan, {
    parts: [
      operand('along the drawing', wireWayMm(from, to), 'mm'),
      ...(dropMm === 0 ? [] : [operand('drop', dropMm, 'mm')]),
    ],
    spareMm,
  }),
  rule: 'at right angles along the drawing, with the plan’s slack',
  ends: [from, to],
})

/** … between two things in one box. */
export const beside: WireLength = {
  lengthMm: besideMm,
  working: working`${operand('beside it', besideMm, 'mm')}`,
  rule: 'in the same box',
}

/** Gathers blocks with their terminals, and wires, in the order of the feed. */
export class Harness {
  readonly blocks = new Map<string, Block & { readonly terminals: Terminal[] }>()
  readonly wires: RoutedWire[] = []
  private readonly terminals = new Map<string, Terminal>()

  block(id: string, rest: Omit<Block, 'id' | 'terminals'>): void {
    if (!this.blocks.has(id)) this.blocks.set(id, { id, ...rest, terminals: [] })
  }

  /**
   * A terminal of a block, made where it is not there yet.
   *
   * @param key tells it from the block's other terminals, and stays while the plan changes
   */
  at(block: string, key: string, role: WireRole, spot: Spot, label = key): Terminal {
    const id = `${block}/${key}`
    const known = this.terminals.get(id)
    if (known !== undefined) return known
    const terminal: Terminal = { id, block, spot, role, label }
    this.add(terminal)
    return terminal
  }

  private add(terminal: Terminal): void {
    this.terminals.set(terminal.id, terminal)
    this.blocks.get(terminal.block)?.terminals.push(terminal)
  }

  /** The key itself, or the first with a number behind it that no terminal of the block has. */
  freeKey(block: string, key: string): string {
    for (let number = 1; ; number += 1) {
      const tried = number === 1 ? key : `${key} (${String(number)})`
      if (!this.terminals.has(`${block}/${tried}`)) return tried
    }
  }

  wire(wire: RoutedWire): void {
    this.wires.push(wire)
  }

  /** Takes a wire that was made before, with its terminals where they are not there yet. */
  takeOver(wire: RoutedWire): void {
    for (const terminal of [wire.from, wire.to])
      if (!this.terminals.has(terminal.id)) this.add(terminal)
    this.wire(wire)
  }
}

/** The bundle of the wires from a supply to its switch by hand. */
export const powerSwitchBundle = (supply: string): string => `power.${supply}`

/** Ids of blocks. */
export const blockId = {
  supply: (id: string) => `supply:${id}`,
  powerSwitch: (supply: string) => `power-switch:${supply}`,
  junction: (id: string) => `junction:${id}`,
  board: 'board',
  buffer: 'buffer',
  switch: (dimmer: string) => `switch:${dimmer}`,
  hub: (run: string) => `hub:${run}`,
  run: (run: string) => `run:${run}`,
  input: (id: string) => `input:${id}`,
  status: 'input:status',
} as const

/** The board's common minus and plus for what hangs on its pins. */
export const commonAt = (harness: Harness, sign: '+' | '−'): Terminal =>
  harness.at(
    blockId.board,
    `${sign} sensors`,
    sign === '+' ? 'plus' : 'minus',
    { kind: 'output', to: 'others' },
    sign,
  )
