<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { voltsFor } from '../../core/feed/brightness'
import { feedsOf, withFeedAt } from '../../core/feed/leads'
import { sceneNames, type SceneName } from '../../core/plan/choices'
import { stripOf } from '../../core/parts/find'
import type { Feed, Line, Plan } from '../../core/plan/plan'
import { withSet } from '../../core/plan/with-set'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import type { TallyRun } from '../../core/tally'
import HouseRules from '../measure/HouseRules.vue'
import SupplyCard from '../measure/SupplyCard.vue'
import PlanFrame from '../shell/PlanFrame.vue'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import TapeRuler from '../tape/TapeRuler.vue'
import { useTapes } from '../tape/use-tapes'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import DimmestCard from './DimmestCard.vue'
import FeedTape from './FeedTape.vue'
import LeadEditor from './LeadEditor.vue'
import LitLeads from './LitLeads.vue'
import PlannerCard from './PlannerCard.vue'
import SourcesSheet from './SourcesSheet.vue'

const store = usePlanStore()
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
const view = ref<'tapes' | 'sources'>('tapes')

const sceneLabels: Readonly<Record<SceneName, string>> = {
  idle: 'Idle',
  'full-white': 'White',
  red: 'R',
  green: 'G',
  blue: 'B',
  level: 'Level',
}
const scenes = sceneNames.map((value) => ({ value, label: sceneLabels[value] }))

const area = useTemplateRef<HTMLElement>('area')
const { runs, nameWidth, tapeWidth, scale } = useTapes(area, 92, 122)
const lines = computed(() => new Map(store.plan?.lines.map((line) => [line.id, line])))
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

function setFeeds(
  run: TallyRun,
  line: Line,
  feeds: readonly Feed[],
  label: string,
  key = '',
  isDrag = false,
): void {
  store.commit([{ do: 'set-lines', lines: [line.id], set: { feeds: [...feeds] } }], {
    label: `${label} of ${run.name}`,
    key,
    isDrag,
  })
}
function move(run: TallyRun, line: Line, id: string, pad: Feed['pad'], isDrag: boolean): void {
  const feeds = feedsOf(line).map((feed) => (feed.id === id ? { ...feed, pad } : feed))
  setFeeds(run, line, feeds, 'move a feed', `feed.${run.id}.${id}`, isDrag)
}
function add(run: TallyRun, line: Line, pad: Feed['pad']): void {
  const feeds = feedsOf(line)
  if (feeds.some((feed) => feed.pad === pad)) return
  setFeeds(run, line, withFeedAt(feeds, pad), 'add a feed')
}
function remove(run: TallyRun, line: Line, id: string): void {
  open.value = undefined
  setFeeds(
    run,
    line,
    feedsOf(line).filter((feed) => feed.id !== id),
    'remove a feed',
  )
}
const isOpen = (run: string): boolean => open.value?.run === run
function choose(run: string, feed: string | undefined): void {
  open.value =
    feed === undefined || (open.value?.run === run && open.value.feed === feed)
      ? undefined
      : { run, feed }
  spotlight.choose(run)
}
const setScene = (scene: SceneName): void => {
  store.commit([{ do: 'show-scene', scene }], { label: `scene ${sceneLabels[scene]}` })
}
function setLevel(event: Event, plan: Plan, line?: Line): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const level = event.target.valueAsNumber / 100
  store.commit(
    line === undefined
      ? [{ do: 'set-level', level }]
      : [
          {
            do: 'set-lines',
            lines: [line.id],
            set: { level: level === plan.scene.level ? undefined : level },
          },
        ],
    { label: `level ${event.target.value} %`, key: `level.${line?.id ?? ''}` },
  )
}
/** Strip by its length, nodes on wire by their number. */
const facts = ({ placedMm, pixels }: TallyRun, { units }: Plan): string =>
  [
    ...(placedMm > 0 ? [formatLength(placedMm, units)] : []),
    ...(pixels > 0 ? [formatQuantity(pixels, 'px')] : []),
  ].join(' · ')
const percent = (share: number): number => Math.round(share * 100)
</script>

