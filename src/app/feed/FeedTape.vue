<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef, watchEffect } from 'vue'
import { weakestAt } from '../../core/feed/brightness'
import { loadsPerGroup } from '../../core/load/group-draw'
import { padOf } from '../../core/plan/feeds'
import { groupDraw } from '../../core/load/group-draw'
import { dutiesIn } from '../../core/load/load'
import { wireOf } from '../../core/parts/wires'
import type { Strip } from '../../core/plan/parts'
import type { Feed, Line, Plan } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { TallyFeed, TallyLead, TallyRun } from '../../core/tally'
import { useDrag } from '../bench/use-drag'
import { drawnPieces, markEvery } from '../tape/tape'
import { colourAt, loadPlaces, padAt, padX, ribbonPath } from './feed-tape'

const { plan, run, line, strip, fed, feeds, leads, scale, width, topV, limitV, bottomV } =
  defineProps<{
    plan: Plan
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
    isLit: boolean
  }>()
const emit = defineEmits<{
  choose: [feed: string | undefined]
  move: [feed: string, pad: Feed['pad'], isDrag: boolean]
  add: [pad: Feed['pad']]
  remove: [feed: string]
}>()

const startDrag = useDrag()
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const top = 22
const height = 16
const ribbonTop = top + height + 6
const ribbonHeight = 30

const pieces = computed(() => drawnPieces(run.pieces, scale))
const places = computed(() => loadPlaces(pieces.value, strip))
/** The same list while nothing in it changes: a flag that is dragged must not have every run's lights drawn anew. */
const duties = computed((last?: readonly number[]): readonly number[] => {
  const next = dutiesIn(plan, plan.scene.shown, line, strip)
  return last?.join() === next.join() ? last : next
})
const endX = computed(() => padX(pieces.value, run.cuts))

const toY = (volts: number): number => {
  const share = (topV - volts) / Math.max(1e-9, topV - bottomV)
  return Math.max(0, Math.min(1, share)) * ribbonHeight
}
const ribbon = computed(() =>
  fed === undefined ? undefined : ribbonPath(places.value, fed.volts, toY),
)
const limitY = computed(() => toY(limitV))
const isLow = computed(() => fed !== undefined && fed.minV < limitV - 1e-9)

/** The strip with its lights in the colours that they really have. */
watchEffect(() => {
  const element = canvas.value
  const context = element?.getContext('2d')
  if (!element || !context) return
  const ratio = window.devicePixelRatio || 1
  element.width = Math.ceil(width * ratio)
  element.height = Math.ceil((height + 8) * ratio)
  context.setTransform(ratio, 0, 0, ratio, 0, 0)
  context.clearRect(0, 0, width, height + 8)
  for (const { stripX, stripWidth } of pieces.value) {
    context.fillStyle = '#2c2822'
    context.fillRect(stripX, 0, stripWidth, height)
    context.fillStyle = '#8b8fa2'
    const step = markEvery(strip, scale) * strip.cutPitchMm * scale
    for (let x = stripX; x <= stripX + stripWidth + 0.5; x += step)
      context.fillRect(x, height + 1, 1, 4)
  }
  const at = places.value
  const gap = at.length > 1 ? Math.abs((at[1] ?? 0) - (at[0] ?? 0)) : 8
  const radius = Math.max(0.7, Math.min(3, gap * 0.38))
  const volts = fed?.volts
  const [own, burning] = [strip, duties.value]
  // To a hundredth of a volt lights look alike.
  const known = new Map<number, string>()
  const colourOf = (v: number): string => {
    const key = Math.round(v * 100)
    const found = known.get(key) ?? colourAt(own, burning, v)
    known.set(key, found)
    return found
  }
  for (let index = 0; index < at.length; index += 1) {
    context.fillStyle = volts === undefined ? '#3a3a44' : colourOf(volts[index] ?? 0)
    if (radius < 1.2) context.fillRect((at[index] ?? 0) - radius, height / 2 - 3, 2 * radius, 6)
    else {
      context.beginPath()
      context.arc(at[index] ?? 0, height / 2, radius, 0, 2 * Math.PI)
      context.fill()
    }
  }
})

interface Flag {
  readonly feed: Feed
  readonly pad: number
  readonly x: number
  readonly text: string
  readonly currentA: number | undefined
}
const flags = computed((): Flag[] =>
  feeds.map((feed) => {
    const pad = padOf(feed, run.cuts)
    const leadId = `${run.id}.${feed.id}`
    const lead = leads.find(({ id }) => id === leadId)
    const wire = wireOf(feed.wire ?? plan.defaults.wire).name
    return {
      feed,
      pad,
      x: padX(pieces.value, pad),
      text:
        lead === undefined
          ? wire
          : `${wire} · ${formatQuantity(lead.lengthMm / 1000, 'm', plan.units)} · ${formatQuantity(lead.currentA, 'A')}`,
      currentA: lead?.currentA,
    }
  }),
)
/** A flag's words stand beside it where they run into no other. */
const flagTexts = computed(() => {
  const sorted = flags.value.toSorted((a, b) => a.x - b.x)
  let free = -Infinity
  return sorted.map((flag) => {
    const size = flag.text.length * 5.7
    const isRight = flag.x + 10 + size < width
    const from = isRight ? flag.x + 9 : flag.x - 9 - size
    const fits = from > free
    if (fits) free = from + size + 14
    return { ...flag, from, fits }
  })
})

