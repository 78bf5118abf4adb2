<script setup lang="ts">
import { controlAttrs, type FieldLayout } from './field-layout'
import FieldFrame from './FieldFrame.vue'
import { useTyped } from './use-typed'

const {
  value,
  isRequired,
  check = () => undefined,
  layout = 'above',
  width = 'w-full',
} = defineProps<{
  label: string
  value: string
  /** So many letters at most. */
  most: number
  /** It cannot be emptied. */
  isRequired?: boolean
  /** What is wrong with a text, and what is expected. */
  check?: (text: string) => string | undefined
  layout?: FieldLayout
  width?: string
}>()
const emit = defineEmits<{ set: [value: string] }>()
defineOptions({ inheritAttrs: false })

const typed = useTyped<string>({
  value: () => value,
  show: (text) => text,
  read: (text) => {
    const next = text.trim()
    const message = check(next)
    return message === undefined ? { ok: true, value: next } : { ok: false, message }
  },
  take: (text) => {
    emit('set', text)
  },
  isRequired: () => isRequired,
})
</script>

<!-- A short text, taken when the field is left. -->
<template>
  <FieldFrame :class="$attrs['class']" :label="label" :layout="layout" :problem="typed.problem()">
    <input
      v-shown="typed.text()"
      v-bind="controlAttrs($attrs, layout, label)"
      class="field px-1.5 py-1"
      :class="width"
      :maxlength="most"
      :aria-invalid="typed.problem() !== undefined"
      @change="typed.onChange"
    />
    <template #after><slot /></template>
  </FieldFrame>
</template>
