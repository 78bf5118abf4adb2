<script setup lang="ts">
import { usePreferredReducedMotion, useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'

const { rows, columns, scan } = defineProps<{
  rows: number
  columns: number
  scan: 'row' | 'led'
}>()

/** More would be dust. */
const shownRows = computed(() => Math.min(rows, 8))
const shownColumns = computed(() => Math.min(columns, 16))
const slots = computed(() =>
  scan === 'led' ? shownRows.value * shownColumns.value : shownRows.value,
)
const at = ref(0)
const motion = usePreferredReducedMotion()
// Slow enough to be followed: well below what could trigger anybody.
useIntervalFn(() => {
  if (motion.value !== 'reduce') at.value = (at.value + 1) % slots.value
}, 600)
const isLit = (row: number, column: number): boolean => {
  const now = at.value % slots.value
  return scan === 'led' ? row * shownColumns.value + column === now : row === now
}
</script>

<!-- What is lit in one moment of the scan. -->
<template>
  <figure>
    <svg
      :width="shownColumns * 18 + 4"
      :height="shownRows * 18 + 4"
      role="img"
      :aria-label="`${rows} rows of ${columns}: one ${scan === 'led' ? 'LED' : 'row'} is lit at a time`"
    >
      <template v-for="row in shownRows" :key="row">
        <circle
          v-for="column in shownColumns"
          :key="column"
          :cx="column * 18 - 7"
          :cy="row * 18 - 7"
          r="6"
          :class="isLit(row - 1, column - 1) ? 'fill-glow' : 'fill-bench-line'"
        />
      </template>
    </svg>
    <figcaption class="text-[12px] text-bench-soft">
      slowed down: one {{ scan === 'led' ? 'LED' : 'row' }} at a time, the eye sees the mean
    </figcaption>
  </figure>
</template>
