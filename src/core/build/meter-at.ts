import { jointsUpTo, type ConnectedGiven } from './connected'
import { readingsAfter, type Expected } from './readings'
import type { Step } from './step'

/** What is read for the meter. */
export const meterStages = [
  'cutRuns',
  'volts',
  'leads',
  'loads',
  'lit',
  'fit',
  'lanes',
  'circuit',
  'wiring',
  'joints',
  'schedule',
] as const

/**
 * What the meter should say after a step of the plan: with the joints that are really made where the step's turn has come, else with those
 * that come before it in the order.
 */
export function meterAt(given: ConnectedGiven, steps: readonly Step[], step: Step): Expected {
  const ticks = new Set(given.plan.wiring.ticks)
  const planned = jointsUpTo(steps, step.id)
  const own = new Set(step.joints)
  const isDue = [...planned].every((joint) => ticks.has(joint) || own.has(joint))
  return readingsAfter(given, isDue ? new Set([...ticks, ...own]) : planned, step)
}
