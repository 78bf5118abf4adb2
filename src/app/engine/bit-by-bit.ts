import { fixSearch, type Fixes } from '../../core/choose/fixes'
import type { Derived } from '../../core/derived'
import type { Engine } from '../../core/engine'
import type { Plan } from '../../core/plan/plan'

/**
 * Works out what is asked for, stage by stage, as long as there is time; whether that was enough. What fails is told by who reads it.
 *
 * @public The worker gets it from `late-parts`.
 */
export function isDoneBy(
  until: number,
  engine: Engine,
  asked: readonly (Derived<unknown> | undefined)[],
): boolean {
  for (const of of asked) {
    if (of === undefined) continue
    const steps = engine.steps(of)
    try {
      while (steps.next().done !== true) if (performance.now() >= until) return false
    } catch {
      continue
    }
  }
  return true
}

/** Looks for the fixes of a plan's verdicts, one verdict after another, on an engine that stays with the plan. */
export class FixSearch {
  found: Fixes = {}
  private under: { readonly id: string; readonly steps: ReturnType<typeof fixSearch> } | undefined

  constructor(
    readonly plan: Plan,
    private readonly engine: Engine,
  ) {}

  /** Goes on as long as there is time, and a step at least; whether those of the wanted verdicts are found. */
  goOn(until: number, wanted: readonly string[]): boolean {
    const known = new Set(this.engine.worked.findings.map(({ id }) => id))
    for (const id of wanted) {
      if (!known.has(id) || id in this.found) continue
      if (this.under?.id !== id)
        this.under = { id, steps: fixSearch(this.engine, (finding) => finding.id === id) }
      const { steps } = this.under
      // Not with `for … of`: what is left early there cannot be gone on with.
      for (let next = steps.next(); next.done !== true; next = steps.next()) {
        const { value } = next
        if (typeof value !== 'string') this.found = { ...this.found, [id]: value.fixes }
        if (performance.now() >= until) return false
      }
    }
    return true
  }
}
