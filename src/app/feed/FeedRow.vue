<script setup lang="ts">
import { computed } from 'vue'
import { feedsOf, withFeedAt } from '../../core/plan/feeds'
import type { Strip } from '../../core/plan/parts'
import type { Feed, Line } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import type { TallyFeed, TallyLead, TallyRun } from '../../core/tally'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import FeedTape from './FeedTape.vue'
import LeadEditor from './LeadEditor.vue'
import LevelSlider from './LevelSlider.vue'

const { run, line, strip, leads, open } = defineProps<{
  run: TallyRun
  line: Line
  strip: Strip
  fed: TallyFeed['runs'][number] | undefined
  /** Those that go to this run. */
  leads: readonly TallyLead[]
  /** px a mm */
  scale: number
  nameWidth: number
  tapeWidth: number
  /** Volts at the ribbon's edges, and at the strip's limit. */
  ribbon: { readonly top: number; readonly bottom: number }
  limitV: number
  /** The feed whose lead is open. */
  open: string | undefined
}>()
const emit = defineEmits<{ open: [run: string, feed: string | undefined] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()

const feeds = computed(() => feedsOf(line))
const isLit = computed(() => spotlight.lit.has(run.id))
/** Strip by its length, nodes on wire by their number. */
const facts = computed(() =>
  [
    ...(run.placedMm > 0 ? [formatLength(run.placedMm, plan.value.units)] : []),
    ...(run.pixels > 0 ? [formatQuantity(run.pixels, 'px')] : []),
  ].join(' · '),
)

function setFeeds(next: readonly Feed[], label: string, key = '', isDrag = false): void {
  store.commit([{ do: 'set-lines', lines: [line.id], set: { feeds: [...next] } }], {
    label: `${label} of ${run.name}`,
    key,
    isDrag,
  })
}
function move(id: string, pad: Feed['pad'], isDrag: boolean): void {
  const next = feeds.value.map((feed) => (feed.id === id ? { ...feed, pad } : feed))
  setFeeds(next, 'move a feed', `feed.${run.id}.${id}`, isDrag)
}
function add(pad: Feed['pad']): void {
  if (feeds.value.some((feed) => feed.pad === pad)) return
  setFeeds(withFeedAt(feeds.value, pad), 'add a feed')
}
function remove(id: string): void {
  emit('open', run.id, undefined)
  setFeeds(
    feeds.value.filter((feed) => feed.id !== id),
    'remove a feed',
  )
}
function setLead(change: Settable<Feed>): void {
  const next = feeds.value.map((one) => (one.id === open ? withSet<Feed>(one, change) : one))
  setFeeds(next, 'a lead')
}
</script>

<!-- A run: its name, its tape with the flags where power goes in, and the lead that is open. -->
<template>
  <div
    class="flex flex-wrap items-start gap-x-3"
    @pointerenter="spotlight.light([run.id])"
    @pointerleave="spotlight.dim"
  >
    <div
      class="pt-[17px] leading-tight"
      :style="{ width: nameWidth === 0 ? '100%' : `${nameWidth}px` }"
    >
      <p class="truncate font-semibold" :class="isLit && 'text-glow'">{{ run.name }}</p>
      <p class="text-[12px] whitespace-nowrap text-bench-soft">{{ facts }}</p>
      <button
        class="link-quiet mt-0.5 text-[12px]"
        :aria-label="`Feed ${run.name} at its far end too`"
        @click="add('end')"
      >
        + feed
      </button>
      <LevelSlider
        v-if="plan.scene.shown === 'level'"
        class="mt-0.5 gap-1 text-[12px]"
        :line="line"
        :label="`Level of ${run.name}`"
        size="w-16"
      />
    </div>
    <FeedTape
      :run="run"
      :line="line"
      :strip="strip"
      :fed="fed"
      :feeds="feeds"
      :leads="leads"
      :scale="scale"
      :width="tapeWidth"
      :top-v="ribbon.top"
      :bottom-v="ribbon.bottom"
      :limit-v="limitV"
      :chosen="open"
      @choose="(feed) => emit('open', run.id, feed)"
      @move="move"
      @add="add"
      @remove="remove"
    />
    <LeadEditor
      v-if="open !== undefined"
      :key="open"
      class="mb-2 w-full"
      :name="run.name"
      :settings="feeds.find(({ id }) => id === open)"
      :lead="leads.find(({ id }) => id === `${run.id}.${open}`)"
      @set="setLead"
      @remove="remove(open)"
      @close="emit('open', run.id, undefined)"
    />
  </div>
</template>
