import { fedPlan, type FedPlan } from './fed-plan'
import { litLeads } from './feed/leads'
import { feedScene, withLitLeads, type FedScene } from './feed/solved'
import type { Plan } from './plan/plan'
import { signalOf, type Signal } from './signal/signal'
import type { Circuit } from './wire/circuit'
import { connect } from './wire/connect'

/** What is known of a plan once every wire is drawn. */
export interface WiredPlan extends FedPlan {
  readonly full: FedScene
  readonly signal: Signal
  readonly circuit: Circuit
}

/** Works the stages out up to the wires, in the order of the work. */
export function wiredPlan(plan: Plan): WiredPlan {
  const fed = fedPlan(plan)
  const full = withLitLeads(
    plan,
    feedScene(plan, fed.cuts, fed.leads, fed.supplies, 'full-white'),
    litLeads(plan, fed.cuts, fed.lit, fed.plugs, fed.layout, fed.hidden),
  )
  const signal = signalOf(fed, full)
  return { ...fed, full, signal, circuit: connect({ ...fed, full, signal }) }
}
