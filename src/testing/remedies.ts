import { isDeepStrictEqual } from 'node:util'
import { fixSearch, lookedAt } from '../core/choose/fixes'
import { Engine } from '../core/engine'
import { allStages } from '../core/late-stages'
import { change, patched } from '../core/plan/commands'
import type { Plan } from '../core/plan/plan'
import { grades } from '../core/verdict/kinds'
import type { Verdict } from '../core/verdict/verdict'
import { worked } from '../core/worked'

/** What a remedy did not keep of its promise. */
export interface BrokenRemedy {
  readonly code: string
  readonly label: string
  readonly text: string
  readonly what: 'its cause stays' | 'undo is not the plan' | `new stop ${string}`
}

/**
 * Applies every remedy that is offered for any verdict on a plan, and works the changed plan out afresh: the cause has to be gone or its
 * grade lower, no new stop may have come, and undo brings the plan back.
 */
export function tryRemedies(plan: Plan): { tried: number; broken: BrokenRemedy[] } {
  const before = worked(plan).verdicts
  const stops = stopsOf(before)
  const broken: BrokenRemedy[] = []
  let tried = 0
  for (const step of fixSearch(new Engine(plan, allStages))) {
    const found = lookedAt(step)
    const verdict = before.find(({ id }) => id === found?.id)
    if (found === undefined || verdict === undefined) continue
    const { code, text, grade, id } = verdict
    for (const { label, commands } of found.fixes) {
      tried += 1
      const tell = (what: BrokenRemedy['what']): void => {
        broken.push({ code, label, text, what })
      }
      const done = change(plan, commands)
      const after = worked(done.plan).verdicts
      const same = after.find((one) => one.id === id)
      if (same !== undefined && grades.indexOf(same.grade) <= grades.indexOf(grade))
        tell('its cause stays')
      for (const stop of stopsOf(after)) if (!stops.has(stop)) tell(`new stop ${stop}`)
      if (!isDeepStrictEqual(patched(done.plan, done.backward), plan)) tell('undo is not the plan')
    }
  }
  return { tried, broken }
}

/** Every stop, by its code and each thing that it is about. */
const stopsOf = (verdicts: readonly Verdict[]): Set<string> =>
  new Set(
    verdicts.flatMap(({ grade, code, about }) =>
      grade === 'stop'
        ? [code, ...about.map((id) => `${code} of ${id}`)].slice(about.length > 0 ? 1 : 0)
        : [],
    ),
  )
