import './as-written-here'
import { expose } from 'comlink'
import type { Command } from '../../core/plan/commands'
import type { Plan } from '../../core/plan/plan'
import { sums } from '../../core/sums'
import type { SumCard, SumLine } from '../../core/sums/sum'
import type { Issue } from '../../core/quantity/z'

/** A sum's answer as the page shows it. */
export type ToldSum =
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
  tell: (name: string, given: object): ToldSum => {
    const told = sumOf(name)?.tell(given)
    if (told === undefined) return { ok: false, issues: [{ path: '', message: `no sum ${name}` }] }
    return told.ok ? { ...told, into: told.into?.label } : told
  },
  /** The edits that put an answer into a plan. */
  into: (name: string, given: object, plan: Plan, newLineId: string): readonly Command[] => {
    const told = sumOf(name)?.tell(given)
    return told?.ok === true ? (told.into?.commands(plan, newLineId) ?? []) : []
  },
}

export type SumService = typeof service

expose(service)
