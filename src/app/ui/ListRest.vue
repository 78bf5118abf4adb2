<script setup lang="ts">
import { useEventListener, useIntersectionObserver, useResizeObserver } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'

const { rows, rowPx } = defineProps<{
  rows: number
  /** How high a row is, more or less, px. */
  rowPx: number
}>()
const isNear = defineModel<boolean>({ required: true })

/** It is near when what stands so far above it is in view, px. */
const marginPx = 600
const place = useTemplateRef<HTMLElement>('place')
function look(): void {
  const { width, top, bottom } = place.value?.getBoundingClientRect() ?? new DOMRect()
  isNear.value = width > 0 && top < innerHeight && bottom > 0
}
// What an observer has told is no more than a reason to look: once it had missed that rows came, and the list stood still.
useIntersectionObserver(place, look)
useResizeObserver(place, look)
useEventListener('scroll', look, { capture: true, passive: true })
const style = computed(() => ({
  height: `${String(rows * rowPx + marginPx)}px`,
  marginTop: `${String(-marginPx)}px`,
}))
</script>

<!-- Takes the place of those rows of a long list that are not there yet, and tells when it comes near. -->
<template>
  <div
    v-if="rows > 0"
    ref="place"
    data-list-rest
    aria-hidden="true"
    class="pointer-events-none"
    :style="style"
  />
</template>
