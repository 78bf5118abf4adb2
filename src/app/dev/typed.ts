import type { Directive } from 'vue'

/** Types something into a field when it is shown, and leaves it: shows how a field tells what is wrong. */
export const vTyped: Directive<HTMLElement, string> = {
  mounted: (holder, { value }) => {
    const field = holder.querySelector('input')
    if (field === null) return
    field.value = value
    for (const type of ['input', 'change']) field.dispatchEvent(new Event(type, { bubbles: true }))
  },
}
