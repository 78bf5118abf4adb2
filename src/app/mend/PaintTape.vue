<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Painted } from '../../core/mend/seen'
import type { Stretch } from '../../core/mend/run-states'
import { plural } from '../../core/quantity/format'
import type { PaintRun } from '../engine/mend.worker'
import { lookWords, stateText, whenWords } from './looks'

const { run, painted, expected, width, isReadOnly, isTall } = defineProps<{
  run: PaintRun
  painted: readonly Painted[]
  /** What a suspect would look like. */
  expected?: readonly Stretch[] | undefined
  /** px */
  width: number
  isReadOnly?: boolean
  /** Room for a finger. */
  isTall?: boolean
}>()
const emit = defineEmits<{
  paint: [from: number, count: number]
  /** A place on a tape that is only read. */
  point: [pixel: number]
}>()

const top = 12
const height = computed(() => (isTall ? 32 : 17))
const px = computed(() => width / Math.max(1, run.count))
const id = computed(() => `paint-${run.id}`)

/** What lies between the pointer's first and its present pixel, or is chosen by keys. */
const anchor = ref<number>()
const cursor = ref(0)
const isDragging = ref(false)
const chosen = computed(() => {
  const from = Math.min(anchor.value ?? cursor.value, cursor.value)
  return { from, count: Math.abs((anchor.value ?? cursor.value) - cursor.value) + 1 }
})
const hasFocus = ref(false)

const pixelAt = (event: PointerEvent): number => {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const share = (event.clientX - box.left) / Math.max(1, box.width)
  return Math.min(run.count - 1, Math.max(0, Math.floor(share * run.count)))
}
function begin(event: PointerEvent): void {
  if (event.button !== 0) return
  if (isReadOnly) {
    emit('point', pixelAt(event))
    return
  }
  const target = event.currentTarget as SVGElement
  target.setPointerCapture(event.pointerId)
  anchor.value = pixelAt(event)
  cursor.value = anchor.value
  isDragging.value = true
}
function drag(event: PointerEvent): void {
  if (isDragging.value) cursor.value = pixelAt(event)
}
function end(): void {
  if (!isDragging.value) return
  isDragging.value = false
  paint()
}
function cancel(): void {
  isDragging.value = false
  anchor.value = undefined
}
function paint(): void {
  const { from, count } = chosen.value
  anchor.value = undefined
  emit('paint', from, count)
}

function onKey(event: KeyboardEvent): void {
  if (isReadOnly) return
  const steps: Readonly<Record<string, number>> = {
    ArrowRight: 1,
    ArrowLeft: -1,
    PageUp: 10,
    PageDown: -10,
    Home: -run.count,
    End: run.count,
  }
  const step = steps[event.key]
  if (step !== undefined) {
    event.preventDefault()
    if (event.shiftKey) anchor.value ??= cursor.value
    else anchor.value = undefined
    cursor.value = Math.min(run.count - 1, Math.max(0, cursor.value + step))
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault()
    paint()
  } else if (event.key === 'Escape') anchor.value = undefined
}

const stateAt = (pixel: number): string => {
  const own = painted.find(([from, count]) => pixel >= from && pixel < from + count)
  return own === undefined ? 'not painted' : stateText(own)
}
const valueText = computed(() => {
  const { from, count } = chosen.value
  return count === 1
    ? `${run.unit} ${String(from + 1)} of ${String(run.count)}: ${stateAt(from)}`
    : `${plural(count, run.unit)} chosen, ${String(from + 1)} to ${String(from + count)}`
})
/** Where what a suspect would show and what is painted do not go together. */
const misses = computed(() =>
  (expected ?? []).flatMap(([from, count, state]) =>
    painted.flatMap(([start, length, own]) => {
      const [a, b] = [Math.max(from, start), Math.min(from + count, start + length)]
      return a < b && own !== state ? [{ from: a, count: b - a }] : []
    }),
  ),
)
/** One row of dots where there is room for them. */
const hasDots = computed(() => px.value >= 3)
</script>

<template>
  <svg
    class="block touch-pan-y overflow-visible rounded select-none"
    :class="isReadOnly ? '' : 'cursor-crosshair'"
    :width="width"
    :height="height + 22"
    role="slider"
    :tabindex="isReadOnly ? -1 : 0"
    :aria-label="`${run.name}: what you see`"
    aria-valuemin="1"
    :aria-valuemax="run.count"
    :aria-valuenow="cursor + 1"
    :aria-valuetext="valueText"
    :aria-readonly="isReadOnly"
    @pointerdown="begin"
    @pointermove="drag"
    @pointerup="end"
    @pointercancel="cancel"
    @keydown="onKey"
    @focus="hasFocus = true"
    @blur="hasFocus = false"
  >
    <defs>
      <pattern
        :id="`${id}-dots`"
        patternUnits="userSpaceOnUse"
        :width="px"
        :height="height"
        :y="top"
      >
        <circle
          :cx="px / 2"
          :cy="height / 2"
          :r="Math.min(3, px * 0.34)"
          class="fill-bench-soft/40"
        />
      </pattern>
    </defs>
    <template v-for="piece in run.pieces" :key="piece.name">
      <text
        v-if="piece.count * px > 22"
        :x="piece.from * px + 1"
        y="9"
        class="fill-bench-soft text-[12px]"
      >
        {{ piece.name }}
      </text>
      <line
        :x1="piece.from * px"
        :x2="piece.from * px"
        :y1="top - 4"
        :y2="top + height"
        class="stroke-bench-line"
      />
    </template>
    <rect :y="top" :width="width" :height="height" rx="2" class="fill-[#2a2823]" />
    <rect v-if="hasDots" :y="top" :width="width" :height="height" :fill="`url(#${id}-dots)`" />
    <g v-for="[from, count, state, when] in painted" :key="from" :data-painted="state">
      <rect
        :x="from * px"
        :y="top"
        :width="count * px"
        :height="height"
        :fill="lookWords[state].fill"
        :fill-opacity="state === 'right' ? 0.75 : 0.85"
      />
      <text
        v-if="count * px > 16"
        :x="(from + count / 2) * px"
        :y="top + height / 2 + 4.5"
        text-anchor="middle"
        class="pointer-events-none text-[12px] font-bold"
        :class="state === 'dark' ? 'fill-bench-ink' : 'fill-bench'"
      >
        {{ lookWords[state].sign }}
        <tspan v-if="when && when !== 'always' && count * px > 130" font-weight="500">
          {{ whenWords[when] }}
        </tspan>
      </text>
    </g>
    <rect
      v-if="isDragging || (hasFocus && !isReadOnly)"
      :x="chosen.from * px"
      :y="top - 2"
      :width="Math.max(2, chosen.count * px)"
      :height="height + 4"
      rx="2"
      class="pointer-events-none fill-glow/20 stroke-glow"
      stroke-width="1.5"
    />
    <template v-if="expected">
      <g v-for="[from, count, state] in expected" :key="from">
        <rect
          :x="from * px"
          :y="top + height + 2"
          :width="count * px"
          height="4"
          :fill="lookWords[state].fill"
        />
      </g>
      <rect
        v-for="miss in misses"
        :key="miss.from"
        :x="miss.from * px"
        :y="top + height + 7"
        :width="Math.max(1.5, miss.count * px)"
        height="2.5"
        class="fill-stop"
      >
        <title>does not fit</title>
      </rect>
    </template>
  </svg>
</template>
