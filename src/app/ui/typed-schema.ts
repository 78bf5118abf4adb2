import type { TypedSchema } from 'vee-validate'
import { issuesOf, type z } from '../../core/quantity/z'

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
          : {
              errors: issuesOf(parsed.error).map(({ path, message }) => ({
                path,
                errors: [message],
              })),
            },
      )
    },
  }
}
