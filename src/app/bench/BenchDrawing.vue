<script setup lang="ts">
import { useElementSize, useMediaQuery } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, defineAsyncComponent, shallowRef, useTemplateRef } from 'vue'
import { sourcePlaces } from '../../core/measure/source-places'
import { levelIn } from '../../core/load/load'
import { boxAround, type Point } from '../../core/measure/geometry'
import type { Furniture } from '../../core/plan/plan'
import { formatLength } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import { apart, chipLabel, chipsOf } from './chips'
import { nameAbove, nameRoom, sourceBoxes } from './labels'
import { drawnRuns, lightPx, nearRunPx, scatteredPx, type DrawnRun } from './run-drawing'
import type { Guide } from './snap'
import { useDrag } from './use-drag'
import { usePinch } from './use-pinch'
import { useRunHands, type Bench } from './use-run-hands'
import { useThingHands } from './use-thing-hands'
import { usePanZoom } from './use-pan-zoom'
import { dotsPath, pointerAt, rulerStep, toBench, toScreen } from './view'

const plan = useOpenPlan()

// What comes with the figures, or with a hand that chooses something.
const BenchWires = defineAsyncComponent(() => import('./BenchWires.vue'))
const RunHandles = defineAsyncComponent(() => import('./RunHandles.vue'))
const SourceBoxes = defineAsyncComponent(() => import('./SourceBoxes.vue'))
const BenchTools = defineAsyncComponent(() => import('./BenchTools.vue'))
const EmptyGuide = defineAsyncComponent(() => import('../plans/EmptyGuide.vue'))
const DimensionChip = defineAsyncComponent(() => import('./DimensionChip.vue'))
const ManyRuns = defineAsyncComponent(() => import('./ManyRuns.vue'))
const PhotoLayer = defineAsyncComponent(() => import('./PhotoLayer.vue'))
const ThingPanel = defineAsyncComponent(() => import('./ThingPanel.vue'))
const WhatIfPanel = defineAsyncComponent(() => import('./WhatIfPanel.vue'))

const store = usePlanStore()
const spotlight = useSpotlight()
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
const startDrag = useDrag()

const sources = computed(() => sourcePlaces(plan.value, store.layout))
/** All that is to be seen: the runs, supplies and board, the room, the photo. */
const wholeBox = computed(() => {
  const { box } = store.layout
  const { photo } = plan.value.bench
  return boxAround([
    [box.x, box.y],
    [box.x + box.width, box.y + box.height],
    ...(store.measured.runs.length > 0
      ? [
          ...sources.value.supplies.values(),
          ...sources.value.junctions.values(),
          sources.value.controller,
        ]
      : []),
    ...(photo === undefined
      ? []
      : ([
          photo.at,
          [
            photo.at[0] + photo.widthPx * photo.mmPerPx,
            photo.at[1] + photo.heightPx * photo.mmPerPx,
          ],
        ] as Point[])),
  ])
})
/** For fingers the tools at the top are higher: names of what is drawn stay below them. */
const isForFingers = useMediaQuery('(pointer: coarse)')
const { view, isFitted, fitAll, pan, zoom } = usePanZoom({
  box: () => wholeBox.value,
  width: () => width.value,
  height: () => height.value,
  padding: 46,
  top: () => (isForFingers.value ? 78 : undefined),
})

const { isLit } = spotlight
const { shining } = storeToRefs(spotlight)
const litMm = computed(() => new Map(store.tally?.runs.map((run) => [run.id, run.litMm])))
const brightness = computed(() => 0.3 + 0.7 * levelIn(plan.value, plan.value.scene.shown))
/** Names, dimensions and what can be grabbed show while a run has room for them. */
const isRoomy = computed(() => store.measured.runs.length <= 60)
const drawn = computed<readonly DrawnRun[]>((before) =>
  drawnRuns(store.measured.runs, store.layout, litMm.value, before),
)
const chosen = computed(() => {
  const id = spotlight.chosen
  return drawn.value.find(({ run }) => run.id === id)
})
const scale = computed(() => view.value.scale)
const boxes = computed(() =>
  sourceBoxes(plan.value, sources.value, store.tally?.supplies ?? [], scale.value),
)
/** Those of the chosen run come first where there is not room for all. */
const chips = computed(() => {
  const first = chosen.value
  const entries = first === undefined ? drawn.value : [first, ...drawn.value]
  return apart(
    [...new Set(entries)].flatMap((entry) =>
      chipsOf(entry, scale.value).map((chip) => ({
        ...chip,
        run: entry.run,
        label: chipLabel(entry.run, chip, plan.value.units),
        isChosen: entry === first,
      })),
    ),
    [
      ...drawn.value.map((entry) => nameRoom(entry, scale.value)),
      ...boxes.value.map(({ room }) => room),
    ],
  )
})
const ruler = computed(() => {
  const mm = rulerStep(view.value.scale, 160)
  return { mm, px: mm * view.value.scale, label: formatLength(mm, plan.value.units) }
})

/** A dimension that would stick out a little at the right is brought in. */
const inView = (x: number): number => Math.max(x - 24, Math.min(x, width.value - 40))