function dragFlag(event: PointerEvent, { feed, x, pad }: Flag): void {
  let last = pad
  event.preventDefault()
  startDrag(event, {
    move: (dx) => {
      const next = padAt(pieces.value, x + dx)
      if (next === last) return
      last = next
      emit('move', feed.id, next === run.cuts ? 'end' : next, true)
    },
    end: (isClick) => {
      if (isClick) emit('choose', feed.id)
    },
  })
}
function flagKey(event: KeyboardEvent, { feed, pad }: Flag): void {
  const by = { ArrowLeft: -1, ArrowRight: 1, Home: -run.cuts, End: run.cuts }[event.key]
  if (by !== undefined) {
    const next = Math.max(0, Math.min(run.cuts, pad + by * (event.shiftKey ? 10 : 1)))
    emit('move', feed.id, next === run.cuts ? 'end' : next, false)
  } else if (event.key === 'Delete' || event.key === 'Backspace') emit('remove', feed.id)
  else if (event.key === 'Enter' || event.key === ' ') emit('choose', feed.id)
  else return
  event.preventDefault()
}

/** What the pointer, or the keys, are on: a load of the run. */
const pointed = ref<number>()
const hoverPad = shallowRef<number>()
function point(event: PointerEvent): void {
  const at = places.value
  if (at.length === 0) return
  const x = event.offsetX
  // Places rise from left to right: halve until the nearest is found.
  let [low, high] = [0, at.length - 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if ((at[middle] ?? 0) < x) low = middle
    else high = middle
  }
  pointed.value = Math.abs((at[low] ?? 0) - x) < Math.abs((at[high] ?? 0) - x) ? low : high
  hoverPad.value = padAt(pieces.value, x)
}
function readKey(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  const last = places.value.length - 1
  if (by !== undefined)
    pointed.value = Math.max(
      0,
      Math.min(last, (pointed.value ?? -1) + by * (event.shiftKey ? 10 : 1)),
    )
  else if (event.key === 'f' || event.key === '+') {
    const group = Math.round(((pointed.value ?? last) + 0.5) / loadsPerGroup(strip))
    emit('add', group >= run.cuts ? 'end' : group)
  } else return
  event.preventDefault()
}
const reading = computed(() => {
  const at = pointed.value
  const volts = at === undefined ? undefined : fed?.volts[at]
  if (at === undefined || volts === undefined) return undefined
  const { channelMa, idleMa } = groupDraw(strip)
  const perLoad = channelMa.reduce(
    (sum, mA, index) => sum + mA * (duties.value[index] ?? 0),
    idleMa,
  )
  const share = Math.min(1, weakestAt(strip, volts))
  const x = places.value[at] ?? 0
  return {
    x,
    y: ribbonTop + toY(volts),
    isRight: x < width - 190,
    text: `${strip.light.kind === 'pixels' ? 'px' : 'group'} ${String(at + 1)} · ${formatQuantity(volts, 'V')} · ${formatQuantity(perLoad * share, 'mA')} · ${formatQuantity(share, '%')}`,
  }
})
function leave(): void {
  pointed.value = undefined
  hoverPad.value = undefined
}
</script>

<template>
  <div
    class="relative"
    :style="{ width: `${width}px`, height: `${ribbonTop + ribbonHeight + 8}px` }"
  >
    <canvas
      ref="canvas"
      class="absolute left-0"
      :style="{ top: `${top}px`, width: `${width}px`, height: `${height + 8}px` }"
      aria-hidden="true"
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
        :class="fed === undefined ? 'fill-stop' : isLow ? 'fill-stop' : 'fill-ok'"
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
        @pointerleave="leave"
        @blur="leave"
        @keydown="readKey"
        @dblclick="hoverPad !== undefined && emit('add', hoverPad === run.cuts ? 'end' : hoverPad)"
      />
      <g v-for="flag in flagTexts" :key="flag.feed.id">
        <path
          :d="`M${flag.x - 7} ${top - 13}h14l-7 11z`"
          tabindex="0"
          role="slider"
          class="cursor-ew-resize stroke-bench outline-none focus-visible:stroke-white"
          :class="chosen === flag.feed.id ? 'fill-white' : 'fill-glow'"
          :aria-label="`Feed of ${run.name} at pad ${flag.pad}: arrow keys move it by a cut mark, Enter opens it, Delete removes it`"
          :aria-valuenow="flag.pad"
          :aria-valuemax="run.cuts"
          :data-flag="`${run.id}.${flag.feed.id}`"
          @pointerdown="dragFlag($event, flag)"
          @keydown="flagKey($event, flag)"
        />
        <text
          v-if="flag.fits"
          :x="flag.from"
          :y="top - 4"
          class="pointer-events-none fill-glow text-[12px]"
        >
          {{ flag.text }}
        </text>
      </g>
      <g v-if="reading" class="pointer-events-none">
        <line
          :x1="reading.x"
          :x2="reading.x"
          :y1="top"
          :y2="reading.y"
          class="stroke-white"
          stroke-opacity="0.6"
        />
        <circle :cx="reading.x" :cy="reading.y" r="3.5" class="fill-white" />
        <text
          :x="reading.x + (reading.isRight ? 9 : -9)"
          :y="ribbonTop + ribbonHeight + 8"
          :text-anchor="reading.isRight ? 'start' : 'end'"
          class="fill-bench-ink text-[12px]"
          data-testid="reading"
        >
          {{ reading.text }}
        </text>
      </g>
    </svg>
  </div>
</template>
