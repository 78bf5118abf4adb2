import type { Wire as Gauge } from '../parts/wires'
import type { InputKind, WireColour, WireRole } from '../plan/choices'
import type { Working } from '../quantity/figure'

/** A named place where a wire ends. */
export interface Terminal {
  /** `supply:a/+ seat`: its block and what it is marked with, stable while the plan changes. */
  readonly id: string
  readonly label: string
  readonly role: WireRole
}

/** A thing with terminals. */
export interface Block {
  /** `supply:…`, `junction:…`, `board`, `buffer`, `switch:…`, `run:…`, `input:…`. */
  readonly id: string
  readonly kind: 'supply' | 'junction' | 'board' | 'buffer' | 'switch' | 'run' | 'input'
  readonly name: string
  /** What it is, small beneath its name. */
  readonly detail: string
  readonly terminals: readonly Terminal[]
  /** Ids of the runs and supplies concerned. */
  readonly about: readonly string[]
  /** Of a supply that is plugged into the mains: its mains side is never drawn. */
  readonly hasMains?: boolean
  /** Of a block `input`. */
  readonly input?: InputKind
}

/** What sits in a wire. */
export interface InLine {
  readonly kind: 'fuse' | 'resistor' | 'diode'
  readonly text: string
}

/** One wire of one colour, from terminal to terminal. */
export interface PlanWire {
  /** W1, W2 … in the order of the feed; as it is written on both its ends. */
  readonly name: string
  readonly role: WireRole
  readonly from: string
  readonly to: string
  readonly gauge: Gauge
  readonly colour: WireColour
  readonly lengthMm: number
  /** Why so long. */
  readonly working: Working
  readonly rule: string
  /** Bared at its beginning and its end, mm. */
  readonly bareMm: readonly [number, number]
  /** Heat-shrink sleeve over its soldered joints, or `null` where both ends are screwed. */
  readonly sleeve: string | null
  readonly inLine: readonly InLine[]
  /** Wires that run side by side: a lead's plus and minus, a lane's data and clock. */
  readonly bundle: string
  readonly about: readonly string[]
}

/** A capacitor across plus and minus, its legs soldered to a run's pads. */
export interface PlanCapacitor {
  readonly supplyId: string
  readonly text: string
  /** The pair of pads that it sits on. */
  readonly at: { readonly run: string; readonly pad: number }
}

/** Everything that is joined, and by what. */
export interface Circuit {
  readonly blocks: readonly Block[]
  readonly wires: readonly PlanWire[]
  readonly capacitors: readonly PlanCapacitor[]
  /** Single lights, whose legs and resistors are soldered where they hang, or that are plugged in. */
  readonly lightJoints: readonly {
    readonly run: string
    readonly lights: number
    readonly resistors: number
    /** By plugs of their own: nothing is soldered. */
    readonly isPlugged: boolean
  }[]
  /** Pieces of a split part, soldered pad on pad; strings of nodes, plugged. */
  readonly padJoints: readonly {
    readonly run: string
    readonly from: string
    readonly to: string
    readonly isPlugged: boolean
  }[]
}

/** Block of a terminal: what stands before the slash. */
export const blockOf = (terminal: string): string => terminal.split('/')[0] ?? ''

/** The splitter that a lead is plugged into where it ends. */
export const splitterOf = (terminal: string): string | undefined =>
  /^run:[^/]*\/(S\d+) [+−]$/.exec(terminal)?.[1]
