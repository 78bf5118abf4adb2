import { squareWay, type Point } from '../measure/geometry'
import type { WireRole } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { operand, working } from '../quantity/figure'
import type { Block, RoutedWire, Spot, Terminal } from './circuit'

/** Where something hangs on one supply's minus the wires are at least so long, mm. */
const shortestMm = 60
/** Wires between parts that sit in the same box, mm. */
const besideMm = 120

/** How long a wire is, and why. */
export type WireLength = Pick<RoutedWire, 'lengthMm' | 'working' | 'rule'>

/** Wires are longer than their way by so much. */
export const slackOf = ({ rules }: Pick<Plan, 'rules'>): number => 1 + rules.slack

/** How long a wire is from place to place, and down a drop, with its slack. */
export function way(plan: Pick<Plan, 'rules'>, from: Point, to: Point, dropMm = 0): WireLength {
  const mm = Math.max(shortestMm, squareWay(from, to))
  const slack = slackOf(plan)
  return {
    lengthMm: (mm + dropMm) * slack,
    working:
      dropMm === 0
        ? working`${operand('along the drawing', mm, 'mm')} × ${operand('slack', slack)}`
        : working`(${operand('along the drawing', mm, 'mm')} + ${operand('drop', dropMm, 'mm')}) × ${operand('slack', slack)}`,
    rule: 'at right angles along the drawing, with the plan’s slack',
  }
}

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
    this.terminals.set(id, terminal)
    this.blocks.get(block)?.terminals.push(terminal)
    return terminal
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
}

/** Ids of blocks. */
export const blockId = {
  supply: (id: string) => `supply:${id}`,
  junction: (id: string) => `junction:${id}`,
  board: 'board',
  buffer: 'buffer',
  switch: (dimmer: string) => `switch:${dimmer}`,
  hub: (run: string) => `hub:${run}`,
  run: (run: string) => `run:${run}`,
  input: (id: string) => `input:${id}`,
  status: 'input:status',
} as const
