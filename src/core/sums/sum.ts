import { operand, type Operand, type Working } from '../quantity/figure'
import type { Unit } from '../quantity/format'
import type { Command } from '../plan/commands'
import type { Plan } from '../plan/plan'
import { issuesOf, z, type Issue } from '../quantity/z'

/** A line of a sum's answer, with how it came about. */
export interface SumLine {
  readonly label: string
  readonly value: number | null
  readonly unit: Unit
  /** A word instead of the number, such as `good`. */
  readonly word?: string
  readonly working?: Working
  /** What it means, or the rule that was used. */
  readonly note?: string
}

/** An edit of a plan that a sum's answer makes sense as. */
export interface IntoPlan {
  readonly label: string
  readonly commands: (plan: Plan, newLineId: string) => readonly Command[]
}

/** What a page needs to show a sum by itself. */
interface CardOf<Given, Answer extends object> {
  readonly title: string
  /** What people ask when it is this sum that they mean. */
  readonly asks: readonly string[]
  /** Values to begin with, as its schema takes them. */
  readonly start: object
  /** Label and unit of its fields by their paths: `load.currentA`. Shares have the unit `%`. */
  readonly fields: Readonly<Record<string, readonly [label: string, unit: Unit]>>
  readonly lines: (given: Given, answer: Answer) => readonly SumLine[]
  readonly into?: (given: Given, answer: Answer) => IntoPlan | undefined
}

/** A sum's card for people, without its functions: what can be sent from a worker. */
export interface SumCard {
  readonly name: string
  readonly about: string
  readonly title: string
  readonly asks: readonly string[]
  readonly start: object
  readonly fields: CardOf<never, never>['fields']
  /** JSON schema of its input. */
  readonly schema: object
}

/** A sum that works by itself: a schema in, figures out. Units are in the field names. */
export interface Sum {
  readonly name: string
  /** What it answers, in a sentence. */
  readonly about: string
  readonly given: z.ZodType
  readonly card: SumCard
  /** Answers for input in the shape of `given`, or says which field is wrong and what was expected. */
  readonly work: (given: unknown) => SumResult
  /** The same with the lines of its answer, for people. */
  readonly workOut: (given: unknown) => WorkedOut
}

export type SumResult =
  | { readonly ok: true; readonly answer: object }
  | { readonly ok: false; readonly issues: readonly Issue[] }

/** An answer with the lines that lead to it. */
export type WorkedOut =
  | {
      readonly ok: true
      readonly given: object
      readonly answer: object
      readonly lines: readonly SumLine[]
      readonly into: IntoPlan | undefined
    }
  | { readonly ok: false; readonly issues: readonly Issue[] }

class Refused extends Error {
  constructor(readonly issues: readonly Issue[]) {
    super('refused')
  }
}

/** Ends a sum whose input fits its schema but has no answer. */
export function refuse(issues: readonly Issue[]): never {
  throw new Refused(issues)
}

/** Ties a schema to the function that works on its output, and to the card that shows it. */
export function defineSum<Schema extends z.ZodType<object>, Answer extends object>(
  name: string,
  about: string,
  given: Schema,
  work: (given: z.output<Schema>) => Answer,
  card: CardOf<z.output<Schema>, Answer>,
): Sum {
  const workOut = (input: unknown): WorkedOut => {
    const parsed = given.safeParse(input)
    if (!parsed.success)
      return { ok: false, issues: withUnits(issuesOf(parsed.error), card.fields) }
    try {
      const answer = work(parsed.data)
      return {
        ok: true,
        given: parsed.data,
        answer,
        lines: card.lines(parsed.data, answer),
        into: card.into?.(parsed.data, answer),
      }
    } catch (error) {
      if (error instanceof Refused) return { ok: false, issues: error.issues }
      throw error
    }
  }
  const { title, asks, start, fields } = card
  return {
    name,
    about,
    given,
    card: {
      name,
      about,
      title,
      asks,
      start,
      fields,
      schema: z.toJSONSchema(given, { io: 'input' }),
    },
    work: (input) => {
      const result = workOut(input)
      return result.ok ? { ok: true, answer: result.answer } : result
    },
    workOut,
  }
}

/** A bound that only tells a number gets the unit of its field: "at most 60" becomes "at most 60 V". */
const withUnits = (issues: readonly Issue[], fields: CardOf<never, never>['fields']): Issue[] =>
  issues.map(({ path, message }) => {
    const unit = fields[path.replaceAll(/\[\d+\]/g, '')]?.[1] ?? ''
    return /^(?:at least|at most) [\d.,]+$/.test(message) && unit !== '' && unit !== '%'
      ? { path, message: `${message} ${unit}` }
      : { path, message }
  })

/** A line of an answer. */
export const line = (
  label: string,
  value: number | null,
  unit: Unit,
  more: Partial<SumLine> = {},
): SumLine => ({ label, value, unit, ...more })

/** The operands of a working, short. */
export const op = (name: string, value: number, unit: Unit = ''): Operand =>
  operand(name, value, unit)
