<script setup lang="ts">
import { computed } from 'vue'
import type { Line, Plan } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'

const { plan, line } = defineProps<{
  plan: Plan
  /** Of one run; without it the plan's. */
  line?: Line
  label: string
  size: string
}>()

const store = usePlanStore()
const percent = computed(() => Math.round((line?.level ?? plan.scene.level) * 100))

function setLevel(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const level = event.target.valueAsNumber / 100
  store.commit(
    line === undefined
      ? [{ do: 'set-level', level }]
      : [
          {
            do: 'set-lines',
            lines: [line.id],
            set: { level: level === plan.scene.level ? undefined : level },
          },
        ],
    { label: `level ${event.target.value} %`, key: `level.${line?.id ?? ''}` },
  )
}
</script>

<template>
  <label class="flex items-center text-bench-soft">
    <input
      type="range"
      class="accent-glow"
      :class="size"
      min="0"
      max="100"
      :aria-label="label"
      :value="percent"
      @input="setLevel"
    />
    {{ percent }} %
  </label>
</template>
