<script setup lang="ts">
import { computed } from 'vue'
import type { PlanDrawing } from '../engine/plan-facts'

const { drawing } = defineProps<{ drawing: PlanDrawing | undefined }>()

/** Strokes as wide as they look well in a small picture, mm of the plan. */
const stroke = computed(() =>
  drawing === undefined ? 1 : Math.max(drawing.box[2], drawing.box[3]) / 42,
)
/** With room for the glow around what lies at its edge. */
const viewBox = computed(() => {
  const [x, y, width, height] = drawing?.box ?? [0, 0, 1, 1]
  const room = 2 * stroke.value
  return [x - room, y - room, width + 2 * room, height + 2 * room].join(' ')
})
</script>

<template>
  <svg
    class="night rounded-md bg-bench"
    :viewBox="viewBox"
    preserveAspectRatio="xMidYMid meet"
    aria-hidden="true"
  >
    <template v-if="drawing">
      <g fill="none" stroke-linecap="round" stroke-linejoin="round">
        <template v-for="[path, tint] in drawing.paths" :key="path">
          <path :d="path" :stroke="tint" :stroke-width="stroke * 3" opacity="0.22" />
          <path :d="path" :stroke="tint" :stroke-width="stroke" />
        </template>
      </g>
      <circle
        v-for="([x, y], index) in drawing.lights"
        :key="index"
        :cx="x"
        :cy="y"
        :r="stroke * 0.9"
        fill="#ffd27a"
      />
    </template>
  </svg>
</template>
