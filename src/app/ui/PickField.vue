<script setup lang="ts" generic="Value extends string | number">
const { options, isInline } = defineProps<{
  label: string
  /** Beside its label instead of beneath it. */
  isInline?: boolean
  options: readonly (readonly [value: Value, label: string])[]
  value: Value
}>()
const emit = defineEmits<{ pick: [value: Value] }>()

function onChange(event: Event): void {
  if (!(event.target instanceof HTMLSelectElement)) return
  const found = options[event.target.selectedIndex]
  if (found !== undefined) emit('pick', found[0])
}
</script>

<!-- One of a few, with its label. -->
<template>
  <label :class="isInline && 'flex items-center gap-1.5'">
    {{ label }}
    <select class="field block w-auto max-w-full px-1.5 py-1" :value="value" @change="onChange">
      <option v-for="[id, text] in options" :key="id" :value="id">{{ text }}</option>
    </select>
  </label>
</template>
