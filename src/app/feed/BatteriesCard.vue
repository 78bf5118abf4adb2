<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { packUse } from '../../core/feed/batteries'
import { suits } from '../../core/feed/supplies'
import { formatQuantity } from '../../core/quantity/format'
import type { PlanAnswers } from '../engine/follow-plan'
import { usePlanParts } from '../stores/plan-parts'
import { useOpenPlan } from '../stores/use-open-plan'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()
const plan = useOpenPlan()

const BatteryChart = defineAsyncComponent(() => import('./BatteryChart.vue'))

const parts = usePlanParts()

/** Packs side by side: what each of them would do with the first supply's load. */
const packs = computed(() => {
  const load = tally?.supplies[0]
  if (load === undefined) return []
  if (load.currentA['full-white'] === 0) return []
  return parts.value.supplies
    .filter((part) => part.battery !== undefined || part.bank !== undefined)
    .flatMap((part) => {
      const use = packUse(part, load, plan.value.use)
      return use === undefined ? [] : [{ part, use, isFit: suits(load.volts, part.volts) }]
    })
    .toSorted(
      (a, b) =>
        Number(b.isFit) - Number(a.isFit) || (b.use.hours ?? Infinity) - (a.use.hours ?? Infinity),
    )
})
const hours = (value: number | null): string =>
  value === null ? 'for ever' : formatQuantity(value * 60, 'min')
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Batteries"
  >
    <h2 class="mb-2 font-semibold">On batteries</h2>
    <BatteryChart
      v-for="battery in (tally?.batteries ?? []).filter(({ course }) => course.length > 1)"
      :key="battery.id"
      :battery="battery"
      :name="plan.supplies.find(({ id }) => id === battery.id)?.name ?? ''"
    />
    <table v-if="packs.length > 0" class="w-full text-left text-[12.5px]">
      <caption class="mb-1 text-left text-[12px] text-bench-soft">
        What hangs on
        {{ plan.supplies[0]?.name
        }}, on packs side by side
      </caption>
      <thead class="text-[12px] text-bench-soft">
        <tr>
          <th class="font-normal">pack</th>
          <th class="font-normal">lasts</th>
          <th class="font-normal">full, at its peak</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="{ part, use, isFit } in packs"
          :key="part.id"
          class="border-t border-bench-line"
          :class="!isFit && 'text-bench-soft'"
        >
          <td class="py-1">{{ part.name }}</td>
          <td>
            {{ use.isOver || use.peakFirstV < use.cutoffV ? 'not at all' : hours(use.hours) }}
          </td>
          <td>
            {{ formatQuantity(use.peakFirstV, 'V') }}
            <span v-if="!isFit" class="text-warning">other volts, by watts</span>
            <span v-else-if="use.isOver" class="text-stop">
              gives {{ formatQuantity(part.ratedA, 'A') }} of {{ formatQuantity(use.peakA, 'A') }}
            </span>
            <span v-else-if="use.peakFirstV < use.cutoffV" class="text-stop">sags too far</span>
            <span v-else-if="use.sleeps" class="text-warning">sleeps while idle</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="mt-2 text-[12px] text-bench-soft">
      Lithium: protected cells only, no charging in a sealed box, no crushing.
    </p>
  </section>
</template>
