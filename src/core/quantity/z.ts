import { z } from 'zod'

/** What a field is expected to hold, in the words of people who have never seen a type. */
const kindNames: Readonly<Record<string, string>> = {
  number: 'a number',
  int: 'a whole number',
  string: 'a text',
  boolean: 'true or false',
  object: 'an object { … }',
  array: 'a list [ … ]',
  null: 'null',
  NaN: 'no number',
  nan: 'no number',
  undefined: 'nothing',
}
const kindName = (kind: string): string => kindNames[kind] ?? kind

function kindOf(value: unknown): string {
  if (value === null) return 'null'
  if (Array.isArray(value)) return 'array'
  return Number.isNaN(value) ? 'NaN' : typeof value
}

const listed = (values: readonly unknown[]): string =>
  values.map((value) => (typeof value === 'string' ? `“${value}”` : String(value))).join(', ')

const sizes = new Map<string, string>([
  ['string', ' characters'],
  ['array', ' entries'],
])

/** What is wrong, in plain words; where the schema says it better itself, that counts. */
function plainWords(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? `is missing: ${kindName(issue.expected)} is expected`
        : `${kindName(issue.expected)} is expected, this is ${kindName(kindOf(issue.input))}`
    case 'too_small':
    case 'too_big': {
      const isLeast = issue.code === 'too_small'
      const bound = Number(isLeast ? issue.minimum : issue.maximum)
      const what = sizes.get(issue.origin) ?? ''
      const limit = plain(bound)
      if (issue.inclusive === false) return `${isLeast ? 'above' : 'below'} ${limit} is expected`
      return `${isLeast ? 'at least' : 'at most'} ${limit}${what}`
    }
    case 'unrecognized_keys':
      return `has ${listed(issue.keys)}, which does not belong here`
    case 'invalid_value':
      return issue.values.length === 1
        ? `${listed(issue.values)} is expected`
        : `one of ${listed(issue.values)} is expected`
    case 'invalid_format':
      return 'is not written as it should be'
    case 'invalid_union':
      return 'note' in issue
        ? 'is none of the kinds that there are'
        : 'fits none of the forms that this may have'
    default:
      return undefined
  }
}

// The page's content security policy forbids generated code, which Zod would otherwise use for speed.
z.config({ jitless: true, customError: plainWords })

export { z }

/** What is wrong with some input: where, such as `lines[3].text`, and what was expected. */
export interface Issue {
  /** Empty for the input as a whole. */
  readonly path: string
  readonly message: string
}

/** Zod's issues as path and message: `sizesA[2]`, "a number is expected, this is a text". */
export function issuesOf(error: z.ZodError): Issue[] {
  return error.issues.map(({ path, message }) => ({ path: pathText(path), message }))
}

/** A path as people write it: `lines[3].text`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      text + (typeof key === 'number' ? `[${String(key)}]` : `${text && '.'}${String(key)}`),
    '',
  )
}
import { plain } from './format'
