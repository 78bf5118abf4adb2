<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import { discharge, type BatteryGiven } from '../../core/feed/battery'
import { logicLevel } from '../../core/signal/level'
import BlendStrip from '../measure/BlendStrip.vue'
import LevelGauge from '../signal/LevelGauge.vue'
import type { ShownSum } from '../engine/sum.worker'
import MatrixScan from './MatrixScan.vue'
import ResistorBands from './ResistorBands.vue'

const { name, result } = defineProps<{ name: string; result: Extract<ShownSum, { ok: true }> }>()

const BatteryChart = defineAsyncComponent(() => import('../feed/BatteryChart.vue'))

/** What the sum was given and answers, which its own schema has checked. */
const numbers = computed((): Record<string, number> => ({ ...result.given, ...result.answer }))
const scan = computed(() => ('scan' in result.given && result.given.scan === 'led' ? 'led' : 'row'))
const battery = computed(() => {
  const given = result.given as BatteryGiven
  const { course, endsBy } = discharge({ ...given, peak: given.load })
  return {
    course,
    endsBy,
    cutoffV: given.cutoffV,
    hours: course.at(-1)?.hours ?? 0,
    peakFirstV: course[0]?.meanV ?? 0,
  }
})
const hop = computed(() => {
  const { boardHighV = 0, pixelSupplyV = 0, ratio = 0.7, groundRiseV = 0 } = numbers.value
  return {
    name: 'to first pixel',
    highV: boardHighV,
    riseV: groundRiseV,
    chipV: pixelSupplyV,
    ...logicLevel({ boardHighV, pixelSupplyV, ratio, groundRiseV }),
  }
})
</script>

<template>
  <div class="overflow-x-auto">
    <ResistorBands
      v-if="name === 'resistor'"
      :ohm="numbers.pickOhm ?? 0"
      :tolerance="numbers.tolerance ?? 0.05"
    />
    <MatrixScan
      v-else-if="name === 'matrix'"
      :rows="numbers.rows ?? 1"
      :columns="numbers.columns ?? 1"
      :scan="scan"
    />
    <BlendStrip
      v-else-if="name === 'blend'"
      :pitch-mm="numbers.pitchMm ?? 1"
      :depth-mm="numbers.depthMm ?? 1"
    />
    <LevelGauge v-else-if="name === 'logic-level'" :hop="hop" />
    <BatteryChart v-else-if="name === 'battery'" :battery="battery" name="These cells" />
  </div>
</template>
