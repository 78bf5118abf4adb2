<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { dutiesIn } from '../../core/load/load'
import type { Strip } from '../../core/plan/parts'
import type { Feed, Line } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { TallyFeed, TallyLead, TallyRun } from '../../core/tally'
import { drawnPieces } from '../tape/tape'
import { loadPlaces, padAt, padX, ribbonPath } from './feed-tape'
import FeedFlags from './FeedFlags.vue'
import TapeLights from './TapeLights.vue'
import { useTapeReading } from './use-tape-reading'
import { useOpenPlan } from '../stores/use-open-plan'

const { run, line, strip, fed, scale, width, topV, limitV, bottomV } = defineProps<{
  run: TallyRun
  line: Line
  strip: Strip
  fed: TallyFeed['runs'][number] | undefined
  feeds: readonly Feed[]
  leads: readonly TallyLead[]
  /** px a mm */
  scale: number
  width: number
  /** Volts at the ribbon's upper edge, at the strip's limit, and at its lower end. */
  topV: number
  limitV: number
  bottomV: number
  chosen: string | undefined
}>()
const emit = defineEmits<{
  choose: [feed: string]
  move: [feed: string, pad: Feed['pad'], isDrag: boolean]
  add: [pad: Feed['pad']]
  remove: [feed: string]
}>()
const plan = useOpenPlan()

const top = 22
const height = 16
const ribbonTop = top + height + 6
const ribbonHeight = 30

const pieces = computed(() => drawnPieces(run.pieces, scale))
const places = computed(() => loadPlaces(pieces.value, strip))
/** The same list while nothing in it changes: a flag that is dragged must not have every run's lights drawn anew. */
const duties = computed((last?: readonly number[]): readonly number[] => {
  const next = dutiesIn(plan.value, plan.value.scene.shown, line, strip)
  return last?.join() === next.join() ? last : next
})
const endX = computed(() => padX(pieces.value, run.groups))

const toY = (volts: number): number => {
  const share = (topV - volts) / Math.max(1e-9, topV - bottomV)
  return Math.max(0, Math.min(1, share)) * ribbonHeight
}
const ribbon = computed(() =>
  fed === undefined ? undefined : ribbonPath(places.value, fed.volts, toY),
)
const limitY = computed(() => toY(limitV))
const isLow = computed(() => fed !== undefined && fed.minV < limitV - 1e-9)

const { pointed, reading, pointAt, step, pad, leave } = useTapeReading({
  strip: () => strip,
  places: () => places.value,
  volts: () => fed?.volts,
  duties: () => duties.value,
})
/** The pad under the pointer. */
const hoverPad = shallowRef<number>()
function point({ offsetX }: PointerEvent): void {
  pointAt(offsetX)
  hoverPad.value = padAt(pieces.value, offsetX)
}
function stopPointing(): void {
  leave()
  hoverPad.value = undefined
}
function addAt(at: number | undefined): void {
  if (at !== undefined) emit('add', at >= run.groups ? 'end' : at)
}
function onKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (by !== undefined) step(by * (event.shiftKey ? 10 : 1))
  else if (event.key === 'f' || event.key === '+') addAt(pad())
  else return
  event.preventDefault()
}
/** A reading's words stand left of it where the tape ends. */
const readingWidth = 190
</script>

<!-- A run on the common ruler: its lights as they burn, flags where power enters, and the volts as a ribbon that sags. -->
<template>
  <div
    class="relative"
    :style="{ width: `${width}px`, height: `${ribbonTop + ribbonHeight + 8}px` }"
  >
    <TapeLights
      class="absolute left-0"
      :style="{ top: `${top}px` }"
      :strip="strip"
      :pieces="pieces"
      :places="places"
      :duties="duties"
      :volts="fed?.volts"
      :scale="scale"
      :width="width"
      :height="height"
    />
    <svg :width="width" :height="ribbonTop + ribbonHeight + 12" class="absolute overflow-visible">
      <g :transform="`translate(0 ${ribbonTop})`">
        <path v-if="ribbon" :d="ribbon.area" class="fill-[#3d5573]/60" />
        <path
          v-if="ribbon"
          :d="ribbon.line"
          fill="none"
          stroke-width="2"
          :class="isLow ? 'stroke-stop' : 'stroke-data'"
        />
        <line
          x1="0"
          :x2="endX"
          :y1="limitY"
          :y2="limitY"
          class="stroke-bench-soft"
          stroke-dasharray="2 4"
        />
        <text :x="endX + 8" y="3" class="fill-bench-soft text-[12px]">
          {{ formatQuantity(topV, 'V') }}
        </text>
        <text :x="endX + 8" :y="limitY + 4" class="fill-stop text-[12px]">
          {{ formatQuantity(limitV, 'V') }}
        </text>
      </g>
      <text
        :x="endX + 8"
        :y="top + 12"
        class="text-[13px] font-semibold"
        :class="fed === undefined || isLow ? 'fill-stop' : 'fill-ok'"
        data-testid="lowest"
      >
        {{ fed === undefined ? 'not fed' : formatQuantity(fed.minV, 'V') }}
      </text>
      <!-- Readings under the pointer; a double click brings power in there. -->
      <rect
        :y="top - 3"
        :width="Math.max(0, endX)"
        :height="height + ribbonHeight + 12"
        fill="transparent"
        tabindex="0"
        role="slider"
        class="cursor-crosshair outline-none focus-visible:stroke-glow"
        :aria-label="`${run.name}: read a light with the arrow keys, F feeds there`"
        :aria-valuenow="pointed ?? 0"
        :aria-valuetext="reading?.text ?? 'none'"
        :data-tape="run.id"
        @pointermove="point"
        @pointerleave="stopPointing"
        @blur="stopPointing"
        @keydown="onKey"
        @dblclick="addAt(hoverPad)"
      />
      <FeedFlags
        :run="run"
        :feeds="feeds"
        :leads="leads"
        :pieces="pieces"
        :width="width"
        :top="top"
        :chosen="chosen"
        @choose="emit('choose', $event)"
        @move="(feed, to, isDrag) => emit('move', feed, to, isDrag)"
        @remove="emit('remove', $event)"
      />
      <g v-if="reading" class="pointer-events-none">
        <line
          :x1="reading.x"
          :x2="reading.x"
          :y1="top"
          :y2="ribbonTop + toY(reading.volts)"
          class="stroke-bench-ink"
          stroke-opacity="0.6"
        />
        <circle
          :cx="reading.x"
          :cy="ribbonTop + toY(reading.volts)"
          r="3.5"
          class="fill-bench-ink"
        />
        <text
          :x="reading.x + (reading.x < width - readingWidth ? 9 : -9)"
          :y="ribbonTop + ribbonHeight + 8"
          :text-anchor="reading.x < width - readingWidth ? 'start' : 'end'"
          class="fill-bench-ink text-[12px]"
          data-testid="reading"
        >
          {{ reading.text }}
        </text>
      </g>
    </svg>
  </div>
</template>
