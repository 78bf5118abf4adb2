<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import type { Strip } from '../../core/plan/parts'
import type { TallyLaneRun } from '../../core/signal/tally-signal'
import type { TallyRun } from '../../core/tally'
import { lightPitchMm } from '../../core/parts/light-pitch'
import { drawnPieces } from '../tape/tape'

const { run, lane, strip, scale } = defineProps<{
  run: TallyRun
  lane: TallyLaneRun
  strip: Strip
  /** px a mm */
  scale: number
  width: number
  isLit: boolean
}>()

/** Of hundreds of tapes only those near the window are drawn. */
const root = useTemplateRef<SVGSVGElement>('root')
const isNear = useElementVisibility(root, { rootMargin: '400px' })

const top = 16
const height = 15
const pieces = computed(() => drawnPieces(run.pieces, scale))
const lightPx = computed(() => lightPitchMm(strip) * scale)
const perCut = computed(() => (strip.light.kind === 'pixels' ? strip.light.perCut : 1))

/** Where a pixel of the run is drawn. */
function xOf(pixel: number): number {
  let before = 0
  for (const { piece, stripX } of pieces.value) {
    if (pixel < before + piece.pixels || piece === pieces.value.at(-1)?.piece)
      return stripX + ((pixel - before) / perCut.value) * strip.cutPitchMm * scale
    before += piece.pixels
  }
  return 0
}
const endX = computed(() => xOf(run.pixels))
/** Numbers at the first pixel, at the last, and at round ones between, so that they stay apart. */
const numbers = computed(() => {
  const { first, pixels } = lane
  const every = [10, 20, 50, 100, 200, 500, 1000].find((step) => step * lightPx.value > 52) ?? 5000
  const between: number[] = []
  for (
    let number = Math.ceil((first + 1) / every) * every;
    number < first + pixels;
    number += every
  )
    between.push(number)
  return between
    .filter((number) => xOf(number - first) > 34 && xOf(number - first) < endX.value - 40)
    .map((number) => ({ number, x: xOf(number - first) }))
})
const arrow = computed(() => {
  const step = Math.max(60, endX.value / 4)
  return Array.from({ length: Math.max(1, Math.floor(endX.value / step)) }, (_, index) => ({
    x: Math.min(endX.value - 8, step * (index + 0.5)),
  }))
})
const id = computed(() => `lane-tape-${run.id}`)
</script>

<template>
  <svg
    ref="root"
    :width="width"
    height="50"
    class="block overflow-visible"
    role="img"
    :aria-label="`${run.name}: pixels ${lane.first} to ${lane.first + lane.pixels - 1}`"
  >
    <template v-if="isNear">
      <defs>
        <pattern :id="id" patternUnits="userSpaceOnUse" :width="lightPx" :height="height" :y="top">
          <circle
            :cx="lightPx / 2"
            :cy="height / 2"
            :r="Math.max(0.5, Math.min(2.2, lightPx * 0.34))"
            class="fill-[#fff3d6]"
          />
        </pattern>
      </defs>
      <g v-for="{ piece, stripX, stripWidth } in pieces" :key="piece.name">
        <g :transform="`translate(${stripX} 0)`">
          <rect
            :y="top"
            :width="stripWidth"
            :height="height"
            rx="1.5"
            class="fill-[#3d372f]"
            :class="isLit ? 'stroke-glow' : 'stroke-bench-line'"
          />
          <rect :y="top" :width="stripWidth" :height="height" :fill="`url(#${id})`" />
        </g>
      </g>
      <g v-for="([from, to], index) in lane.dark" :key="index">
        <rect
          :x="xOf(from)"
          :y="top - 1"
          :width="Math.max(2, xOf(to) - xOf(from))"
          :height="height + 2"
          class="fill-bench/85 stroke-bench-soft"
          stroke-dasharray="2 2"
        >
          <title>Dark: {{ lane.first + from }} to {{ lane.first + to - 1 }}</title>
        </rect>
      </g>
      <!-- The arrow that is printed on the strip. -->
      <path
        v-for="({ x }, index) in arrow"
        :key="index"
        :d="`M${x - 4} ${top + 2.5}l6 5l-6 5`"
        fill="none"
        stroke-width="1.8"
        :class="lane.isAgainstArrow ? 'stroke-stop' : 'stroke-data'"
      />
      <!-- Where the data wire comes in. -->
      <path
        :d="
          lane.isAgainstArrow
            ? `M${endX + 16} ${top + height / 2}h-11l4 -4m-4 4l4 4`
            : `M-14 ${top + height / 2}h11l-4 -4m4 4l-4 4`
        "
        fill="none"
        class="stroke-glow"
        stroke-width="2"
      />
      <text x="0" :y="top + height + 14" class="fill-glow text-[12px] font-semibold">
        {{ lane.first }}
      </text>
      <g v-for="{ number, x } in numbers" :key="number">
        <path :d="`M${x} ${top + height}v4`" class="stroke-bench-soft" />
        <text :x="x + 2" :y="top + height + 14" class="fill-bench-soft text-[12px]">
          {{ number }}
        </text>
      </g>
      <text
        v-if="endX > 60"
        :x="endX"
        :y="top + height + 14"
        text-anchor="end"
        class="fill-glow text-[12px] font-semibold"
      >
        {{ lane.first + lane.pixels - 1 }}
      </text>
    </template>
  </svg>
</template>
