<script setup lang="ts">
import { computed } from 'vue'
import type { PlanDrawing } from '../engine/plan-facts'
import { useOpenPlan } from '../stores/use-open-plan'

const { drawing, about } = defineProps<{
  drawing: PlanDrawing
  about: readonly string[]
}>()
const plan = useOpenPlan()

const stroke = computed(() => Math.max(drawing.box[2], drawing.box[3]) / 60)
const viewBox = computed(() => {
  const [x, y, width, height] = drawing.box
  const room = 3 * stroke.value
  return [x - room, y - room, width + 2 * room, height + 2 * room].join(' ')
})
/** Runs are drawn in the order of the lines that light something. */
const lit = computed(() => new Set(about))
const runs = computed(() =>
  drawing.paths.map(([path, tint], index) => ({ path, tint, id: drawing.runs[index] ?? '' })),
)
const isAny = computed(() => runs.value.some(({ id }) => lit.value.has(id)))
const names = computed(() =>
  plan.value.lines.filter(({ id }) => lit.value.has(id)).map(({ text }) => text),
)
</script>

<template>
  <svg
    v-if="isAny"
    :viewBox="viewBox"
    preserveAspectRatio="xMidYMid meet"
    class="max-h-56 w-full max-w-[460px] rounded-md night bg-bench"
    role="img"
    :aria-label="`On the drawing: ${names.join(', ')}`"
  >
    <g fill="none" stroke-linecap="round" stroke-linejoin="round">
      <path
        v-for="{ path, id } in runs"
        :key="id"
        :d="path"
        stroke="var(--color-bench-line)"
        :stroke-width="stroke"
      />
      <template v-for="{ path, tint, id } in runs" :key="`lit ${id}`">
        <path
          v-if="lit.has(id)"
          :d="path"
          :stroke="tint"
          :stroke-width="stroke * 3"
          opacity="0.25"
        />
        <path v-if="lit.has(id)" :d="path" :stroke="tint" :stroke-width="stroke * 1.2" />
      </template>
    </g>
  </svg>
</template>
