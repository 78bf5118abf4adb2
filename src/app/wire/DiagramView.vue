<script setup lang="ts">
import { Maximize, ZoomIn, ZoomOut } from '@lucide/vue'
import { useElementSize } from '@vueuse/core'
import { useTemplateRef, watch } from 'vue'
import type { Diagram } from '../../core/wire/diagram-parts'
import type { MeterTip } from '../../formats/svg-diagram'
import { useDrag } from '../bench/use-drag'
import { usePinch } from '../bench/use-pinch'
import { usePanZoom } from '../bench/use-pan-zoom'
import DiagramPicture from './DiagramPicture.vue'
import type { WireChoice } from './wire-choice'
import { useOpenPlan } from '../stores/use-open-plan'

const { diagram } = defineProps<{
  diagram: Diagram
  lit: ReadonlySet<string>
  choice: WireChoice | undefined
  tips?: readonly MeterTip[]
}>()
const emit = defineEmits<{ choose: [choice: WireChoice | undefined] }>()
const plan = useOpenPlan()
const frame = useTemplateRef<HTMLElement>('frame')
const { width, height } = useElementSize(frame)
const { view, isFitted, fitAll, pan, zoom } = usePanZoom({
  box: () => ({ x: 0, y: 0, width: diagram.width, height: diagram.height }),
  width: () => width.value,
  height: () => height.value,
  padding: 4,
})
/** Its smallest letters, of 11, are then 12 px: where all of it would be smaller, the picture begins at the first supply. */
const leastScale = 12 / 11
watch(
  () => width.value > 0 && height.value > 0,
  (isThere) => {
    if (isThere && view.value.scale < leastScale) {
      zoom(leastScale / view.value.scale, [0, 0])
      const { x, y } = diagram.blocks.find(({ block }) => block.of.kind === 'supply') ?? {
        x: 0,
        y: 0,
      }
      // Where there is width, what stands to its left stays in view.
      const left = width.value < 640 ? x : 0
      pan({ ...view.value, x: 0, y: 0 }, 8 - left * leastScale, 52 - y * leastScale)
    }
  },
  { flush: 'post' },
)
usePinch(frame, { view: () => view.value, pan, zoom })
const startDrag = useDrag()
function grab(event: PointerEvent): void {
  const from = view.value
  startDrag(event, {
    move: (dx, dy) => {
      pan(from, dx, dy)
    },
  })
}
function wheel(event: WheelEvent): void {
  if (event.ctrlKey || event.metaKey || !event.shiftKey) {
    const { left = 0, top = 0 } = frame.value?.getBoundingClientRect() ?? {}
    zoom(Math.exp(-event.deltaY / 400), [event.clientX - left, event.clientY - top])
  } else pan(view.value, -event.deltaY, 0)
}
const panKeys: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [60, 0],
  ArrowRight: [-60, 0],
  ArrowUp: [0, 60],
  ArrowDown: [0, -60],
}
function key(event: KeyboardEvent): void {
  const by = panKeys[event.key]
  if (by !== undefined) pan(view.value, by[0], by[1])
  else if (event.key === '+') zoom(1.25)
  else if (event.key === '-') zoom(0.8)
  else if (event.key === '0') fitAll()
  else if (event.key === 'Escape') emit('choose', undefined)
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <div
    data-prints-as-shown
    class="night relative min-h-0 flex-1 overflow-hidden rounded-lg bg-bench-raised"
  >
    <div
      ref="frame"
      class="h-full touch-none overflow-hidden outline-offset-[-2px]"
      tabindex="0"
      role="application"
      aria-label="Diagram of all wires: arrow keys move it, + and − zoom, 0 shows all"
      @pointerdown="grab"
      @wheel.prevent="wheel"
      @keydown="key"
    >
      <!-- Not before its size is known: letters that were set at no size stay invisible. -->
      <DiagramPicture
        v-if="width > 0"
        class="origin-top-left select-none"
        :style="{
          transform: `translate(${view.x}px, ${view.y}px) scale(${view.scale})`,
          width: `${diagram.width}px`,
        }"
        :diagram="diagram"
        :plan="plan"
        :lit="lit"
        :choice="choice"
        :tips="tips"
        @choose="emit('choose', $event)"
      />
    </div>
    <div class="absolute inset-x-2 bottom-2"><slot /></div>
    <div class="absolute top-2 right-2 flex gap-1">
      <button class="button-quiet bg-bench" aria-label="Nearer" @click="zoom(1.25)">
        <ZoomIn :size="14" />
      </button>
      <button class="button-quiet bg-bench" aria-label="Farther" @click="zoom(0.8)">
        <ZoomOut :size="14" />
      </button>
      <button
        class="button-quiet bg-bench"
        aria-label="Show all of it"
        :disabled="isFitted"
        @click="fitAll"
      >
        <Maximize :size="14" />
      </button>
    </div>
  </div>
</template>
