import { shallowRef, watch } from 'vue'

/** What was typed, read; or what is wrong with it. */
export type Typed<Value> =
  | { readonly ok: true; readonly value: Value }
  | { readonly ok: false; readonly message: string }

/**
 * A field in which something is typed: what can be read is taken when the field is left; what cannot stays in it as it was typed, and is
 * told; a form around it is not taken meanwhile. It goes when the value becomes another by some other way, such as undo.
 *
 * @param of the value now, how it is shown, how it is read, and who takes it; where it is required, an emptied field shows again what it was
 */
export function useTyped<Value>({
  value,
  show,
  read,
  take,
  isRequired,
}: {
  readonly value: () => Value
  readonly show: (value: Value) => string
  readonly read: (text: string) => Typed<Value>
  readonly take: (value: Value) => void
  readonly isRequired: () => boolean
}): {
  /** What the field shows. */
  text: () => string
  problem: () => string | undefined
  onChange: (event: Event) => void
} {
  const wrong = shallowRef<{ readonly text: string; readonly problem: string }>()
  let field: HTMLInputElement | undefined
  watch(value, () => {
    wrong.value = undefined
    field?.setCustomValidity('')
  })
  return {
    text: () => wrong.value?.text ?? show(value()),
    problem: () => wrong.value?.problem,
    onChange: (event) => {
      if (!(event.target instanceof HTMLInputElement)) return
      field = event.target
      const text = field.value
      // A shown value is rounded: left as it stands it is what it was.
      const isAsBefore = text.trim() === show(value()) || (isRequired() && text.trim() === '')
      const typed: Typed<Value> = isAsBefore ? { ok: true, value: value() } : read(text)
      wrong.value = typed.ok ? undefined : { text, problem: typed.message }
      // A form is not taken while one of its fields was not.
      field.setCustomValidity(typed.ok ? '' : typed.message)
      if (!typed.ok) return
      if (typed.value === value()) field.value = show(typed.value)
      else take(typed.value)
    },
  }
}
