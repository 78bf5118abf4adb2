import { issuesOf, type Issue, type z } from '../quantity/z'

/** A sum that works by itself: a schema in, figures out. Units are in the field names. */
export interface Sum {
  readonly name: string
  /** What it answers, in a sentence. */
  readonly about: string
  readonly given: z.ZodType
  /** Answers for input in the shape of `given`, or says which field is wrong and what was expected. */
  readonly work: (given: unknown) => SumResult
}

export type SumResult =
  | { readonly ok: true; readonly answer: object }
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

/** Ties a schema to the function that works on its output. */
export function defineSum<Schema extends z.ZodType>(
  name: string,
  about: string,
  given: Schema,
  work: (given: z.output<Schema>) => object,
): Sum {
  return {
    name,
    about,
    given,
    work: (input) => {
      const parsed = given.safeParse(input)
      if (!parsed.success) return { ok: false, issues: issuesOf(parsed.error) }
      try {
        return { ok: true, answer: work(parsed.data) }
      } catch (error) {
        if (error instanceof Refused) return { ok: false, issues: error.issues }
        throw error
      }
    },
  }
}
