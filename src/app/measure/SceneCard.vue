<script setup lang="ts">
import { computed } from 'vue'
import { caseNames, type LoadCase } from '../../core/plan/choices'
import type { Plan } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { Told } from '../engine/follow-plan'
import { usePlanStore } from '../stores/plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

const { plan, tally } = defineProps<{ plan: Plan; tally: Told | undefined }>()

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
const percent = computed(() => Math.round(plan.scene.level * 100))

function setLevel(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  store.commit([{ do: 'set-level', level: Number(event.target.value) / 100 }], {
    label: `level ${event.target.value} %`,
    key: 'level',
  })
}
/** What the program never exceeds; what cannot be read leaves the limit as it was. */
function setLimit(event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const typed = Number(event.target.value)
  if (!(typed >= 1 && typed <= 100)) {
    event.target.value = String(Math.round(plan.limit * 100))
    return
  }
  store.commit([{ do: 'set-limit', limit: typed / 100 }], {
    label: `brightness limit ${String(typed)} %`,
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
      <label class="flex items-center gap-1 text-[12px]" :class="plan.limit < 1 && 'text-glow'">
        limit
        <input
          v-shown="Math.round(plan.limit * 100)"
          type="number"
          inputmode="numeric"
          min="1"
          max="100"
          step="1"
          class="field w-14 max-sm:w-16 px-1.5 py-0 text-right"
          aria-label="Brightness limit in per cent"
          @change="setLimit"
        />
        %
      </label>
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
      <label
        v-if="plan.scene.shown === 'level'"
        class="flex min-w-0 flex-1 items-center gap-2 text-[12px] text-bench-soft"
      >
        <input
          type="range"
          min="0"
          max="100"
          class="min-w-0 flex-1 accent-glow"
          aria-label="Brightness"
          :value="percent"
          @input="setLevel"
        />
        <span class="w-9 text-right">{{ percent }} %</span>
      </label>
    </div>
  </section>
</template>
