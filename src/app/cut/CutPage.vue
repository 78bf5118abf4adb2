<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, useTemplateRef } from 'vue'
import { stripOf } from '../../core/parts/find'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import PlanFrame from '../shell/PlanFrame.vue'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import RunTape from '../tape/RunTape.vue'
import TapeRuler from '../tape/TapeRuler.vue'
import { tapeScale } from '../tape/tape'
import HouseRules from '../measure/HouseRules.vue'
import CutList from './CutList.vue'
import ReelsPanel from './ReelsPanel.vue'

const store = usePlanStore()
const spotlight = useSpotlight()
const { tally, parts } = storeToRefs(store)

const sheets = [
  { value: 'tapes', label: 'Tapes' },
  { value: 'reels', label: 'Reels' },
] as const

const area = useTemplateRef<HTMLElement>('area')
const { width: areaWidth } = useElementSize(area)
/** Room for the names at the left, px; above the tape where the window is narrow. */
const nameWidth = computed(() => (areaWidth.value < 560 ? 0 : 132))
const tapeWidth = computed(() => Math.max(120, areaWidth.value - nameWidth.value - 40))
const runs = computed(() => tally.value?.runs.filter(({ pieces }) => pieces.length > 0) ?? [])
const scale = computed(() => tapeScale(runs.value, tapeWidth.value))
</script>

<template>
  <PlanFrame
    stage="cut"
    title="Cut"
    hint="Every piece to one ruler: whole groups, cut at their marks."
    :sheets="sheets"
  >
    <template #tools="{ plan }"><HouseRules :plan="plan" /></template>
    <template #default="{ plan, shows }">
      <div
        v-if="shows('tapes')"
        ref="area"
        class="min-h-0 flex-1 overflow-y-auto rounded-lg bg-bench-raised px-4 py-3"
        role="group"
        aria-label="Tapes"
        tabindex="0"
      >
        <p v-if="runs.length === 0" class="grid h-full place-items-center text-bench-soft">
          No strip to cut yet. Jot a length on the Measure page first.
        </p>
        <template v-else>
          <TapeRuler
            class="sticky top-0"
            :style="{ marginLeft: nameWidth === 0 ? '0' : `${nameWidth + 12}px` }"
            :scale="scale"
            :width="tapeWidth"
            :units="plan.units"
          />
          <div
            v-for="run in runs"
            :key="run.id"
            class="flex flex-wrap items-start gap-x-3 rounded"
            :data-tape="run.id"
            @pointerenter="spotlight.light([run.id])"
            @pointerleave="spotlight.dim"
          >
            <div
              class="pt-[13px] leading-tight"
              :style="{ width: nameWidth === 0 ? '100%' : `${nameWidth}px` }"
            >
              <p class="truncate font-semibold" :class="spotlight.lit.has(run.id) && 'text-glow'">
                {{ run.name }}
              </p>
              <p class="text-[12px] text-bench-soft">
                {{ formatLength(run.placedMm, plan.units)
                }}<template v-if="run.pixels > 0">
                  · {{ formatQuantity(run.pixels, 'px') }}</template
                >
              </p>
            </div>
            <RunTape
              :run="run"
              :strip="stripOf(parts, run.stripId)"
              :scale="scale"
              :width="tapeWidth"
              :units="plan.units"
              :is-lit="spotlight.lit.has(run.id)"
            />
          </div>
        </template>
      </div>
      <ReelsPanel
        v-if="shows('reels') && tally && tally.reels.length > 0"
        :plan="plan"
        :reels="tally.reels"
      />
      <CutList v-if="tally" :plan="plan" :reels="tally.reels" />
    </template>
  </PlanFrame>
</template>
