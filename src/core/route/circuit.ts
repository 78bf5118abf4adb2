import type { Point } from '../measure/geometry'
import type { Connector } from '../parts/connectors'
import type { Wire as Gauge } from '../parts/wires'
import type { InputKind, WireRole } from '../plan/choices'
import type { Working } from '../quantity/figure'

/** What a block of the wiring is. */
export type BlockOf =
  | { readonly kind: 'supply'; readonly supply: string }
  /** A switch by hand in a supply's plus, or at its booster's enable pin. */
  | { readonly kind: 'power-switch'; readonly supply: string }
  | { readonly kind: 'junction'; readonly junction: string }
  | { readonly kind: 'board' }
  | { readonly kind: 'buffer' }
  | { readonly kind: 'switch'; readonly dimmer: string }
  /** Where the wires home of a run's lights meet: a terminal strip, or the boards that drive or read them. */
  | { readonly kind: 'hub'; readonly run: string }
  | { readonly kind: 'run'; readonly run: string }
  | { readonly kind: 'input'; readonly input: InputKind | 'status' }

export type BlockKind = BlockOf['kind']

/** Where on its block a terminal is. */
export type Spot =
  /** A screw of a supply, junction, switch or hub for one lead. */
  | { readonly kind: 'lead'; readonly lead: string }
  /** A pad of a run where a lead meets it, counted in cut groups; the channel of a plain strip's minus. */
  | { readonly kind: 'pad'; readonly pad: number; readonly channel?: string }
  /** The splitter that a lead is plugged into. */
  | { readonly kind: 'splitter'; readonly splitter: string }
  /** A pad at the end of a piece, where a jumper is soldered; the channel of a plain strip's minus. */
  | {
      readonly kind: 'piece'
      readonly piece: string
      readonly end: 'start' | 'end'
      readonly channel?: string
    }
  /** Where data or clock enters or leaves a run. */
  | { readonly kind: 'data'; readonly side: 'in' | 'out' }
  /** Where a block gets its own power. */
  | { readonly kind: 'power' }
  /** Where it gives power to others. */
  | { readonly kind: 'output'; readonly to: 'buffer' | 'others' }
  /** A signal pin of a board, buffer, switch, hub or sensor. */
  | { readonly kind: 'pin'; readonly side?: 'in' | 'out' }
  /** A single light, or a node, from 0. */
  | { readonly kind: 'light'; readonly light: number }

/** A named place where a wire ends. */
export interface Terminal {
  /** Stable while the plan changes. */
  readonly id: string
  /** Id of its block. */
  readonly block: string
  readonly spot: Spot
  /** As it is marked. */
  readonly label: string
  readonly role: WireRole
}

/** A thing with terminals. */
export interface Block {
  readonly id: string
  readonly of: BlockOf
  readonly name: string
  /** What it is, small beneath its name. */
  readonly detail: string
  readonly terminals: readonly Terminal[]
  /** Ids of the runs and supplies concerned. */
  readonly about: readonly string[]
}

/** A resistor that sits in a wire; fuses and diodes come once the feed is solved. */
export interface InLineResistor {
  readonly ohm: number
  readonly why: 'data' | 'base' | 'gate' | 'status'
}

/** Wires of a run that are bought as one cable. */
export interface CableCore {
  /** C1, C2 … */
  readonly cable: string
  /** From 1. */
  readonly core: number
}

/** One wire from terminal to terminal: where it goes, what it carries and how long it is. */
export interface RoutedWire {
  readonly role: WireRole
  readonly from: Terminal
  readonly to: Terminal
  readonly gauge: Gauge
  readonly lengthMm: number
  /** Why so long. */
  readonly working: Working
  readonly rule: string
  /** Where it begins and ends on the drawing, where its way there is known. */
  readonly ends?: readonly [from: Point, to: Point]
  /** Wires that run side by side: a lead's plus and minus, a lane's data and clock. */
  readonly bundle: string
  readonly about: readonly string[]
  /** The lead whose plus it is: where its fuse sits. */
  readonly fusedLead?: string
  /** What it and the wires beside it come apart at, near their end. */
  readonly apart?: Connector
  /** The plus of the board's own feed, with a fuse of its own. */
  readonly isBoardFeed?: boolean
  readonly resistor?: InLineResistor
  /** The diode before the first pixel hangs on it. */
  readonly hasDiode?: boolean
  /** From single lights or nodes to where they are driven or read: the run's id. */
  readonly home?: string
  readonly cable?: CableCore
}

/** A cable with all its cores. */
export interface Cable {
  readonly name: string
  readonly run: string
  readonly cores: number
  /** As long as its longest core, mm. */
  readonly lengthMm: number
}

/** Every wire there is, and what else is joined. */
export interface Circuit {
  readonly blocks: readonly Block[]
  readonly wires: readonly RoutedWire[]
  readonly cables: readonly Cable[]
  /** Single lights, whose legs and resistors are soldered where they hang, or that are plugged in. */
  readonly lightJoints: readonly {
    readonly run: string
    readonly lights: number
    readonly legs: number
    readonly resistors: number
    /** By plugs of their own: nothing is soldered. */
    readonly isPlugged: boolean
    /** Each has wires of its own. */
    readonly hasWiresHome: boolean
  }[]
  /** Pieces of a split part, soldered pad on pad; strings of nodes, plugged. */
  readonly padJoints: readonly {
    readonly run: string
    readonly from: string
    readonly to: string
    readonly wires: number
    readonly isPlugged: boolean
  }[]
}