/** The measure that is asked about: what if it were another. */
const asked = shallowRef<{ readonly id: string; readonly dimension: number }>()
const askedRun = computed(() => store.measured.runs.find(({ id }) => id === asked.value?.id))

const guides = shallowRef<readonly Guide[]>([])
function pick(id: string | undefined): void {
  things.picked.value = undefined
  spotlight.choose(id)
}
const bench: Bench = {
  view: () => view.value,
  drawn: () => drawn.value,
  bounds: () => frame.value?.getBoundingClientRect(),
  guides,
  pick,
}
const hands = useRunHands(bench)
const things = useThingHands(bench)
const { thing } = things

function dragBench(event: PointerEvent): void {
  const from = view.value
  startDrag(event, {
    move: (dx, dy) => {
      pan(from, dx, dy)
    },
    end: (isClick) => {
      if (isClick) pick(undefined)
    },
  })
}
usePinch(frame, { view: () => view.value, pan, zoom })
function wheel(event: WheelEvent): void {
  zoom(Math.exp(-event.deltaY * 0.0015), pointerAt(bench.bounds(), event))
}

function addThing(kind: Furniture['kind'], id: string): void {
  things.add(kind, id, toBench(view.value, [width.value / 2, height.value / 2]))
}

const facingSigns = { wall: '', down: ' ↓', up: ' ↑', room: ' ⊙' } as const
const transform = computed(
  () =>
    `matrix(${String(view.value.scale)} 0 0 ${String(view.value.scale)} ${String(view.value.x)} ${String(view.value.y)})`,
)
</script>