<template>
  <PlanFrame
    stage="feed"
    title="Feed"
    hint="Drag a flag to move where power goes in; the ribbon shows the sag."
    :sheets="sheets"
  >
    <template #tools="{ plan }">
      <HouseRules :plan="plan" />
      <SegmentedChoice v-model="view" label="What is shown" :options="views" />
    </template>
    <template #default="{ plan, shows }">
      <template v-if="view === 'tapes'">
        <div v-if="shows('tapes')" class="flex flex-wrap items-center gap-3">
          <SegmentedChoice
            label="Scene"
            :options="scenes"
            :model-value="plan.scene.shown"
            @update:model-value="setScene"
          />
          <label
            v-if="plan.scene.shown === 'level'"
            class="flex items-center gap-2 text-[12.5px] text-bench-soft"
          >
            <input
              type="range"
              class="w-40 accent-glow"
              min="0"
              max="100"
              :value="percent(plan.scene.level)"
              @input="setLevel($event, plan)"
            />
            {{ percent(plan.scene.level) }} %
          </label>
          <p v-if="tally" class="ml-auto text-[12.5px] text-bench-soft">
            {{ formatQuantity(tally.totals.shownCurrentA, 'A') }} asked for ·
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
          <p
            v-if="runs.length === 0 && tally?.runs.every(({ lit }) => lit === null)"
            class="grid h-full place-items-center text-bench-soft"
          >
            Nothing to feed yet. Jot a length on the Measure page first.
          </p>
          <template v-if="runs.length > 0">
            <TapeRuler
              class="sticky top-0"
              :style="{ marginLeft: nameWidth === 0 ? '0' : `${nameWidth + 12}px` }"
              :scale="scale"
              :width="tapeWidth"
              :units="plan.units"
            />
            <template v-for="run in runs" :key="run.id">
              <div
                v-if="lines.get(run.id)"
                class="flex flex-wrap items-start gap-x-3"
                @pointerenter="spotlight.light([run.id])"
                @pointerleave="spotlight.dim"
              >
                <div
                  class="pt-[17px] leading-tight"
                  :style="{ width: nameWidth === 0 ? '100%' : `${nameWidth}px` }"
                >
                  <p
                    class="truncate font-semibold"
                    :class="spotlight.lit.has(run.id) && 'text-glow'"
                  >
                    {{ run.name }}
                  </p>
                  <p class="text-[12px] whitespace-nowrap text-bench-soft">
                    {{ facts(run, plan) }}
                  </p>
                  <button
                    class="link-quiet mt-0.5 text-[12px]"
                    :aria-label="`Feed ${run.name} at its far end too`"
                    @click="add(run, lines.get(run.id) as Line, 'end')"
                  >
                    + feed
                  </button>
                  <label
                    v-if="plan.scene.shown === 'level'"
                    class="mt-0.5 flex items-center gap-1 text-[11px] text-bench-soft"
                  >
                    <input
                      type="range"
                      class="w-16 accent-glow"
                      min="0"
                      max="100"
                      :aria-label="`Level of ${run.name}`"
                      :value="percent(lines.get(run.id)?.level ?? plan.scene.level)"
                      @input="setLevel($event, plan, lines.get(run.id))"
                    />
                    {{ percent(lines.get(run.id)?.level ?? plan.scene.level) }} %
                  </label>
                </div>
                <FeedTape
                  :plan="plan"
                  :run="run"
                  :line="lines.get(run.id) as Line"
                  :strip="stripOf(parts, run.stripId)"
                  :fed="fedRuns.get(run.id)"
                  :feeds="feedsOf(lines.get(run.id) as Line)"
                  :leads="tally?.feed.leads ?? []"
                  :scale="scale"
                  :width="tapeWidth"
                  :top-v="ribbonScale.get(stripOf(parts, run.stripId).volts)?.top ?? 5"
                  :bottom-v="ribbonScale.get(stripOf(parts, run.stripId).volts)?.bottom ?? 0"
                  :limit-v="limitOf(run)"
                  :chosen="isOpen(run.id) ? open?.feed : undefined"
                  :is-lit="spotlight.lit.has(run.id)"
                  @choose="(feed) => choose(run.id, feed)"
                  @move="
                    (feed, pad, isDrag) => move(run, lines.get(run.id) as Line, feed, pad, isDrag)
                  "
                  @add="(pad) => add(run, lines.get(run.id) as Line, pad)"
                  @remove="(feed) => remove(run, lines.get(run.id) as Line, feed)"
                />
                <LeadEditor
                  v-if="open && isOpen(run.id)"
                  :key="open.feed"
                  class="mb-2 w-full"
                  :plan="plan"
                  :name="run.name"
                  :settings="feedsOf(lines.get(run.id) as Line).find(({ id }) => id === open?.feed)"
                  :lead="tally?.feed.leads.find(({ id }) => id === `${run.id}.${open?.feed}`)"
                  @set="
                    (feed) =>
                      setFeeds(
                        run,
                        lines.get(run.id) as Line,
                        feedsOf(lines.get(run.id) as Line).map((one) =>
                          one.id === open?.feed ? withSet<Feed>(one, feed) : one,
                        ),
                        'a lead',
                      )
                  "
                  @remove="remove(run, lines.get(run.id) as Line, open.feed)"
                  @close="open = undefined"
                />
              </div>
            </template>
          </template>
          <LitLeads v-if="tally" :plan="plan" :tally="tally" />
        </div>
        <div
          v-if="shows('answers')"
          class="grid grid-cols-1 gap-2.5 min-[900px]:grid-cols-[1fr_1fr_1.25fr]"
        >
          <SupplyCard :plan="plan" :tally="tally" />
          <DimmestCard :plan="plan" :tally="tally" />
          <PlannerCard :plan="plan" />
        </div>
      </template>
      <SourcesSheet v-else :plan="plan" :tally="tally" />
    </template>
  </PlanFrame>
</template>
