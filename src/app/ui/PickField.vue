<script setup lang="ts" generic="Value extends string | number | null | undefined">
import { controlAttrs, type FieldLayout } from './field-layout'
import FieldFrame from './FieldFrame.vue'
import type { Option } from './option'

const {
  options,
  value,
  layout = 'above',
  width = 'w-auto',
  isAction,
} = defineProps<{
  label: string
  options: readonly Option<Value>[]
  value: Value
  layout?: FieldLayout
  width?: string
  /** To pick one does something, such as adding it: nothing stays picked. */
  isAction?: boolean
}>()
const emit = defineEmits<{ pick: [value: Value] }>()
defineOptions({ inheritAttrs: false })

function onChange({ target }: Event): void {
  if (!(target instanceof HTMLSelectElement)) return
  const found = options[target.selectedIndex]
  if (found !== undefined) emit('pick', found.value)
  if (isAction) target.value = String(value ?? '')
}
</script>

<!-- One of a few, with its label. -->
<template>
  <FieldFrame :class="$attrs['class']" :label="label" :layout="layout">
    <select
      v-bind="controlAttrs($attrs, layout, label)"
      class="field max-w-full px-1.5 py-1"
      :class="width"
      :value="value ?? ''"
      @change="onChange"
    >
      <option v-for="option in options" :key="String(option.value)" :value="option.value ?? ''">
        {{ option.label }}
      </option>
    </select>
    <template #after><slot /></template>
  </FieldFrame>
</template>
