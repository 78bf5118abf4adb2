import { z } from 'zod'

// The page's content security policy forbids generated code, which Zod would otherwise use for speed.
z.config({ jitless: true })

export { z }

/** What is wrong with some input: where, such as `lines[3].text`, and what was expected. */
export interface Issue {
  /** Empty for the input as a whole. */
  readonly path: string
  readonly message: string
}

/** Zod's issues as path and message: `sizesA[2]`, "expected number, received string". */
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
