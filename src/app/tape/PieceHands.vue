<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, type LengthUnits } from '../../core/quantity/format'
import { useDrag } from '../bench/use-drag'
import type { DrawnPiece } from './tape'

const { drawn, pitchPx, pitchMm, endsAtSplit } = defineProps<{
  drawn: DrawnPiece
  /** From cut mark to cut mark, px and mm. */
  pitchPx: number
  pitchMm: number
  /** Its part goes on behind it: its end is a split. */
  endsAtSplit: boolean
  top: number
  height: number
  units: LengthUnits
}>()
const emit = defineEmits<{
  /** Its end, by so many groups from where it is, or was when the drag began. */
  end: [by: number, isDrag: boolean]
  off: [mm: number, isDrag: boolean]
  /** A split at a mark of it, or the split at its end moved or taken away. */
  split: [mark: number]
  join: []
}>()

const startDrag = useDrag()
const hovered = ref<number>()
const endX = computed(
  () => drawn.stripX + drawn.stripWidth + (drawn.piece.offMm / pitchMm) * pitchPx,
)

function hover(event: PointerEvent): void {
  const mark = Math.round((event.offsetX - drawn.stripX) / pitchPx)
  hovered.value = mark > 0 && mark < drawn.piece.groups ? mark : undefined
}
function dragEnd(event: PointerEvent): void {
  let gone = 0
  const { offMm } = drawn.piece
  startDrag(event, {
    move: (dx, _dy, { altKey }) => {
      if (altKey && !endsAtSplit) {
        emit('off', Math.max(0, Math.min(pitchMm * 0.95, offMm + (dx / pitchPx) * pitchMm)), true)
        return
      }
      const by = Math.round(dx / pitchPx)
      if (by === gone) return
      emit('end', by - gone, true)
      gone = by
    },
  })
}
function key(event: KeyboardEvent): void {
  const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (by !== undefined && event.altKey) emit('off', Math.max(0, drawn.piece.offMm + by), false)
  else if (by !== undefined) emit('end', by * (event.shiftKey ? 10 : 1), false)
  else if (event.key === 's' && drawn.piece.groups > 1)
    emit('split', Math.floor(drawn.piece.groups / 2))
  else if (event.key === 'Delete') emit('join')
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <g>
    <rect
      :x="drawn.stripX"
      :y="top - 2"
      :width="Math.max(0, drawn.stripWidth - 6)"
      :height="height + 4"
      fill="transparent"
      class="cursor-crosshair"
      @pointermove="hover"
      @pointerleave="hovered = undefined"
      @click="hovered !== undefined && emit('split', hovered)"
    >
      <title>Click at a cut mark to split here</title>
    </rect>
    <g v-if="hovered !== undefined" class="pointer-events-none">
      <line
        :x1="drawn.stripX + hovered * pitchPx"
        :x2="drawn.stripX + hovered * pitchPx"
        :y1="top - 5"
        :y2="top + height + 7"
        class="stroke-glow"
        stroke-width="1.5"
      />
      <text
        :x="drawn.stripX + hovered * pitchPx + 5"
        :y="top + height + 17"
        class="fill-glow text-[12px]"
      >
        split at {{ formatLength(hovered * pitchMm, units) }}
      </text>
    </g>
    <rect
      v-if="drawn.piece.offMm > 0"
      :x="drawn.stripX + drawn.stripWidth"
      :y="top"
      :width="(drawn.piece.offMm / pitchMm) * pitchPx"
      :height="height"
      class="fill-stop/50"
    />
    <rect
      :x="endX - 4"
      :y="top - 4"
      width="8"
      :height="height + 8"
      rx="2"
      tabindex="0"
      role="slider"
      :aria-label="`End of ${drawn.piece.name}: arrow keys move it by cut marks, Alt by a millimetre off the mark, S splits`"
      :aria-valuenow="drawn.piece.groups"
      :data-end="drawn.piece.name"
      class="cursor-ew-resize outline-none hover:fill-glow focus-visible:fill-glow"
      :class="
        drawn.piece.offMm > 0
          ? 'fill-stop'
          : endsAtSplit
            ? 'fill-data'
            : 'fill-bench-soft opacity-40 hover:opacity-100 focus-visible:opacity-100'
      "
      @pointerdown="dragEnd"
      @keydown="key"
      @dblclick="endsAtSplit && emit('join')"
    >
      <title>
        {{
          endsAtSplit
            ? 'A split: drag it by cut marks, double-click to join again'
            : 'Drag by cut marks; with Alt off the mark'
        }}
      </title>
    </rect>
  </g>
</template>
