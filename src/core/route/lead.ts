import type { Point } from '../measure/geometry'
import type { Connector } from '../parts/connectors'
import type { Wire } from '../parts/wires'
import type { Feed } from '../plan/plan'

/** A pair of wires from a supply or a junction to a pad, or to a junction. */
export interface Lead {
  readonly id: string
  /** Id of the supply or junction it comes from. */
  readonly from: string
  readonly to:
    | { readonly kind: 'run'; readonly run: string; readonly pad: number }
    | { readonly kind: 'junction'; readonly junction: string }
  /** Where it ends on the drawing. */
  readonly end: Point
  readonly start: Point
  readonly wire: Wire
  /** What it comes apart at, near its end. */
  readonly apart?: Connector
  /** What its wire, what it comes apart at, and the junction that it goes to, take, A: no fuse before it may be more. */
  readonly limitA: number
  /** Along the drawing at right angles, mm, and extra for the hole where it ends. */
  readonly wayMm: number
  readonly spareMm: number
  /** What is cut for that way, with the plan's slack, mm. */
  readonly drawnMm: number
  /** As measured, or else as drawn. */
  readonly lengthMm: number
  readonly isMeasured: boolean
  readonly fuse: Feed['fuse']
  /** Which of the leads of its feed it is, from 0: lights that are plugged together may share one out between several. */
  readonly share: number
  /** Of a lead to single lights: which part of the run's lights hangs on it, 0–1. */
  readonly lightShare?: number
}
