<script setup lang="ts">
import { computed } from 'vue'
import { fixed, formatQuantity } from '../../core/quantity/format'
import LineChart from '../ui/LineChart.vue'
import type { PlanAnswers } from '../engine/follow-plan'

const { battery, name } = defineProps<{
  battery: Pick<
    PlanAnswers['batteries'][number],
    'course' | 'cutoffV' | 'peakFirstV' | 'hours' | 'endsBy'
  > &
    Partial<Pick<PlanAnswers['batteries'][number], 'hoursAt'>>
  name: string
}>()

const series = computed(() => [
  {
    name: 'at the mean load',
    data: battery.course.map(({ hours, meanV }): [number, number] => [
      hours,
      Math.round(meanV * 1000) / 1000,
    ]),
  },
  {
    name: 'at the peak',
    data: battery.course.map(({ hours, peakV }): [number, number] => [
      hours,
      Math.round(peakV * 1000) / 1000,
    ]),
  },
])
const options = computed(() => ({
  colors: ['#8ec5ff', '#ffb84d'],
  stroke: { width: 2 },
  grid: { borderColor: '#343847' },
  legend: { position: 'top' as const, horizontalAlign: 'left' as const },
  tooltip: { x: { formatter: (value: number) => `${fixed(value, 1)} h` } },
  xaxis: {
    min: 0,
    labels: { formatter: (value: string | number) => `${fixed(Number(value), 1)} h` },
    tickAmount: 6,
  },
  yaxis: {
    min: Math.min(battery.cutoffV, battery.peakFirstV) * 0.95,
    labels: { formatter: (value: number) => `${fixed(value, 1)} V` },
  },
  annotations: {
    yaxis: [
      {
        y: battery.cutoffV,
        borderColor: '#ff8471',
        label: {
          text: `out below ${formatQuantity(battery.cutoffV, 'V')}`,
          style: { background: '#15161c', color: '#ff8471' },
        },
      },
    ],
  },
}))
const span = (hours: number | null): string =>
  hours === null ? 'for ever' : formatQuantity(hours * 60, 'min')
const atOneLevel = computed(() => {
  const { hoursAt } = battery
  return hoursAt === undefined
    ? ''
    : `At its level all the time ${span(hoursAt.level)}, at full white ${span(hoursAt['full-white'])}.`
})
const summary = computed(
  () =>
    `${name}: ${formatQuantity((battery.hours ?? 0) * 60, 'min')} until the ${battery.endsBy === 'cut-off' ? 'brown-out at its peak' : 'cells are empty'}`,
)
</script>

<template>
  <figure class="mb-3">
    <figcaption class="text-[12.5px]">{{ summary }}</figcaption>
    <p v-if="atOneLevel" class="text-[12px] text-bench-soft">{{ atOneLevel }}</p>
    <div role="img" :aria-label="summary">
      <LineChart :height="190" :options="options" :series="series" />
    </div>
  </figure>
</template>
