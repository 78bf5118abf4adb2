import type { TypedSchema } from 'vee-validate'
import { issuesOf, type Issue, type z } from '../../core/quantity/z'

/** One entry a field, the first message of it in front. */
function byPath(issues: readonly Issue[]): { path: string; errors: string[] }[] {
  const found = new Map<string, string[]>()
  for (const { path, message } of issues) found.set(path, [...(found.get(path) ?? []), message])
  return [...found].map(([path, errors]) => ({ path, errors }))
}

/** Lets the form library check values by one of our schemas. */
export function typedSchema<Schema extends z.ZodObject>(
  schema: Schema,
): TypedSchema<z.input<Schema>, z.output<Schema>> {
  return {
    __type: 'VVTypedSchema',
    parse: (values: unknown) => {
      const parsed = schema.safeParse(values)
      return Promise.resolve(
        parsed.success
          ? { value: parsed.data, errors: [] }
          : { errors: byPath(issuesOf(parsed.error)) },
      )
    },
  }
}
