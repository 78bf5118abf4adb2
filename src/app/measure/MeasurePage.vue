<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import BenchDrawing from '../bench/BenchDrawing.vue'
import PlanFrame from '../shell/PlanFrame.vue'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import PadSheet from './PadSheet.vue'

// What is chosen by list comes a moment after what is typed and drawn.
const MeasureCards = defineAsyncComponent(() => import('./MeasureCards.vue'))
const HouseRules = defineAsyncComponent(() => import('./HouseRules.vue'))

const store = usePlanStore()
const plan = useOpenPlan()

const sheets = [
  { value: 'pad', label: 'Pad' },
  { value: 'drawing', label: 'Drawing' },
] as const
const units = [
  { value: 'mm', label: 'mm' },
  { value: 'cm', label: 'cm' },
  { value: 'm', label: 'm' },
  { value: 'ft-in', label: 'ft in' },
] as const
</script>

<template>
  <PlanFrame
    stage="measure"
    title="Measure"
    hint="Jot it as you read it off the tape. Click a dimension to change it."
    :sheets="sheets"
  >
    <template #tools>
      <HouseRules />
      <SegmentedChoice
        label="Units shown"
        :options="units"
        :model-value="plan.units"
        @update:model-value="
          (value) => store.commit([{ do: 'show-units', units: value }], { label: 'units' })
        "
      />
    </template>
    <template #default="{ shows }">
      <div
        v-if="shows('pad') || shows('drawing')"
        class="grid min-h-0 flex-1 grid-cols-1 gap-4 max-[899px]:min-h-[24rem] max-[899px]:flex-none min-[900px]:grid-cols-[minmax(260px,318px)_minmax(0,1fr)]"
      >
        <PadSheet v-if="shows('pad')" />
        <BenchDrawing v-if="shows('drawing')" />
      </div>
      <div
        class="grid grid-cols-1 gap-2.5 min-[900px]:min-h-[106px] min-[900px]:grid-cols-3 min-[1200px]:grid-cols-[1.22fr_1.02fr_0.83fr]"
      >
        <MeasureCards :has-light="shows('pad')" :has-scene="shows('drawing')" />
      </div>
    </template>
  </PlanFrame>
</template>
