<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed, shallowRef, useTemplateRef } from 'vue'
import { voltsFor } from '../../core/feed/brightness'
import { caseNames, type LoadCase } from '../../core/plan/choices'
import { stripOf } from '../../core/parts/find-strips'
import type { Line } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { TallyLead, TallyRun } from '../../core/tally'
import HouseRules from '../measure/HouseRules.vue'
import SupplyCard from '../measure/SupplyCard.vue'
import PlanFrame from '../shell/PlanFrame.vue'
import { useView } from '../shell/use-sheet-view'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import TapeRuler from '../tape/TapeRuler.vue'
import { useTapes } from '../tape/use-tapes'
import ListRest from '../ui/ListRest.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import DimmestCard from './DimmestCard.vue'
import FeedRow from './FeedRow.vue'
import LevelSlider from './LevelSlider.vue'
import LitLeads from './LitLeads.vue'
import PlannerCard from './PlannerCard.vue'
import SourcesSheet from './SourcesSheet.vue'
import NothingYet from '../shell/NothingYet.vue'

const store = usePlanStore()
const plan = useOpenPlan()
const spotlight = useSpotlight()
const { tally, parts } = storeToRefs(store)

const sheets = [
  { value: 'tapes', label: 'Tapes' },
  { value: 'answers', label: 'Answers' },
] as const
const views = [
  { value: 'tapes', label: 'Tapes' },
  { value: 'sources', label: 'Supplies and use' },
] as const
const view = useView(views, 'tapes')

const sceneLabels: Readonly<Record<LoadCase, string>> = {
  idle: 'Idle',
  'full-white': 'White',
  red: 'R',
  green: 'G',
  blue: 'B',
  level: 'Level',
}
const scenes = caseNames.map((value) => ({ value, label: sceneLabels[value] }))

const area = useTemplateRef<HTMLElement>('area')
const { runs, runsLeft, areRunsNear, nameWidth, tapeWidth, scale } = useTapes(area, 92, 122)
const lines = computed(() => new Map(store.plan?.lines.map((line) => [line.id, line])))
/** Leads by the run that they go to. */
const leadsOf = computed(() => {
  const byRun = new Map<string, TallyLead[]>()
  for (const lead of tally.value?.feed.leads ?? [])
    if (lead.to.kind === 'run') byRun.set(lead.to.run, [...(byRun.get(lead.to.run) ?? []), lead])
  return byRun
})
const noLeads: readonly TallyLead[] = []
const noRibbon = { top: 5, bottom: 0 }
const fedRuns = computed(() => new Map(tally.value?.feed.runs.map((run) => [run.id, run])))

/** The ribbons of runs of equal volts share one scale, so that they can be compared. */
const ribbonScale = computed(() => {
  const scales = new Map<number, { top: number; bottom: number }>()
  for (const run of runs.value) {
    const { volts } = stripOf(parts.value, run.stripId)
    const known = scales.get(volts) ?? { top: volts, bottom: volts * 0.985 }
    const limit = limitOf(run)
    scales.set(volts, {
      top: Math.max(known.top, fedRuns.value.get(run.id)?.maxV ?? 0),
      bottom: Math.min(
        known.bottom,
        limit - (volts - limit) * 0.12,
        fedRuns.value.get(run.id)?.minV ?? volts,
      ),
    })
  }
  return scales
})
function limitOf(run: TallyRun): number {
  const strip = stripOf(parts.value, run.stripId)
  return strip.light.kind === 'pixels'
    ? voltsFor(strip, 1)
    : voltsFor(strip, store.plan?.rules.keep ?? 0.8)
}

/** The feed that is open: its run and its id. */
const open = shallowRef<{ readonly run: string; readonly feed: string }>()
function choose(run: string, feed: string | undefined): void {
  const isOpen = open.value?.run === run && open.value.feed === feed
  open.value = feed === undefined || isOpen ? undefined : { run, feed }
  spotlight.choose(run)
}

const setScene = (scene: LoadCase): void => {
  store.commit([{ do: 'show-case', scene }], { label: `scene ${sceneLabels[scene]}` })
}
</script>

<template>
  <PlanFrame
    stage="feed"
    title="Feed"
    hint="Drag a flag to move where power goes in; the ribbon shows the sag."
    :sheets="sheets"
  >
    <template #tools>
      <HouseRules />
      <SegmentedChoice v-model="view" label="What is shown" :options="views" />
    </template>
    <template #default="{ shows }">
      <template v-if="view === 'tapes'">
        <div v-if="shows('tapes')" class="flex flex-wrap items-center gap-3">
          <SegmentedChoice
            label="Scene"
            :options="scenes"
            :model-value="plan.scene.shown"
            @update:model-value="setScene"
          />
          <LevelSlider
            v-if="plan.scene.shown === 'level'"
            class="gap-2 text-[12.5px]"
            label="Level"
            size="w-40"
          />
          <p v-if="tally" class="ml-auto text-[12.5px] text-bench-soft">
            {{ formatQuantity(tally.totals.shownCurrentA, 'A') }} load ·
            {{ formatQuantity(tally.feed.lostW, 'W') }} lost in copper
          </p>
        </div>
        <div
          v-if="shows('tapes')"
          ref="area"
          class="min-h-0 flex-1 overflow-y-auto rounded-lg bg-bench-raised px-4 py-3"
          role="group"
          aria-label="Tapes"
          tabindex="0"
        >
          <p v-if="tally?.feed.problem" role="alert" class="mb-2 text-stop">
            {{ tally.feed.problem }}. Look for a lead of no length, or undo the last step.
          </p>
          <NothingYet
            v-if="runs.length === 0 && tally?.runs.every(({ lit }) => lit === null)"
            class="h-full"
            what="Nothing to feed yet"
          />
          <template v-if="runs.length > 0">
            <TapeRuler
              class="sticky -top-3 z-10 -mt-3 box-content bg-bench-raised pt-3"
              :style="{ marginLeft: nameWidth === 0 ? '0' : `${nameWidth + 12}px` }"
              :scale="scale"
              :width="tapeWidth"
              :units="plan.units"
            />
            <template v-for="run in runs" :key="run.id">
              <FeedRow
                v-if="lines.get(run.id)"
                :run="run"
                :line="lines.get(run.id) as Line"
                :strip="stripOf(parts, run.stripId)"
                :fed="fedRuns.get(run.id)"
                :leads="leadsOf.get(run.id) ?? noLeads"
                :scale="scale"
                :name-width="nameWidth"
                :tape-width="tapeWidth"
                :ribbon="ribbonScale.get(stripOf(parts, run.stripId).volts) ?? noRibbon"
                :limit-v="limitOf(run)"
                :open="open?.run === run.id ? open.feed : undefined"
                @open="choose"
              />
            </template>
            <ListRest v-model="areRunsNear" :rows="runsLeft" :row-px="110" />
          </template>
          <LitLeads v-if="tally" :tally="tally" />
        </div>
        <div
          v-if="shows('answers')"
          class="grid grid-cols-1 gap-2.5 min-[900px]:grid-cols-[1fr_1fr_1.25fr]"
        >
          <SupplyCard :tally="tally" />
          <DimmestCard :tally="tally" />
          <PlannerCard />
        </div>
      </template>
      <SourcesSheet v-else :tally="tally" />
    </template>
  </PlanFrame>
</template>
