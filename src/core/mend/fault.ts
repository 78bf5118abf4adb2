import type { BuiltPlan } from '../build/built-plan'
import type { FaultKindName } from './kind-names'

/** Results of stages that faults, their look and their chance are worked out from. */
export const mendStages = [
  'cutRuns',
  'volts',
  'reels',
  'lit',
  'loads',
  'lanes',
  'fit',
  'leads',
  'circuit',
  'full',
  'supplies',
  'batteries',
  'signal',
  'wiring',
  'joints',
  'schedule',
] as const
export type MendGiven = Pick<BuiltPlan, 'plan' | (typeof mendStages)[number]>

/** How a pixel looks beside what the plan says; of plain strip a cut group, of single lights a light. */
export const lightStates = [
  'right',
  'dark',
  'dim',
  'tinted',
  'wrong',
  'flicker',
  'frozen',
  'follows',
] as const
export type LightState = (typeof lightStates)[number]

/** When it looks like that. */
export const whens = ['always', 'bright', 'start', 'random', 'warm'] as const
export type When = (typeof whens)[number]

export type Rail = 'plus' | 'minus'

/** What a fault changes in the feed network, before runs are split. */
export type FeedChange =
  /** One wire of a lead, by its index in the network: so many ohms more, or `null`: it is open. */
  | {
      readonly kind: 'lead'
      readonly lead: number
      readonly rail: Rail
      readonly ohm: number | null
    }
  /** One rail of a run at a pad, counted in loads. */
  | {
      readonly kind: 'rail'
      readonly run: string
      readonly pad: number
      readonly rail: Rail
      readonly ohm: number | null
    }
  /** Plus meets minus at an end of a lead or a pad, behind a forward drop. */
  | {
      readonly kind: 'bridge'
      readonly at: string
      readonly ohm: number
      readonly forwardV: number
    }
  /** Plus and minus of a lead are the wrong way round. */
  | { readonly kind: 'swap'; readonly lead: number }
  /** A supply, by its name in the network, gives other volts. */
  | { readonly kind: 'volts'; readonly supply: string; readonly volts: number }
  /** All that hangs on a supply has so many ohms before it, in each wire. */
  | { readonly kind: 'behind'; readonly supply: string; readonly ohm: number }

/** What a fault changes in what pixels show. */
export interface LightChange {
  readonly run: string
  /** The first pixel, in the order of the data: of plain strip and lights from pad 0. */
  readonly from: number
  /** So many; `null`: to the end of the lane. */
  readonly count: number | null
  readonly state: Exclude<LightState, 'right'>
}

/** What a fault changes in the copper that carries data, clock and signals: seen by an ohm-meter. */
export type SignalChange =
  /** Nothing comes through a wire, or one of its joints, by its name. */
  | { readonly kind: 'open'; readonly wire: string }
  /** A terminal touches a rail at a place of the network. */
  | {
      readonly kind: 'touch'
      readonly terminal: string
      readonly at: string
      readonly rail: Rail
    }

/** What a fault does. */
export interface Effect {
  readonly feed?: readonly FeedChange[]
  readonly light?: readonly LightChange[]
  readonly signal?: readonly SignalChange[]
  /** Where it comes and goes. Without it: whenever the feed has it so. */
  readonly when?: When
}

/** Tests besides looking at the light and measuring volts and amperes. */
export const probeKinds = [
  'look',
  'ohm',
  'short',
  'data-volts',
  'node-volts',
  'wiggle',
  'other-supply',
  'other-board',
  'plain-program',
  'join-minus',
  'jump-data',
  'clip-lead',
  'instead',
  'wait',
] as const
export type ProbeKind = (typeof probeKinds)[number]

/** A test that shows a fault, and where it is done. */
export interface Probe {
  readonly kind: ProbeKind
  /** Tells it from others of its kind: a joint, a wire, a supply, a run. */
  readonly at: string
  /** In words: `W3 plus, from Supply A to seat front`. */
  readonly where: string
}

/** A fault as its kind finds it in the plan. */
export interface FaultDraft {
  /** Tells it from others of its kind; stays while the plan changes. */
  readonly key: string
  /** Where it is, in words. */
  readonly where: string
  /** Ids of runs, supplies; names of wires and pieces. */
  readonly about: readonly string[]
  /** How often it happens beside others, before anything is seen. */
  readonly weight: number
  /** Why so often, where the plan's own figures or the log speak for or against it. */
  readonly reasons?: readonly string[]
  /** What the plan has that makes it unlikely. */
  readonly clearedBy?: string
  readonly does: Effect
  readonly shownBy: readonly Probe[]
  /** The joint that it is at. */
  readonly joint?: string
  /** Equal for degrees of the same fault at the same place: a joint that is a little and very poor. */
  readonly cause?: string
}

/** One thing that may be wrong. */
export interface Fault extends Omit<FaultDraft, 'weight' | 'reasons'> {
  readonly id: string
  readonly kind: FaultKindName
  readonly title: string
  readonly reasons: readonly string[]
  /** Probability that it is this one, once something is wrong, before anything is seen, 0–1. */
  readonly chance: number
}

/** How a fault is mended. */
export interface Mend {
  readonly steps: readonly string[]
  readonly cautions: readonly string[]
  /** What shows that it is mended. */
  readonly proof: string
  /** Hands-on minutes, *typical*. */
  readonly minutes: number
}

/** Pixels by run, from pad 0, whose own faults are wanted: in a large plan only those near where something is seen to end. */
export type PixelScope = 'all' | ReadonlyMap<string, ReadonlySet<number>>

/** All that is known of a kind of fault. */
export interface FaultKind {
  readonly name: FaultKindName
  readonly title: string
  /** Every place in the plan where it can be. */
  readonly find: (
    given: MendGiven,
    contacts: readonly Contact[],
    pixels: PixelScope,
  ) => readonly FaultDraft[]
  readonly mend: Mend
}

/** What is cut off where one conductor is open at one place. */
export type Link =
  | { readonly kind: 'lead'; readonly lead: number; readonly rail: Rail }
  | {
      readonly kind: 'rail'
      readonly run: string
      readonly pad: number
      readonly rail: Rail
    }
  /** Data or clock: pixels from there on in the order of the data, or one colour of plain strip. */
  | { readonly kind: 'light'; readonly light: LightChange }

/** One conductor where it is joined, or a wire between its joints. */
export interface Contact {
  /** `undefined`: the wire itself. */
  readonly joint: string | undefined
  readonly how: 'screw' | 'solder' | 'in-line' | 'pad' | 'plug' | 'wire'
  readonly role: 'plus' | 'minus' | 'data' | 'clock' | 'signal'
  readonly wire: string | undefined
  /** Where it is joined, if that is a terminal. */
  readonly terminal?: string
  readonly where: string
  /** Where its joint is, in words; `undefined`: the wire itself. */
  readonly jointWhere?: string
  /** The run or thing that it belongs to, by its name. */
  readonly place: string
  readonly about: readonly string[]
  readonly links: readonly Link[]
  /** The place in the network beside it: an end of a lead, or a pad. */
  readonly at: string | undefined
  /** The node that it brings plus or minus to. */
  readonly node?: string
  readonly isFuse: boolean
  /** From end to end: what is measured in ohms with the joints at both its ends. */
  readonly span: string
}
