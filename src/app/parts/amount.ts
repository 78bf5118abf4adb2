import { z } from '../../core/quantity/z'

/** Adds what the plan's own schema has against a part, each at the field of the form that it comes from. */
export function checkPart(
  schema: z.ZodType,
  part: unknown,
  context: z.RefinementCtx,
  fieldOf: (path: readonly PropertyKey[]) => PropertyKey | undefined = (path) => path.at(-1),
): void {
  const made = schema.safeParse(part)
  if (made.success) return
  for (const { path, message } of made.error.issues)
    context.addIssue({ code: 'custom', path: [fieldOf(path) ?? 'name'], message })
}

/** A number of a form, with the errors that name it. @param least that it may be; without it anything above 0 */
export const amount = (what: string, most: number, least?: number) => {
  const number = z.number({ error: `${what}?` }).max(most, `${what}: at most ${String(most)}`)
  return least === undefined
    ? number.positive(`${what}: more than 0`)
    : number.min(least, `${what}: at least ${String(least)}`)
}
