<script setup lang="ts">
import { computed } from 'vue'
import { formatLength, type LengthUnits } from '../../core/quantity/format'
import { rulerStep } from '../bench/view'

const { scale, width, units } = defineProps<{ scale: number; width: number; units: LengthUnits }>()

const ticks = computed(() => {
  const step = rulerStep(scale, 120)
  const count = Math.max(0, Math.floor(width / (step * scale)))
  return Array.from({ length: Math.min(count, 200) + 1 }, (_, index) => ({
    x: index * step * scale,
    label: index === 0 ? '0' : formatLength(index * step, units),
  }))
})
</script>

<template>
  <svg :width="width" height="24" class="block overflow-visible" aria-hidden="true">
    <g v-for="tick in ticks" :key="tick.x">
      <line :x1="tick.x" :x2="tick.x" y1="6" y2="20" class="stroke-bench-soft" />
      <text
        v-if="tick.x + 64 <= width + 30"
        :x="tick.x + 4"
        y="15"
        class="fill-bench-soft text-[12px]"
      >
        {{ tick.label }}
      </text>
    </g>
  </svg>
</template>
