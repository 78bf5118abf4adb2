<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import type { Played } from '../../core/glow/play'
import { fixed, formatQuantity, significant } from '../../core/quantity/format'
import LineChart from '../ui/LineChart.vue'
import { useAfterPaint } from '../ui/use-after-paint'
import { clockText } from '../../core/roll/show'
import { roundParts, roundScale } from './round-scale'

const { played, ms } = defineProps<{
  played: Played
  /** Where the show is, ms. */
  ms: number
}>()
const emit = defineEmits<{ seek: [ms: number] }>()

const isPainted = useAfterPaint()

/** So many points are told apart on a screen: of each stretch the highest is drawn. */
const mostPoints = 240
const series = computed(() =>
  played.curve.map((curve, index) => {
    const each = Math.max(1, Math.ceil(curve.length / mostPoints))
    const data: [number, number][] = []
    for (let from = 0; from < curve.length; from += each) {
      const highest = curve
        .subarray(from, from + each)
        .reduce((most, one) => Math.max(most, one), 0)
      data.push([from / played.framesPerSecond, Math.round(highest * 1000) / 1000])
    }
    return { name: played.supplies[index]?.name ?? '', data }
  }),
)
const lines = computed(() =>
  played.supplies.flatMap(({ name, ratedA, mayGiveA }) => {
    const of = played.supplies.length > 1 ? `${name}: ` : ''
    return [
      ...(ratedA === null
        ? []
        : [
            {
              y: ratedA,
              colour: '#ff8471',
              text: `${of}rated ${significant(ratedA)} A`,
              offsetY: 0,
            },
          ]),
      ...(mayGiveA === null
        ? []
        : [
            {
              y: mayGiveA,
              colour: '#ffcb60',
              text: `${of}keep below ${formatQuantity(mayGiveA, 'A')}`,
              // Beneath its line: the other label stands above one that is near.
              offsetY: 17,
            },
          ]),
    ]
  }),
)
const scale = computed(() =>
  roundScale(
    1.04 *
      Math.max(
        0.01,
        played.peakA,
        ...lines.value.filter(({ y }) => y < 3 * played.peakA).map(({ y }) => y),
      ),
    5,
  ),
)
/** Where the plot lies in the chart, px. */
const plot = shallowRef<{ left: number; width: number; top: number; height: number }>()
interface Chart {
  readonly w: {
    readonly globals: {
      readonly translateX: number
      readonly translateY: number
      readonly gridWidth: number
      readonly gridHeight: number
    }
  }
}
function place({ w: { globals } }: Chart): void {
  plot.value = {
    left: globals.translateX,
    width: globals.gridWidth,
    top: globals.translateY,
    height: globals.gridHeight,
  }
}
const options = computed(() => ({
  chart: {
    events: {
      mounted: place,
      updated: place,
      click: (event: MouseEvent) => {
        const box = plot.value
        if (box === undefined || !(event.currentTarget instanceof Element)) return
        const at = event.clientX - event.currentTarget.getBoundingClientRect().left - box.left
        emit('seek', (1000 * played.seconds * at) / box.width)
      },
    },
  },
  colors: ['#8ec5ff', '#ffb84d', '#83d9a6', '#d9a6ff'],
  stroke: { width: 2, curve: 'straight' as const },
  grid: { borderColor: '#2b2f3d', padding: { top: -18, bottom: -6 } },
  legend: { show: played.supplies.length > 1, position: 'top' as const },
  tooltip: {
    x: { formatter: (value: number) => clockText(value) },
    y: { formatter: (value: number) => formatQuantity(value, 'A') },
  },
  xaxis: {
    min: 0,
    max: played.seconds,
    tickAmount: roundParts(played.seconds),
    labels: { formatter: (value: string | number) => clockText(Number(value)) },
  },
  yaxis: {
    min: 0,
    max: scale.value.max,
    tickAmount: scale.value.steps,
    labels: { formatter: (value: number) => `${fixed(value, scale.value.decimals)} A` },
  },
  annotations: {
    yaxis: lines.value.map(({ y, colour, text, offsetY }) => ({
      y,
      borderColor: colour,
      strokeDashArray: 4,
      label: {
        text,
        borderWidth: 0,
        position: 'left',
        textAnchor: 'start',
        offsetX: 4,
        offsetY,
        style: { background: '#1c1e27', color: colour },
      },
    })),
  },
}))
const summary = computed(
  () =>
    `mean ${formatQuantity(played.meanA, 'A')} · peak ${formatQuantity(played.peakA, 'A')} at ${clockText(played.peakAtS)}`,
)
</script>

<template>
  <figure
    class="night h-full rounded-lg border border-bench-line bg-bench-raised px-3.5 pt-2.5 pb-1"
  >
    <figcaption class="flex justify-between text-[13px]">
      <b>Amperes</b><span class="text-bench-soft">{{ summary }}</span>
    </figcaption>
    <div class="relative min-h-[122px]" role="img" :aria-label="`Amperes over time: ${summary}`">
      <LineChart v-if="isPainted" :height="122" :options="options" :series="series" />
      <span
        v-if="plot"
        class="pointer-events-none absolute w-0.5 bg-glow"
        :style="{
          left: `${plot.left + plot.width * Math.min(1, ms / 1000 / played.seconds) - 1}px`,
          top: `${plot.top}px`,
          height: `${plot.height}px`,
        }"
        aria-hidden="true"
      />
    </div>
  </figure>
</template>
