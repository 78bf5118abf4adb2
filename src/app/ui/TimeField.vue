<script setup lang="ts">
import { minuteOf, timeOfDay } from '../../core/glow/by-clock'
import { controlAttrs, type FieldLayout } from './field-layout'
import FieldFrame from './FieldFrame.vue'
import { fieldText } from './field-text'

const { layout = 'above' } = defineProps<{
  label: string
  /** Of the day. */
  minute: number
  layout?: FieldLayout
}>()
const emit = defineEmits<{ set: [minute: number] }>()
defineOptions({ inheritAttrs: false })

function onChange(event: Event): void {
  // A time that is half typed says nothing yet.
  const next = minuteOf(fieldText(event))
  if (next !== undefined) emit('set', next)
}
</script>

<!-- A time of the day. -->
<template>
  <FieldFrame :class="$attrs['class']" :label="label" :layout="layout">
    <input
      v-shown="timeOfDay(minute)"
      v-bind="controlAttrs($attrs, layout, label)"
      type="time"
      class="field w-auto px-1.5 py-1"
      @change="onChange"
    />
  </FieldFrame>
</template>
