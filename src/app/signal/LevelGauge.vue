<script setup lang="ts">
import { computed } from 'vue'
import { fixed, formatQuantity } from '../../core/quantity/format'
import type { Hop } from '../../core/signal/levels'
import { goodMarginV } from '../../core/signal/level'

const { hop } = defineProps<{ hop: Hop }>()

const width = 230
/** The scale ends above whatever is on it, on a whole volt. */
const topV = computed(() => Math.ceil(Math.max(hop.highV, hop.thresholdV) + 0.4))
const x = (volts: number): number => (Math.max(0, volts) / topV.value) * width
const reachesV = computed(() => hop.highV - hop.riseV)
const tone = computed(() =>
  hop.marginV < 0 ? 'fill-stop' : hop.marginV < goodMarginV ? 'fill-warning' : 'fill-ok',
)
const marginText = computed(
  () => `${hop.marginV < 0 ? '−' : '+'}${fixed(Math.abs(hop.marginV), 2)} V`,
)
</script>

<!-- How high the data reaches, and the threshold that it must exceed. -->
<template>
  <svg
    :width="width + 70"
    height="46"
    class="block"
    role="img"
    :aria-label="`${hop.name}: reaches ${formatQuantity(reachesV, 'V')}, must exceed ${formatQuantity(hop.thresholdV, 'V')}, margin ${marginText}`"
  >
    <rect x="0" y="17" :width="width" height="9" rx="4.5" class="fill-bench-line" />
    <rect
      x="0"
      y="17"
      :width="x(Math.min(reachesV, hop.thresholdV))"
      height="9"
      rx="4.5"
      class="fill-data/50"
    />
    <rect
      :x="x(Math.min(reachesV, hop.thresholdV))"
      y="17"
      :width="Math.max(1.5, Math.abs(x(reachesV) - x(hop.thresholdV)))"
      height="9"
      :class="tone"
    />
    <path :d="`M${x(hop.thresholdV)} 11v21`" class="stroke-bench-ink" stroke-width="2" />
    <path :d="`M${x(reachesV)} 15l-4 -6h8z`" class="fill-data" />
    <text
      :x="Math.min(x(reachesV), width) - (reachesV < hop.thresholdV ? 6 : -6)"
      y="9"
      class="fill-bench-ink text-[12px]"
      :text-anchor="reachesV < hop.thresholdV ? 'end' : 'start'"
    >
      reaches {{ formatQuantity(reachesV, 'V') }}
    </text>
    <text
      :x="Math.min(x(hop.thresholdV), width)"
      y="43"
      class="fill-bench-soft text-[12px]"
      :text-anchor="x(hop.thresholdV) > width / 2 ? 'end' : 'start'"
    >
      must exceed {{ formatQuantity(hop.thresholdV, 'V') }}
    </text>
    <text :x="width + 10" y="26" class="text-[13px] font-semibold" :class="tone">
      {{ marginText }}
    </text>
  </svg>
</template>
