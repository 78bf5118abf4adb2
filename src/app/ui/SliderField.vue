<script setup lang="ts">
import { controlAttrs, type FieldLayout } from './field-layout'
import FieldFrame from './FieldFrame.vue'

const {
  step = 1,
  layout = 'beside',
  width = 'w-20',
  isAtRest,
} = defineProps<{
  label: string
  value: number
  least: number
  most: number
  step?: number
  layout?: FieldLayout
  width?: string
  /** Takes a value when the slider is let go, not on its way. */
  isAtRest?: boolean
}>()
const emit = defineEmits<{ set: [value: number] }>()
defineOptions({ inheritAttrs: false })

function take(event: Event): void {
  if (event.target instanceof HTMLInputElement) emit('set', event.target.valueAsNumber)
}
function onInput(event: Event): void {
  if (!isAtRest) take(event)
}
function onChange(event: Event): void {
  if (isAtRest) take(event)
}
</script>

<!-- A value that is found by moving it; what it says stands behind it. -->
<template>
  <FieldFrame :class="$attrs['class']" :label="label" :layout="layout">
    <input
      v-bind="controlAttrs($attrs, layout, label)"
      type="range"
      class="accent-glow"
      :class="width"
      :min="least"
      :max="most"
      :step="step"
      :value="value"
      @input="onInput"
      @change="onChange"
    />
    <template #after><slot /></template>
  </FieldFrame>
</template>
