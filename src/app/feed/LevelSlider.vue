<script setup lang="ts">
import { computed } from 'vue'
import type { Line } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import SliderField from '../ui/SliderField.vue'

const { line } = defineProps<{
  /** Of one run; without it the plan's. */
  line?: Line
  label: string
  size: string
}>()
const plan = useOpenPlan()

const store = usePlanStore()
const percent = computed(() => Math.round((line?.level ?? plan.value.scene.level) * 100))

function setLevel(next: number): void {
  const level = next / 100
  store.commit(
    line === undefined
      ? [{ do: 'set-level', level }]
      : [
          {
            do: 'set-lines',
            lines: [line.id],
            set: { level: level === plan.value.scene.level ? undefined : level },
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
