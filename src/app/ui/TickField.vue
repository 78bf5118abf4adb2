<script setup lang="ts">
import { controlAttrs } from './field-layout'

defineProps<{
  label: string
  isOn: boolean
  /** What it comes to, in a line below. */
  about?: string
  /** Its name stands beside it already, as in a row of a table. */
  isUnseen?: boolean
}>()
const emit = defineEmits<{ set: [isOn: boolean] }>()
defineOptions({ inheritAttrs: false })

function onChange({ target }: Event): void {
  if (target instanceof HTMLInputElement) emit('set', target.checked)
}
</script>

<!-- Yes or no. -->
<template>
  <label
    class="flex gap-2"
    :class="[about === undefined ? 'items-center' : 'items-start', $attrs['class']]"
  >
    <input
      v-bind="controlAttrs($attrs, isUnseen ? 'unseen' : 'beside', label)"
      type="checkbox"
      class="shrink-0 accent-glow"
      :class="about !== undefined && 'mt-0.5'"
      :checked="isOn"
      @change="onChange"
    />
    <span v-if="!isUnseen" class="min-w-0">
      <slot>{{ label }}</slot>
      <span v-if="about" class="block text-[12px] text-bench-soft">{{ about }}</span>
    </span>
  </label>
</template>
