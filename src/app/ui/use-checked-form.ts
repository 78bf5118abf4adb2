import { useForm } from 'vee-validate'
import { nextTick, shallowRef, type ShallowRef } from 'vue'
import type { z } from '../../core/quantity/z'
import { typedSchema } from './typed-schema'

/**
 * A form whose values are checked by a schema. A field that is not shown keeps its value: it comes back as it was, and what depends on it
 * still holds. Where the form cannot be taken it says so, and goes to the first field that is wrong.
 */
export function useCheckedForm<Schema extends z.ZodObject>(
  schema: Schema,
  initialValues: z.input<Schema>,
  take: (values: z.output<Schema>) => void,
): {
  values: z.input<Schema>
  submit: (event?: Event) => Promise<unknown>
  problem: ShallowRef<string | undefined>
} {
  const { handleSubmit, values } = useForm<z.input<Schema>, z.output<Schema>>({
    validationSchema: typedSchema(schema),
    initialValues: initialValues as never,
    keepValuesOnUnmount: true,
  })
  const problem = shallowRef<string>()
  const submit = handleSubmit(
    (checked) => {
      problem.value = undefined
      take(checked)
    },
    ({ errors }) => {
      const wrong = Object.entries(errors).filter(([, message]) => message !== undefined)
      problem.value = wrong.map(([, message]) => String(message)).join('; ')
      void nextTick(() => {
        const field = wrong
          .map(([name]) => document.querySelector<HTMLElement>(`[name="${name}"]`))
          .find((one) => one !== null)
        const more = field?.closest('details')
        if (more) more.open = true
        field?.focus()
      })
    },
  )
  return { values: values, submit, problem }
}
