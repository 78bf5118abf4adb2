<script setup lang="ts">
import { computed } from 'vue'
import type { Line, Plan } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import SliderField from '../ui/SliderField.vue'

const { plan, line } = defineProps<{
  plan: Plan
  /** Of one run; without it the plan's. */
  line?: Line
  label: string
  size: string
}>()

const store = usePlanStore()
const percent = computed(() => Math.round((line?.level ?? plan.scene.level) * 100))

function setLevel(next: number): void {
  const level = next / 100
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
    { label: `level ${String(next)} %`, key: `level.${line?.id ?? ''}` },
  )
}
</script>

<template>
  <SliderField
    class="text-bench-soft"
    :label="label"
    layout="unseen"
    :width="size"
    :value="percent"
    :least="0"
    :most="100"
    @set="setLevel"
  >
    {{ percent }} %
  </SliderField>
</template>
