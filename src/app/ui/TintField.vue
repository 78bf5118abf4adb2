<script setup lang="ts">
import { fieldText } from './field-text'

defineProps<{
  label: string
  /** As `#rrggbb`. */
  value: string
}>()
const emit = defineEmits<{ set: [value: string] }>()
</script>

<!-- A colour chosen by eye. -->
<template>
  <input
    v-shown="value"
    type="color"
    class="h-7 w-9 rounded border border-bench-line bg-bench p-0.5"
    :aria-label="label"
    @change="emit('set', fieldText($event))"
  />
</template>
