<script setup lang="ts">
import type { Point } from '../../core/measure/geometry'
import { useDrag } from './use-drag'

const { name, scale } = defineProps<{
  name: string
  label: string
  /** On the screen, px. */
  at: Point
  scale: number
  isLit: boolean
}>()
const emit = defineEmits<{
  /** By so many mm from where it is, or was when the drag began. */
  move: [dx: number, dy: number, key: string, isDrag: boolean]
}>()

const startDrag = useDrag()
let drags = 0

function drag(event: PointerEvent): void {
  drags += 1
  const key = `hide.${name}.${String(drags)}`
  let [goneX, goneY] = [0, 0]
  startDrag(event, {
    move: (dx, dy) => {
      const [x, y] = [Math.round(dx / scale / 10) * 10, Math.round(dy / scale / 10) * 10]
      if (x === goneX && y === goneY) return
      emit('move', x - goneX, y - goneY, key, true)
      ;[goneX, goneY] = [x, y]
    },
  })
}
function key(event: KeyboardEvent): void {
  const by = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  }[event.key]
  if (by === undefined) return
  event.preventDefault()
  const mm = event.shiftKey ? 100 : 10
  emit('move', (by[0] ?? 0) * mm, (by[1] ?? 0) * mm, `hide.${name}`, false)
}
</script>

<template>
  <button
    type="button"
    class="slim absolute z-10 -translate-x-1/2 -translate-y-1/2 cursor-move rounded-md border bg-bench px-2.5 py-1.5 text-[12px] whitespace-nowrap"
    :class="isLit ? 'border-glow text-glow' : 'border-[#a9782f] text-[#ffcf8a]'"
    :style="{ left: `${at[0]}px`, top: `${at[1]}px` }"
    :aria-label="`${name}, ${label}: move with the arrow keys`"
    :title="`${name}: drag it to where it hides`"
    @pointerdown.stop="drag"
    @keydown="key"
  >
    {{ label }}
  </button>
</template>
