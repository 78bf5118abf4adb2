<script setup lang="ts">
import { computed } from 'vue'
import { wireOf } from '../../core/parts/wires'
import { padOf } from '../../core/plan/feeds'
import type { Feed } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { TallyLead, TallyRun } from '../../core/tally'
import { useDrag } from '../bench/use-drag'
import { useOpenPlan } from '../stores/use-open-plan'
import type { DrawnPiece } from '../tape/tape'
import { padAt, padX } from './feed-tape'

const { run, feeds, leads, pieces, width, top } = defineProps<{
  run: TallyRun
  feeds: readonly Feed[]
  leads: readonly TallyLead[]
  pieces: readonly DrawnPiece[]
  width: number
  /** Where the tape begins, px from above. */
  top: number
  /** The feed whose lead is open. */
  chosen: string | undefined
}>()
const emit = defineEmits<{
  choose: [feed: string]
  move: [feed: string, pad: Feed['pad'], isDrag: boolean]
  remove: [feed: string]
}>()

const plan = useOpenPlan()
const startDrag = useDrag()

interface Flag {
  readonly feed: Feed
  readonly pad: number
  readonly x: number
  /** Its lead: gauge, length, current. */
  readonly text: string
}
const flags = computed((): Flag[] =>
  feeds.map((feed) => {
    const pad = padOf(feed, run.groups)
    const lead = leads.find(({ id }) => id === `${run.id}.${feed.id}`)
    return {
      feed,
      pad,
      x: padX(pieces, pad),
      text: [
        wireOf(feed.wire ?? plan.value.defaults.wire).name,
        ...(lead === undefined
          ? []
          : [
              formatQuantity(lead.lengthMm / 1000, 'm', plan.value.units),
              formatQuantity(lead.currentA, 'A'),
            ]),
      ].join(' · '),
    }
  }),
)
/** A letter of a flag's text is about so wide, px. */
const letterPx = 5.7
/** A flag's words stand beside it where they run into no other. */
const placed = computed(() => {
  const sorted = flags.value.toSorted((a, b) => a.x - b.x)
  let free = -Infinity
  return sorted.map((flag) => {
    const size = flag.text.length * letterPx
    const isRight = flag.x + 10 + size < width
    const from = isRight ? flag.x + 9 : flag.x - 9 - size
    const fits = from > free
    if (fits) free = from + size + 14
    return { ...flag, from, fits }
  })
})
/** The last pad is the end, wherever that will be. */
const asPad = (pad: number): Feed['pad'] => (pad === run.groups ? 'end' : pad)

function drag(event: PointerEvent, { feed, x, pad }: Flag): void {
  let last = pad
  event.preventDefault()
  startDrag(event, {
    move: (dx) => {
      const next = padAt(pieces, x + dx)
      if (next === last) return
      last = next
      emit('move', feed.id, asPad(next), true)
    },
    end: (isClick) => {
      if (isClick) emit('choose', feed.id)
    },
  })
}
function onKey(event: KeyboardEvent, { feed, pad }: Flag): void {
  const by = { ArrowLeft: -1, ArrowRight: 1, Home: -run.groups, End: run.groups }[event.key]
  if (by !== undefined) {
    const next = Math.max(0, Math.min(run.groups, pad + by * (event.shiftKey ? 10 : 1)))
    emit('move', feed.id, asPad(next), false)
  } else if (event.key === 'Delete' || event.key === 'Backspace') emit('remove', feed.id)
  else if (event.key === 'Enter' || event.key === ' ') emit('choose', feed.id)
  else return
  event.preventDefault()
}
</script>

<!-- Where power enters: a flag on each pad, to drag or to move by keys. -->
<template>
  <g v-for="flag in placed" :key="flag.feed.id">
    <path
      :d="`M${flag.x - 7} ${top - 13}h14l-7 11z`"
      tabindex="0"
      role="slider"
      class="cursor-ew-resize stroke-bench outline-none focus-visible:stroke-bench-ink"
      :class="chosen === flag.feed.id ? 'fill-bench-ink' : 'fill-glow'"
      :aria-label="`Feed of ${run.name} at pad ${flag.pad}: arrow keys move it by a cut mark, Enter opens it, Delete removes it`"
      :aria-valuenow="flag.pad"
      :aria-valuemax="run.groups"
      :data-flag="`${run.id}.${flag.feed.id}`"
      @pointerdown="drag($event, flag)"
      @keydown="onKey($event, flag)"
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
</template>
