<script setup lang="ts">
import { useIntersectionObserver } from '@vueuse/core'
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
useIntersectionObserver(place, (entries) => {
  isNear.value = entries.at(-1)?.isIntersecting === true
})
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
