<script setup lang="ts">
import { computed } from 'vue'
import { turned, type Point } from '../../core/measure/geometry'
import type { DrawnRun } from './run-drawing'
import { handlesOf } from './handles'
import type { Bench } from './use-run-hands'
import { useSizeHands } from './use-size-hands'
import { toScreen } from './view'

const { entry, bench } = defineProps<{ entry: DrawnRun; bench: Bench }>()

const hands = useSizeHands(bench)

/** The handle by which a run is turned stands above it. */
const turnHandle = computed(() => {
  const { box } = entry
  const [x, y] = toScreen(bench.view(), [box.x + box.width / 2, box.y])
  return { x, y: y - 34, foot: y - 6 }
})
const handles = computed(() => handlesOf(entry.run))
const shown = computed(() => {
  const { run, place } = entry
  const centre: Point = [run.box.x + run.box.width / 2, run.box.y + run.box.height / 2]
  return handles.value.map((handle) => {
    const [px, py] = turned(handle.point, centre, place.degrees)
    const [x, y] = toScreen(bench.view(), [px + place.x, py + place.y])
    return { ...handle, x, y }
  })
})
</script>

<!-- What turns and sizes the chosen run, on the screen. -->
<template>
  <g>
    <line
      :x1="turnHandle.x"
      :x2="turnHandle.x"
      :y1="turnHandle.y"
      :y2="turnHandle.foot"
      class="stroke-glow"
      stroke-opacity="0.6"
    />
    <circle
      :cx="turnHandle.x"
      :cy="turnHandle.y"
      r="6"
      class="cursor-grab fill-bench stroke-glow"
      stroke-width="2"
      data-handle="turn"
      @pointerdown="hands.dragTurn($event, entry)"
    />
    <rect
      v-for="handle in shown"
      :key="handle.dimension"
      :x="handle.x - 6"
      :y="handle.y - 6"
      width="12"
      height="12"
      rx="2"
      tabindex="0"
      role="button"
      :aria-label="`Size of ${entry.run.name}: change it with the arrow keys`"
      :data-handle="handle.dimension"
      class="cursor-ew-resize fill-bench stroke-glow outline-none focus-visible:fill-glow"
      stroke-width="2"
      @pointerdown="hands.dragHandle($event, entry, handle)"
      @keydown="hands.handleKey($event, entry, handle)"
    />
  </g>
</template>
