import type { FedSupply } from '../feed/supplies'
import type { Command } from '../plan/commands'
import type { Plan } from '../plan/plan'
import type { Remedy } from './verdict'

/** A limit below this is no remedy but another light, %. */
const leastPercent = 5

/**
 * The highest brightness, in whole per cent, at which a supply has to give no more than some amperes. What nothing dims, the board and idle
 * current are drawn at any limit; `undefined` where they are too much already, or nothing can be dimmed.
 */
export function limitTo(
  plan: Plan,
  { currentA, dimmableA }: FedSupply,
  mostA: number,
  also: readonly Command[] = [],
): Remedy | undefined {
  if (plan.rules.sizing === 'scenes' || dimmableA <= 0) return undefined
  const spareA = mostA - (currentA['full-white'] - dimmableA)
  const percent = Math.floor((spareA / (dimmableA / plan.limit)) * 100 + 1e-9)
  if (percent < leastPercent || percent >= Math.round(plan.limit * 100)) return undefined
  return {
    label: `limit brightness to ${String(percent)} %`,
    commands: [{ do: 'set-limit', limit: percent / 100 }, ...also],
  }
}