<template>
  <section
    ref="frame"
    data-prints-as-shown
    class="dots night relative min-h-60 touch-none overflow-hidden rounded-lg bg-bench-raised"
    aria-label="Drawing"
    @pointerdown.self="dragBench"
    @wheel.prevent="wheel"
  >
    <svg
      v-if="width > 0"
      class="absolute inset-0 size-full select-none"
      role="group"
      aria-label="The runs to scale"
      @pointerdown.self="dragBench"
    >
      <!-- In millimetres; a pan or zoom changes this one matrix and nothing else. -->
      <g :transform="transform" class="bench-strokes">
        <PhotoLayer v-if="plan.bench.photo" :photo="plan.bench.photo" />
        <g
          v-for="item in plan.bench.furniture"
          :key="item.id"
          :transform="`translate(${item.place.x} ${item.place.y}) rotate(${item.place.degrees} ${item.widthMm / 2} ${item.heightMm / 2})`"
          class="cursor-move outline-none [&:focus-visible>*]:stroke-glow"
          tabindex="0"
          role="button"
          :aria-label="`${item.name}: move with the arrow keys`"
          @pointerdown="things.drag($event, item.id, false)"
          @focus="things.picked.value = item.id"
          @keydown="things.key($event, item.id)"
        >
          <ellipse
            v-if="item.kind === 'circle'"
            :cx="item.widthMm / 2"
            :cy="item.heightMm / 2"
            :rx="item.widthMm / 2"
            :ry="item.heightMm / 2"
            class="fill-white/[0.02]"
            :class="thing?.id === item.id ? 'stroke-glow' : 'stroke-[#4b5062]'"
          />
          <rect
            v-else
            :width="item.widthMm"
            :height="item.heightMm"
            :class="[
              thing?.id === item.id ? 'stroke-glow' : 'stroke-[#4b5062]',
              item.kind === 'wall' ? 'fill-white/[0.07]' : 'fill-white/[0.02]',
            ]"
          />
        </g>
        <BenchWires v-if="store.tally" :tally="store.tally" :drawn="drawn" :is-roomy="isRoomy" />
        <template v-if="isRoomy">
          <g
            v-for="entry in drawn"
            :key="entry.run.id"
            v-memo="[entry, brightness, shining.has(entry.run.id)]"
            class="cursor-move outline-none [&:focus-visible>.halo]:stroke-white"
            :data-run="entry.run.id"
            tabindex="0"
            role="button"
            :aria-label="`${entry.run.name}: move with the arrow keys, turn with R`"
            fill="none"
            :stroke="entry.hue"
            @pointerenter="spotlight.light([entry.run.id])"
            @pointerleave="spotlight.dim"
            @pointerdown="hands.dragRun($event, entry)"
            @focus="pick(entry.run.id)"
            @keydown="hands.runKey($event, entry)"
          >
            <path
              :d="entry.course"
              stroke="none"
              :stroke-width="2 * nearRunPx"
              pointer-events="stroke"
            />
            <path
              :d="entry.course"
              stroke-width="1.5"
              stroke-opacity="0.5"
              stroke-dasharray="2 3"
            />
            <!-- A glow of bands: blurring is too slow for dozens of runs. -->
            <path
              v-for="band in [34, 27, 21]"
              :key="band"
              :d="entry.litCourse"
              stroke-linecap="round"
              stroke-linejoin="round"
              :stroke-width="band"
              :stroke-opacity="(shining.has(entry.run.id) ? 0.07 : 0.04) * brightness"
            />
            <path
              class="halo"
              :d="entry.litCourse"
              stroke-linecap="round"
              stroke-linejoin="round"
              :stroke-width="shining.has(entry.run.id) ? 15 : 12"
              :stroke-opacity="(shining.has(entry.run.id) ? 0.26 : 0.14) * brightness"
            />
            <path
              :d="entry.litCourse"
              :stroke-width="shining.has(entry.run.id) ? 5 : 3.5"
              :stroke-opacity="brightness"
            />
            <path
              v-for="(light, index) in entry.lights"
              :key="index"
              :d="dotsPath([light])"
              stroke-linecap="round"
              :stroke-width="entry.run.shape === 'scatter' ? scatteredPx : lightPx"
              :stroke-opacity="brightness"
              @pointerdown="hands.dragSpot($event, entry, index)"
            />
          </g>
        </template>
        <ManyRuns v-else :drawn="drawn" :brightness="brightness" :bench="bench" />
      </g>

      <g v-if="isRoomy" class="pointer-events-none">
        <template v-for="entry in drawn" :key="entry.run.id">
          <text
            :x="toScreen(view, [entry.box.x, 0])[0]"
            :y="toScreen(view, [0, entry.box.y])[1] - nameAbove"
            class="fill-bench-ink text-[12.5px] font-semibold"
          >
            {{ entry.run.name }}{{ facingSigns[entry.run.line.mount?.facing ?? 'wall'] }}
          </text>
          <path
            v-if="entry.start && entry.run.segments.length > 0"
            d="M-11 -5l8 5l-8 5z"
            class="fill-data"
            :transform="`translate(${toScreen(view, entry.start).join(' ')}) rotate(${entry.heading})`"
          />
        </template>
        <text
          v-for="item in plan.bench.furniture"
          :key="item.id"
          :x="toScreen(view, [item.place.x + item.widthMm / 2, 0])[0]"
          :y="toScreen(view, [0, item.place.y + item.heightMm / 2])[1] + 4"
          text-anchor="middle"
          class="fill-[#8b8fa2] text-[12px]"
        >
          {{ item.name }}
        </text>
      </g>
      <line
        v-for="guide in guides"
        :key="guide.axis"
        class="stroke-data"
        stroke-dasharray="3 3"
        :x1="guide.axis === 'x' ? toScreen(view, [guide.at, 0])[0] : 0"
        :x2="guide.axis === 'x' ? toScreen(view, [guide.at, 0])[0] : width"
        :y1="guide.axis === 'y' ? toScreen(view, [0, guide.at])[1] : 0"
        :y2="guide.axis === 'y' ? toScreen(view, [0, guide.at])[1] : height"
      />
      <RunHandles v-if="chosen && isRoomy" :entry="chosen" :bench="bench" />
      <rect
        v-if="thing"
        :x="toScreen(view, [thing.place.x + thing.widthMm, 0])[0] - 6"
        :y="toScreen(view, [0, thing.place.y + thing.heightMm])[1] - 6"
        width="12"
        height="12"
        rx="2"
        class="cursor-nwse-resize fill-bench stroke-glow"
        stroke-width="2"
        @pointerdown="things.drag($event, thing.id, true)"
      />
    </svg>
    <template v-if="isRoomy && store.measured.runs.length > 0">
      <SourceBoxes :boxes="boxes" :view="view" />
      <DimensionChip
        v-for="{ run, dimension, at, label, x, y } in chips"
        :key="`${run.id} ${at}`"
        :run="run"
        :dimension="dimension"
        :label="label"
        :x="inView(view.x + x)"
        :y="view.y + y"
        :is-lit="isLit(run.id)"
        @what-if="asked = { id: run.id, dimension }"
      />
    </template>
    <WhatIfPanel
      v-if="asked && askedRun"
      :key="`${asked.id} ${asked.dimension}`"
      :run="askedRun"
      :dimension="asked.dimension"
      @close="asked = undefined"
    />
    <BenchTools
      :is-fitted="isFitted"
      :view="view"
      :size="[width, height]"
      @fit="fitAll"
      @zoom="zoom"
      @add="addThing"
    />
    <ThingPanel
      v-if="thing"
      :key="thing.id"
      :thing="thing"
      @close="things.picked.value = undefined"
    />

    <EmptyGuide
      v-if="store.measured.runs.length === 0"
      class="pointer-events-none absolute inset-0 max-[899px]:hidden"
    />
    <div
      v-else-if="width > 0"
      class="pointer-events-none absolute bottom-2.5 left-3 text-[12px] text-bench-soft"
    >
      <div
        class="mb-1 h-1.5 border-x border-b border-bench-soft"
        :style="{ width: `${ruler.px}px` }"
      />
      {{ ruler.label }}
    </div>
  </section>
</template>

<style scoped>
.dots {
  background-image: radial-gradient(#ffffff12 1px, transparent 1px);
  background-size: 26px 26px;
}

.bench-strokes :deep(path),
.bench-strokes :deep(rect),
.bench-strokes :deep(ellipse) {
  vector-effect: non-scaling-stroke;
}
</style>
