<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { levelIn } from '../../core/load/load'
import { layOut } from '../../core/measure/layout'
import type { MeasuredRun } from '../../core/measure/measure'
import type { Plan } from '../../core/plan/plan'
import { formatLength } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import DimensionChip from './DimensionChip.vue'
import { chipsOf } from './chips'
import { fit, pathOf, rulerStep } from './view'

const { plan } = defineProps<{ plan: Plan }>()

const store = usePlanStore()
const spotlight = useSpotlight()
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)

const padding = 34
const hues = ['#ffd27a', '#8ec5ff', '#ffae8c', '#b6e3a8', '#d9b8ff', '#ffe9c9']

const layout = computed(() =>
  layOut(store.measured.runs, Math.max(0.3, width.value / Math.max(1, height.value))),
)
const view = computed(() => fit(layout.value.box, width.value, height.value, padding))
const litMm = computed(() => new Map(store.tally?.runs.map((run) => [run.id, run.litMm])))
const brightness = computed(() => 0.3 + 0.7 * levelIn(plan, plan.scene.shown))
/** Names and dimensions show while a run has room for them. */
const isRoomy = computed(() => store.measured.runs.length <= 60)

interface Drawn {
  readonly run: MeasuredRun
  readonly x: number
  readonly y: number
  readonly hue: string
  readonly lit: readonly (readonly [fromMm: number, toMm: number])[]
  readonly litKey: string
}
const drawn = computed((): Drawn[] => {
  const { scale, x, y } = view.value
  const { placed } = layout.value
  return store.measured.runs.map((run, index) => {
    const [dx, dy] = placed[index]?.offset ?? [0, 0]
    const lit = litMm.value.get(run.id) ?? []
    return {
      run,
      x: Math.round((x + dx * scale) * 10) / 10,
      y: Math.round((y + dy * scale) * 10) / 10,
      hue: hues[index % hues.length] ?? '#ffd27a',
      lit,
      litKey: lit.join(),
    }
  })
})

const ruler = computed(() => {
  const mm = rulerStep(view.value.scale, 160)
  return { mm, px: mm * view.value.scale, label: formatLength(mm, plan.units) }
})

/** The lit part of a segment as a dash pattern over its whole length: a gap before it, and no end of one behind it. */
function dashes(lit: readonly [number, number] | undefined, lengthMm: number): string {
  const [from, to] = lit ?? [0, lengthMm]
  return `0 ${String(from / lengthMm)} ${String((to - from) / lengthMm)} 2`
}

const isLit = (id: string): boolean => spotlight.lit.has(id) || spotlight.chosen === id
</script>

<template>
  <section
    ref="frame"
    class="dots relative min-h-60 overflow-hidden rounded-lg bg-bench-raised"
    aria-label="Drawing"
  >
    <svg
      v-if="width > 0"
      class="absolute inset-0 size-full"
      role="img"
      aria-label="The runs to scale"
    >
      <!-- Places are worked into the paths: a transform for each run would be a layer for each run. -->
      <g
        v-for="{ run, x, y, hue, lit, litKey } in drawn"
        :key="run.id"
        v-memo="[run, x, y, view.scale, hue, litKey, brightness, isRoomy, isLit(run.id)]"
        class="cursor-pointer"
        :data-run="run.id"
        @pointerenter="spotlight.light([run.id])"
        @pointerleave="spotlight.dim"
        @click="spotlight.goTo(run.id)"
      >
        <g
          v-for="(segment, index) in run.segments"
          :key="index"
          :stroke="hue"
          fill="none"
          stroke-linecap="butt"
        >
          <path
            :d="pathOf(segment.points, view.scale, x, y)"
            stroke-width="1.5"
            stroke-opacity="0.5"
            stroke-dasharray="2 3"
          />
          <!-- Blurring is too slow for hundreds of runs: there the glow is a plain band. -->
          <path
            :d="pathOf(segment.points, view.scale, x, y)"
            pathLength="1"
            :class="isRoomy && 'blur-[7px]'"
            :stroke-width="isLit(run.id) ? 22 : 14"
            :stroke-opacity="(isRoomy ? 0.5 : 0.2) * brightness"
            :stroke-dasharray="dashes(lit[index], segment.lengthMm)"
          />
          <path
            :d="pathOf(segment.points, view.scale, x, y)"
            pathLength="1"
            :stroke-width="isLit(run.id) ? 5 : 3.5"
            :stroke-opacity="brightness"
            :stroke-dasharray="dashes(lit[index], segment.lengthMm)"
          />
        </g>
        <circle
          v-for="([lx, ly], index) in run.lights"
          :key="index"
          :cx="x + lx * view.scale"
          :cy="y + ly * view.scale"
          r="2.5"
          :fill="hue"
          :fill-opacity="brightness"
        />
        <text
          v-if="isRoomy"
          :x="x + run.box.x * view.scale"
          :y="y + run.box.y * view.scale - 15"
          class="fill-bench-ink text-[12.5px] font-semibold"
        >
          {{ run.name }}
        </text>
      </g>
    </svg>
    <template v-if="isRoomy">
      <template v-for="{ run, x, y } in drawn" :key="run.id">
        <DimensionChip
          v-for="chip in chipsOf(run, view.scale)"
          :key="`${run.id} ${chip.at}`"
          :run="run"
          :dimension="chip.dimension"
          :times="chip.times"
          :units="plan.units"
          :x="x + chip.x"
          :y="y + chip.y"
          :is-lit="isLit(run.id)"
        />
      </template>
    </template>

    <p
      v-if="store.measured.runs.length === 0"
      class="absolute inset-0 grid place-content-center gap-3 p-6 text-center text-bench-soft"
    >
      <span class="text-base text-bench-ink">Nothing to light yet</span>
      <span>
        Write what your tape reads on the pad, a line for each place:<br />
        <code class="mt-2 inline-block text-left font-mono text-[13px] leading-6 text-glow"
          >shelf 650<br />ledge 2 x 560<br />mirror ring 382</code
        >
      </span>
    </p>
    <div
      v-else-if="width > 0"
      class="pointer-events-none absolute bottom-2.5 left-3 text-[11px] text-bench-soft"
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
</style>
