<script setup lang="ts">
import { storeToRefs } from 'pinia'
import HouseRules from '../measure/HouseRules.vue'
import NothingYet from '../shell/NothingYet.vue'
import PlanFrame from '../shell/PlanFrame.vue'
import { useView } from '../shell/use-sheet-view'
import { usePlanStore } from '../stores/plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import BoardCard from './BoardCard.vue'
import { useAfterPaint } from '../ui/use-after-paint'
import LanesCard from './LanesCard.vue'
import LevelCard from './LevelCard.vue'
import PinsSheet from './PinsSheet.vue'

const { tally, measured } = storeToRefs(usePlanStore())

const sheets = [{ value: 'signal', label: 'Signal' }] as const
const views = [
  { value: 'lanes', label: 'Lanes' },
  { value: 'pins', label: 'Pins' },
] as const
const view = useView(views, 'lanes')
const isPainted = useAfterPaint()
</script>

<template>
  <PlanFrame
    stage="signal"
    title="Signal"
    hint="Which pin drives what, in which order, and whether it is understood."
    :sheets="sheets"
  >
    <template #tools>
      <HouseRules />
      <SegmentedChoice v-model="view" label="What is shown" :options="views" />
    </template>
    <template #default="{ shows }">
      <div
        v-if="tally?.signal && shows('signal')"
        class="flex min-h-0 flex-1 flex-col gap-2.5 overflow-y-auto"
        role="group"
        aria-label="Signal"
        tabindex="0"
      >
        <BoardCard :signal="tally.signal" />
        <NothingYet
          v-if="view === 'lanes' && measured.runs.length === 0"
          what="Nothing to send data to yet"
        />
        <template v-else-if="view === 'lanes'">
          <LevelCard v-if="tally.signal.lanes.length > 0" :signal="tally.signal" />
          <LanesCard v-if="isPainted" :signal="tally.signal" />
        </template>
        <PinsSheet v-else :signal="tally.signal" :tally="tally" />
      </div>
    </template>
  </PlanFrame>
</template>
