<script setup lang="ts">
import { computed } from 'vue'
import { caseNames, type LoadCase } from '../../core/plan/choices'
import { formatQuantity } from '../../core/quantity/format'
import type { PlanAnswers } from '../engine/follow-plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import NumberField from '../ui/NumberField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import SliderField from '../ui/SliderField.vue'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()
const plan = useOpenPlan()

const store = usePlanStore()
const labels: Readonly<Record<LoadCase, string>> = {
  idle: 'Idle',
  'full-white': 'White',
  red: 'R',
  green: 'G',
  blue: 'B',
  level: 'Level',
}
const scenes = caseNames.map((value) => ({ value, label: labels[value] }))
const current = computed(() => formatQuantity(tally?.totals.shownCurrentA ?? null, 'A'))
const power = computed(() => formatQuantity(tally?.totals.shownPowerW ?? null, 'W'))
const percent = computed(() => Math.round(plan.value.scene.level * 100))

function setLevel(next: number): void {
  store.commit([{ do: 'set-level', level: next / 100 }], {
    label: `level ${String(next)} %`,
    key: 'level',
  })
}
/** What the program never exceeds. */
function setLimit(limit: number): void {
  store.commit([{ do: 'set-limit', limit }], {
    label: `brightness limit ${formatQuantity(limit, '%')}`,
  })
}
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5"
    aria-label="Scene"
  >
    <div class="mb-1.5 flex items-baseline justify-between gap-2 text-[13px] text-bench-soft">
      <h2>Scene</h2>
      <NumberField
        class="text-[12px]"
        :class="plan.limit < 1 && 'text-glow'"
        label="brightness limit"
        layout="beside"
        width="w-14 max-sm:w-16 text-right"
        unit="%"
        :value="plan.limit"
        :least="0.01"
        :most="1"
        title="The brightness that the program never exceeds"
        @set="setLimit"
      />
    </div>
    <SegmentedChoice
      label="Scene"
      :options="scenes"
      :model-value="plan.scene.shown"
      @update:model-value="
        (scene) => store.commit([{ do: 'show-case', scene }], { label: `scene ${labels[scene]}` })
      "
    />
    <div class="mt-2 flex items-center gap-3">
      <p class="whitespace-nowrap">
        <b class="text-[17px]">{{ current }}</b>
        <span class="ml-1.5 text-[13px] text-bench-soft">{{ power }}</span>
      </p>
      <SliderField
        v-if="plan.scene.shown === 'level'"
        class="min-w-0 flex-1 text-[12px] text-bench-soft"
        label="Brightness"
        layout="unseen"
        width="min-w-0 flex-1"
        :value="percent"
        :least="0"
        :most="100"
        @set="setLevel"
      >
        <span class="w-9 text-right">{{ percent }} %</span>
      </SliderField>
    </div>
  </section>
</template>
