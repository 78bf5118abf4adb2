<script setup lang="ts">
import { computed } from 'vue'
import type { Point } from '../../core/measure/geometry'
import { useSpotlight } from '../stores/spotlight'
import { entryAt, hueLayers, lightAt, type HueLayer } from './many-runs'
import { lightPx, nearRunPx, scatteredPx, type DrawnRun } from './run-drawing'
import { useRunHands, type Bench } from './use-run-hands'
import { dotsPath, pointerAt, toBench } from './view'

const { drawn, bench } = defineProps<{
  drawn: readonly DrawnRun[]
  brightness: number
  bench: Bench
}>()

const spotlight = useSpotlight()
const hands = useRunHands(bench)

const layers = computed<readonly HueLayer[]>((before) => hueLayers(drawn, before))
const shining = computed(() => {
  const { shining: ids } = spotlight
  return ids.size === 0 ? [] : drawn.filter(({ run }) => ids.has(run.id))
})

const pen = document.createElement('canvas').getContext('2d')
function isOnCourse(course: string, [x, y]: Point, widthMm: number): boolean {
  if (pen === null || course === '') return false
  pen.lineWidth = widthMm
  return pen.isPointInStroke(new Path2D(course), x, y)
}

const placeOf = (event: PointerEvent): Point =>
  toBench(bench.view(), pointerAt(bench.bounds(), event))
const mmPerPx = (): number => 1 / bench.view().scale
const under = (at: Point, { entries }: HueLayer): DrawnRun | undefined =>
  entryAt(entries, at, mmPerPx(), isOnCourse)

function point(event: PointerEvent, layer: HueLayer): void {
  if (event.buttons !== 0) return
  const entry = under(placeOf(event), layer)
  if (entry === undefined) spotlight.dim()
  else if (!spotlight.lit.has(entry.run.id)) spotlight.light([entry.run.id])
}

function grab(event: PointerEvent, layer: HueLayer): void {
  const at = placeOf(event)
  const entry = under(at, layer)
  if (entry === undefined) return
  const light = lightAt(entry.lights, at, mmPerPx())
  if (light === undefined || !hands.dragSpot(event, entry, light)) hands.dragRun(event, entry)
}
</script>

<!-- Runs where there are too many for names and handles: a path for each hue, since an element for each run would be gone through at every key stroke. -->
<template>
  <g fill="none">
    <g
      v-for="layer in layers"
      :key="layer.hue"
      class="cursor-move"
      :stroke="layer.hue"
      stroke-linecap="round"
      :stroke-opacity="brightness"
      @pointermove="point($event, layer)"
      @pointerleave="spotlight.dim"
      @pointerdown="grab($event, layer)"
    >
      <path :d="layer.course" stroke="none" :stroke-width="2 * nearRunPx" pointer-events="stroke" />
      <path :d="layer.litCourse" stroke-linecap="butt" stroke-width="3.5" />
      <path v-if="layer.lights" :d="layer.lights" :stroke-width="lightPx" />
      <path v-if="layer.scattered" :d="layer.scattered" :stroke-width="scatteredPx" />
    </g>
    <g
      v-for="entry in shining"
      :key="entry.run.id"
      class="pointer-events-none"
      :data-run="entry.run.id"
      :stroke="entry.hue"
      :stroke-opacity="brightness"
    >
      <path
        :d="entry.litCourse"
        stroke-linecap="round"
        stroke-linejoin="round"
        stroke-width="15"
        :stroke-opacity="0.26 * brightness"
      />
      <path :d="entry.litCourse" stroke-width="5" />
      <path
        v-if="entry.lights.length > 0"
        :d="dotsPath(entry.lights)"
        stroke-linecap="round"
        :stroke-width="(entry.run.shape === 'scatter' ? scatteredPx : lightPx) + 2"
      />
    </g>
  </g>
</template>
