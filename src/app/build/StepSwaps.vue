<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from '../../core/build/step'
import { swapsAt, type Swap } from '../../core/build/swaps'
import type { Tally } from '../../core/tally'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePlanParts } from '../stores/plan-parts'
import PickField from '../ui/PickField.vue'

const { step, wiring } = defineProps<{
  step: Step
  wiring: Tally['wiring']
}>()
const plan = useOpenPlan()

const store = usePlanStore()
const parts = usePlanParts()
const swaps = computed(() =>
  swapsAt(
    {
      plan: plan.value,
      parts: parts.value,
      wires: wiring.wires,
      supplyParts: new Map(
        (store.tally?.supplies ?? []).flatMap(({ id, partId }) =>
          partId === null ? [] : [[id, partId] as const],
        ),
      ),
      board: store.tally?.signal?.board?.id,
    },
    step,
  ),
)
function swap({ label, options, commands }: Swap, id: string): void {
  const name = options.find(([own]) => own === id)?.[1] ?? id
  store.commit(commands(id), { label: `${label} as built: ${name}` })
}
</script>

<!-- What is really there, where it is not what was planned. -->
<template>
  <div
    v-if="swaps.length > 0"
    class="flex flex-wrap items-end gap-x-4 gap-y-2 text-[13px] text-bench-soft"
    role="group"
    aria-label="What is really there"
  >
    <PickField
      v-for="one in swaps"
      :key="one.label"
      class="max-w-full"
      :label="`${one.label}, as it is`"
      :options="one.options.map(([value, label]) => ({ value, label }))"
      :value="one.now"
      @pick="swap(one, $event)"
    />
  </div>
</template>
