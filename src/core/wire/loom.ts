import type { CutStripRun } from '../cut/cut'
import type { Hidden } from '../feed/leads'
import type { PlugTree } from '../feed/plugs'
import type { FedScene } from '../feed/solved'
import type { FedSupply } from '../feed/supplies'
import type { LitRun } from '../load/lights'
import type { NodeRun } from '../load/nodes'
import { squareWay, type Point } from '../measure/geometry'
import type { Wire as Gauge } from '../parts/wires'
import type { WireRole } from '../plan/choices'
import type { Plan } from '../plan/plan'
import { operand, working, type Working } from '../quantity/figure'
import type { Signal } from '../signal/signal'
import { blockOf, type Block, type InLine, type PlanWire } from './circuit'

/** What wires are drawn from. */
export interface WiringGiven {
  readonly plan: Plan
  readonly cuts: readonly CutStripRun[]
  readonly lit: readonly LitRun[]
  readonly plugs: readonly PlugTree[]
  readonly nodes: readonly NodeRun[]
  readonly hidden: Hidden
  readonly supplies: readonly FedSupply[]
  readonly full: FedScene
  readonly signal: Signal
}

/** Where something hangs on one supply's minus the wires are at least so long, mm. */
const shortestMm = 60
/** Wires between parts that sit in the same box, mm. */
const besideMm = 120

/** Bared at a screw, at a pad of a strip, and at a pin, mm. */
const bare = { screw: 7, pad: 3, pin: 5 } as const

/** Heat-shrink sleeves by what they go over, mm² and mm. */
const sleeves: readonly (readonly [upToMm2: number, sleeveMm: number])[] = [
  [0.25, 2.4],
  [0.8, 3.2],
  [1.6, 4.8],
  [Infinity, 6.4],
]
const sleeveFor = ({ areaMm2 }: Gauge): string => {
  const found = sleeves.find(([upTo]) => areaMm2 <= upTo)
  return `${String(found?.[1] ?? '')} mm`
}

/** A wire before it has its name. */
export interface Drawn {
  readonly role: WireRole
  readonly from: string
  readonly to: string
  readonly gauge: Gauge
  readonly lengthMm: number
  readonly working: Working
  readonly rule: string
  readonly bundle: string
  readonly about: readonly string[]
  readonly inLine?: readonly InLine[]
}

/** Gathers blocks with their terminals, and wires, in the order of the feed. */
export class Loom {
  readonly blocks = new Map<string, Block & { readonly terminals: Block['terminals'][number][] }>()
  readonly wires: PlanWire[] = []
  private readonly terminals = new Set<string>()

  constructor(private readonly plan: Plan) {}

  block(id: string, rest: Omit<Block, 'id' | 'terminals'>): void {
    if (!this.blocks.has(id)) this.blocks.set(id, { id, ...rest, terminals: [] })
  }

  /** A terminal of a block, made where it is not there yet; gives back its id. */
  at(blockId: string, key: string, role: WireRole, label = key): string {
    const id = `${blockId}/${key}`
    if (this.terminals.has(id)) return id
    this.terminals.add(id)
    this.blocks.get(blockId)?.terminals.push({ id, label, role })
    return id
  }

  wire({ inLine = [], ...drawn }: Drawn): void {
    const [from, to] = [this.bareAt(drawn.from), this.bareAt(drawn.to)]
    this.wires.push({
      ...drawn,
      name: `W${String(this.wires.length + 1)}`,
      colour: this.plan.wiring.colours[drawn.role],
      bareMm: [from, to],
      sleeve: from === bare.screw && to === bare.screw ? null : sleeveFor(drawn.gauge),
      inLine,
    })
  }

  private bareAt(terminal: string): number {
    switch (this.blocks.get(blockOf(terminal))?.kind) {
      case 'supply':
      case 'junction':
      case 'switch':
        return bare.screw
      case 'run':
        return bare.pad
      default:
        return bare.pin
    }
  }
}

/** Wires are longer than their way by so much. */
export const slackOf = ({ rules }: Plan): number => 1 + rules.slack

/** How long a wire is from place to place, with its slack. */
export function way(
  plan: Plan,
  from: Point,
  to: Point,
): Pick<Drawn, 'lengthMm' | 'working' | 'rule'> {
  const mm = Math.max(shortestMm, squareWay(from, to))
  return {
    lengthMm: mm * slackOf(plan),
    working: working`${operand('along the drawing', mm, 'mm')} × ${operand('slack', slackOf(plan))}`,
    rule: 'at right angles along the drawing, with the plan’s slack',
  }
}

/** … between two things in one box. */
export const beside: Pick<Drawn, 'lengthMm' | 'working' | 'rule'> = {
  lengthMm: besideMm,
  working: working`${operand('beside it', besideMm, 'mm')}`,
  rule: 'in the same box',
}
