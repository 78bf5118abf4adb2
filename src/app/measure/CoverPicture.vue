<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { covered, coverRange, sureWithinMm } from '../../core/measure/cover'
import type { MeasuredRun } from '../../core/measure/measure'
import type { NodeObject } from '../../core/plan/plan'
import { formatLength, plural, type LengthUnits } from '../../core/quantity/format'

const { run, object } = defineProps<{
  run: MeasuredRun
  object: NodeObject
  units: LengthUnits
}>()

const picture = useTemplateRef<SVGSVGElement>('picture')
const edge = computed(() => Math.max(object.mm / 2, run.box.width / 24, run.box.height / 24) + 6)
const frame = computed(() => ({
  x: run.box.x - edge.value,
  y: run.box.y - edge.value,
  width: run.box.width + 2 * edge.value,
  height: run.box.height + 2 * edge.value,
}))
/** Where the middle of it lies, within the outermost lights. */
const chosen = ref<readonly [x: number, y: number]>()
const at = computed(
  () => chosen.value ?? ([run.box.x + run.box.width / 2, run.box.y + run.box.height / 2] as const),
)
const under = computed(() => new Set(covered(run.lights, object, at.value)))
const range = computed(() => coverRange(run.lights, object))
const dot = computed(() => Math.max(frame.value.width, frame.value.height) / 90)

function put([x, y]: readonly [number, number]): void {
  const { box } = run
  chosen.value = [
    Math.min(box.x + box.width, Math.max(box.x, x)),
    Math.min(box.y + box.height, Math.max(box.y, y)),
  ]
}
function drag(event: PointerEvent): void {
  if (event.buttons === 0) return
  const box = picture.value?.getBoundingClientRect()
  if (box === undefined) return
  const { x, y, width, height } = frame.value
  put([
    x + ((event.clientX - box.left) / box.width) * width,
    y + ((event.clientY - box.top) / box.height) * height,
  ])
}
const moves: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
function nudge(event: KeyboardEvent): void {
  const move = moves[event.key]
  if (move === undefined) return
  event.preventDefault()
  const by = Math.max(run.box.width, run.box.height) / 40
  put([at.value[0] + move[0] * by, at.value[1] + move[1] * by])
}
</script>

<!-- What lies on the lights: drag it about and see which answer. -->
<template>
  <figure>
    <svg
      ref="picture"
      class="block max-h-64 w-full touch-none rounded-md bg-bench"
      :viewBox="`${frame.x} ${frame.y} ${frame.width} ${frame.height}`"
      role="slider"
      tabindex="0"
      aria-label="What lies on the lights; arrow keys move it"
      :aria-valuenow="under.size"
      :aria-valuetext="`${plural(under.size, 'light')} under it`"
      @pointerdown="drag"
      @pointermove="drag"
      @keydown="nudge"
    >
      <rect
        :x="at[0] - object.mm / 2"
        :y="at[1] - object.mm / 2"
        :width="object.mm"
        :height="object.mm"
        :rx="object.shape === 'round' ? object.mm / 2 : dot"
        class="cursor-grab fill-data/20 stroke-data"
        :stroke-width="dot / 2"
      />
      <circle
        v-for="(light, index) in run.lights"
        :key="index"
        :cx="light[0]"
        :cy="light[1]"
        :r="under.has(index) ? dot * 1.5 : dot"
        class="pointer-events-none"
        :class="under.has(index) ? 'fill-glow' : 'fill-bench-soft'"
      />
    </svg>
    <figcaption class="mt-1 text-[12px] text-bench-soft" data-testid="cover-answer">
      <b class="text-bench-ink">{{ plural(under.size, 'node') }}</b> answer here; wherever its
      middle lies between the outermost, {{ range.least }} to {{ range.most }}.
      <template v-if="range.least === 0">
        Nodes at most {{ formatLength(Math.floor(sureWithinMm(object)), units) }} apart are sure of
        one.
      </template>
    </figcaption>
  </figure>
</template>
