<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import BenchDrawing from '../bench/BenchDrawing.vue'
import TallyRoll from '../shell/TallyRoll.vue'
import OpenElsewhere from '../shell/OpenElsewhere.vue'
import { usePlanStore } from '../stores/plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import HouseRules from './HouseRules.vue'
import LightCard from './LightCard.vue'
import PadSheet from './PadSheet.vue'
import SceneCard from './SceneCard.vue'
import SupplyCard from './SupplyCard.vue'

const route = useRoute()
const store = usePlanStore()
const { plan, tally, state, access } = storeToRefs(store)

watch(
  () => route.params.id,
  (id) => {
    if (typeof id === 'string' && id !== store.id) void store.open(id)
  },
  { immediate: true },
)

const units = [
  { value: 'mm', label: 'mm' },
  { value: 'cm', label: 'cm' },
  { value: 'ft-in', label: 'ft in' },
] as const

/** Below this width pad, drawing and roll become sheets, one at a time. */
const isNarrow = useMediaQuery('(max-width: 899px)')
const sheet = ref<'pad' | 'drawing' | 'tally'>('pad')
const sheets = [
  { value: 'pad', label: 'Pad' },
  { value: 'drawing', label: 'Drawing' },
  { value: 'tally', label: 'Tally' },
] as const
const shows = (name: typeof sheet.value): boolean => !isNarrow.value || sheet.value === name
const brokenIssues = computed(() => (state.value.kind === 'broken' ? state.value.issues : []))
</script>

<template>
  <main
    v-if="state.kind === 'missing' || state.kind === 'broken'"
    class="grid place-items-center p-8"
  >
    <div class="max-w-lg">
      <h1 class="mb-2 text-xl font-bold">
        {{
          state.kind === 'missing' ? 'This plan is not on the shelf' : 'This plan cannot be read'
        }}
      </h1>
      <p v-if="state.kind === 'missing'" class="mb-4 text-bench-soft">
        It may have been deleted, or it lies in another browser. Deleted plans can be brought back
        from the shelf for 30 days.
      </p>
      <ul v-else class="mb-4 font-mono text-[13px] text-bench-soft">
        <li v-for="issue in brokenIssues" :key="issue.path">
          {{ issue.path }}: {{ issue.message }}
        </li>
      </ul>
      <RouterLink class="button-main" :to="{ name: 'plans' }">To the shelf of plans</RouterLink>
    </div>
  </main>

  <main v-else-if="plan" class="flex min-h-0 flex-col">
    <OpenElsewhere v-if="access !== 'mine'" />
    <div
      class="grid min-h-0 flex-1 grid-cols-1 min-[900px]:grid-cols-[minmax(0,1fr)_312px]"
      :inert="access !== 'mine'"
    >
      <section class="flex min-h-0 min-w-0 flex-col gap-3 px-3 pt-3.5 pb-3.5 sm:px-[18px]">
        <div class="flex items-center gap-x-3.5">
          <h1 class="text-lg font-bold">Measure</h1>
          <p class="hidden text-bench-soft lg:block">
            Jot it as you read it off the tape. Click a dimension to change it.
          </p>
          <div class="ml-auto flex items-center gap-2">
            <HouseRules :plan="plan" />
            <SegmentedChoice
              label="Units shown"
              :options="units"
              :model-value="plan.units"
              @update:model-value="
                (value) => store.commit([{ do: 'show-units', units: value }], { label: 'units' })
              "
            />
          </div>
        </div>
        <SegmentedChoice
          v-if="isNarrow"
          v-model="sheet"
          class="self-stretch"
          label="Sheet"
          :options="sheets"
        />
        <div
          class="grid min-h-0 flex-1 grid-cols-1 gap-4 min-[900px]:grid-cols-[minmax(260px,318px)_minmax(0,1fr)]"
        >
          <PadSheet v-if="shows('pad')" :plan="plan" />
          <BenchDrawing v-if="shows('drawing')" :plan="plan" />
          <TallyRoll v-if="isNarrow && sheet === 'tally'" :plan="plan" :tally="tally" />
        </div>
        <div class="grid grid-cols-1 gap-2.5 min-[900px]:grid-cols-3">
          <LightCard v-if="shows('pad')" :plan="plan" />
          <SceneCard v-if="shows('drawing')" :plan="plan" :tally="tally" />
          <SupplyCard v-if="shows('pad')" :plan="plan" :tally="tally" />
        </div>
      </section>
      <TallyRoll v-if="!isNarrow" :plan="plan" :tally="tally" class="min-h-0" />
    </div>
  </main>

  <main v-else class="grid place-items-center text-bench-soft">Opening the plan …</main>
</template>
