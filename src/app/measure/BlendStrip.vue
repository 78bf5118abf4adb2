<script setup lang="ts">
import { computed } from 'vue'
import { blend, brightness } from '../../core/glow/blend'
import { formatQuantity } from '../../core/quantity/format'

const {
  pitchMm,
  depthMm,
  hue = '255, 226, 170',
} = defineProps<{
  pitchMm: number
  depthMm: number
  hue?: string
}>()

/** Below this the dots are gone (handbook 3, blend). */
const goneBelow = 0.05
const ripple = computed(() => blend({ pitchMm, depthMm }).ripple)
const words = computed(() =>
  ripple.value < goneBelow
    ? 'an even line, the dots are gone'
    : ripple.value < 0.2
      ? 'a soft wave, dots are guessed at'
      : 'single dots show',
)
/** What the cover looks like over five lights. */
const look = computed(() => {
  const most = brightness(0, pitchMm, depthMm)
  const stops = Array.from({ length: 81 }, (_, index) => {
    const share = brightness(((index / 80) * 5 - 0.5) * pitchMm, pitchMm, depthMm) / most
    return `rgba(${hue}, ${(share * 0.95).toFixed(3)}) ${((index / 80) * 100).toFixed(2)}%`
  })
  return `linear-gradient(to right, ${stops.join(', ')})`
})
</script>

<template>
  <div>
    <div
      class="h-5 rounded bg-bench"
      :style="{ backgroundImage: look }"
      role="img"
      :aria-label="`How the cover looks: ${words}`"
    />
    <p class="mt-1 text-[12px] text-bench-soft">
      <b :class="ripple < goneBelow ? 'text-ok' : 'text-warning'">{{
        formatQuantity(ripple, '%')
      }}</b>
      ripple: {{ words }}
    </p>
  </div>
</template>
