import type { Directive } from 'vue'

type Field = HTMLInputElement | HTMLTextAreaElement

/** Fields in which something is typed that was not said yet. */
const beingTyped = new WeakSet<Field>()

const textOf = (value: string | number | undefined): string =>
  value === undefined ? '' : String(value)

/**
 * What a field shows while nobody types in it. A plain `:value` is set anew at every drawing: an answer of the tally that comes between the
 * first letter and the last would take what was typed away.
 *
 * @example <input v-shown="plan.name" @change="rename">
 */
export const vShown: Directive<Field, string | number | undefined> = {
  mounted: (field, { value }) => {
    field.value = textOf(value)
    field.addEventListener('input', () => beingTyped.add(field))
    // What is said, or left, is shown as it became.
    for (const ending of ['change', 'blur'])
      field.addEventListener(ending, () => beingTyped.delete(field))
  },
  updated: (field, { value }) => {
    if (!beingTyped.has(field) && field.value !== textOf(value)) field.value = textOf(value)
  },
}

declare module 'vue' {
  interface GlobalDirectives {
    vShown: typeof vShown
  }
}
