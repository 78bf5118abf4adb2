import type { Patch } from 'immer'
import { patched, type Change } from './commands'
import type { Plan } from './plan'

/** One step that can be undone. `key` joins changes that a person thinks of as one, such as typing on one line. */
export interface Step {
  readonly label: string
  readonly key: string
  readonly forward: readonly Patch[]
  readonly backward: readonly Patch[]
}

/** Steps oldest first; those before `done` can be undone, those from it on redone. */
export interface History {
  readonly steps: readonly Step[]
  readonly done: number
}

export const emptyHistory: History = { steps: [], done: 0 }

/** Steps that are kept; the oldest go first. */
export const mostSteps = 500

/**
 * Adds a change. What had been undone is dropped; a change with the same non-empty key as the last step joins it.
 *
 * @param canJoin whether it may join the last step, such as when little time has passed
 */
export function recorded(
  history: History,
  change: Change,
  { label, key, canJoin }: { label: string; key: string; canJoin: boolean },
): History {
  if (change.forward.length === 0) return history
  const steps = history.steps.slice(0, history.done)
  const last = steps.at(-1)
  if (canJoin && key !== '' && last?.key === key) {
    steps[steps.length - 1] = joined(last, change)
    return { steps, done: steps.length }
  }
  steps.push({ label, key, forward: change.forward, backward: change.backward })
  const kept = steps.slice(-mostSteps)
  return { steps: kept, done: kept.length }
}

export interface Moved {
  readonly plan: Plan
  readonly history: History
  readonly label: string
}

/** The plan one step back, or `undefined` where there is none. */
export function undone(plan: Plan, { steps, done }: History): Moved | undefined {
  const step = steps[done - 1]
  if (step === undefined) return undefined
  return {
    plan: patched(plan, step.backward),
    history: { steps, done: done - 1 },
    label: step.label,
  }
}

/** The plan one step forward again, or `undefined` where there is none. */
export function redone(plan: Plan, { steps, done }: History): Moved | undefined {
  const step = steps[done]
  if (step === undefined) return undefined
  return {
    plan: patched(plan, step.forward),
    history: { steps, done: done + 1 },
    label: step.label,
  }
}

/** Typing replaces the same text again and again: only the last value forward and the first one back are kept. */
function joined(step: Step, change: Change): Step {
  const paths = (patches: readonly Patch[]): string =>
    patches.map(({ op, path }) => `${op} ${path.join('/')}`).join()
  const isSamePlace =
    paths(step.forward) === paths(change.forward) &&
    change.forward.every((patch) => patch.op === 'replace')
  return isSamePlace
    ? { ...step, forward: change.forward }
    : {
        ...step,
        forward: [...step.forward, ...change.forward],
        backward: [...change.backward, ...step.backward],
      }
}
