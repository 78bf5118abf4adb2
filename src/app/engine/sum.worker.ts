import './as-written-here'
import { expose } from 'comlink'
import type { Command } from '../../core/plan/commands'
import type { Plan } from '../../core/plan/plan'
import { sums } from '../../core/sums'
import type { SumCard, SumLine } from '../../core/sums/sum'
import type { Issue } from '../../core/quantity/z'

/** A sum's answer as the page shows it. */
export type ShownSum =
  | {
      readonly ok: true
      readonly given: object
      readonly answer: object
      readonly lines: readonly SumLine[]
      /** What of it a plan can take. */
      readonly into: string | undefined
    }
  | { readonly ok: false; readonly issues: readonly Issue[] }

const sumOf = (name: string): (typeof sums)[number] | undefined =>
  sums.find((sum) => sum.name === name)

const service = {
  cards: (): SumCard[] => sums.map(({ card }) => card),
  workOut: (name: string, given: object): ShownSum => {
    const found = sumOf(name)?.workOut(given)
    if (found === undefined) return { ok: false, issues: [{ path: '', message: `no sum ${name}` }] }
    return found.ok ? { ...found, into: found.into?.label } : found
  },
  /** The edits that put an answer into a plan. */
  into: (name: string, given: object, plan: Plan, newLineId: string): readonly Command[] => {
    const found = sumOf(name)?.workOut(given)
    return found?.ok === true ? (found.into?.commands(plan, newLineId) ?? []) : []
  },
}

export type SumService = typeof service

expose(service)
