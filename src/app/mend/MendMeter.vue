<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { MeterPlaces } from '../engine/mend.worker'
import MeterCard from './MeterCard.vue'
import MeterDiagram from './MeterDiagram.vue'
import type { MendState } from './use-mend'
import { useMeter } from './use-meter'
import { useOpenPlan } from '../stores/use-open-plan'

const { mend, faults } = defineProps<{
  mend: MendState
  /** Ids of what is wrong; without any all is as it should be. */
  faults: readonly string[]
}>()
const plan = useOpenPlan()

const places = shallowRef<MeterPlaces>()
const meter = useMeter(mend.meter, () => places.value?.opens ?? [])
watch(
  () => faults,
  async (wrong) => {
    places.value = await mend.suppose(wrong)
    // What it showed was of another fault: it is read anew where it is held.
    meter.shown.value = undefined
    if (meter.isHeld.value) await meter.read()
  },
  { immediate: true },
)
</script>

<template>
  <div v-if="places" class="grid gap-2 min-[1100px]:grid-cols-[minmax(0,1fr)_340px]">
    <MeterDiagram :plan="plan" :source="mend.meter" :meter="meter" />
    <MeterCard
      :meter="meter"
      :tips="places.tips"
      :opens="places.opens"
      :is-busy="false"
      point-at="the diagram"
    />
  </div>
</template>
