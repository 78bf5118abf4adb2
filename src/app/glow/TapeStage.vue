<script setup lang="ts">
import { useElementSize, useScroll } from '@vueuse/core'
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import type { ShownFrame } from '../engine/show.worker'
import SensorRow from './SensorRow.vue'
import { sharpContext } from './sharp-canvas'
import { tapeRows } from './tape-rows'
import { useOpenPlan } from '../stores/use-open-plan'

const { frame, as } = defineProps<{
  values: readonly number[]
  frame: ShownFrame | undefined
  /** Each run as one straight tape, or its lights in rows of tens as the program counts them. */
  as: 'tapes' | 'grid'
}>()
const emit = defineEmits<{ touch: [input: number, value: number] }>()
const plan = useOpenPlan()

const holder = useTemplateRef<HTMLElement>('holder')
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const { width, height } = useElementSize(holder)
const { y: scrolled } = useScroll(holder)
/** Room at the left of a row of the grid for the number of its first light, px. */
const numberPx = 44
const edgePx = 14

const laid = computed(() =>
  frame === undefined || width.value === 0
    ? undefined
    : tapeRows(frame.shape.tapes, as, width.value - 2 * edgePx - (as === 'grid' ? numberPx : 0)),
)

function draw(): void {
  if (laid.value === undefined || frame === undefined) return
  const context = sharpContext(canvas.value, width.value, height.value)
  if (context === undefined) return
  context.translate(edgePx, -scrolled.value)
  context.font = '12px "Figtree Variable", sans-serif'
  context.textBaseline = 'middle'
  const { rows, lightPx, stepPx, tenPx } = laid.value
  const isSeen = ({ top }: { readonly top: number }): boolean =>
    top > scrolled.value - 60 && top < scrolled.value + height.value + 20
  for (const row of rows.filter(isSeen)) {
    if (row.name !== undefined) {
      context.fillStyle = '#a6a8b8'
      context.fillText(row.name, 0, row.top - 11)
    }
    const left = as === 'grid' ? numberPx : 0
    if (as === 'grid') {
      context.fillStyle = '#a6a8b8'
      context.fillText(String(row.number + 1), 0, row.top + lightPx / 2)
    } else {
      context.fillStyle = '#20222c'
      context.fillRect(0, row.top - 2, row.lengthPx, lightPx + 4)
    }
    for (let at = 0; at < row.count; at += 1) {
      const light = 3 * (row.from + at)
      const [r = 0, g = 0, b = 0] = frame.lights.subarray(light, light + 3)
      context.fillStyle = r + g + b < 12 ? '#33363f' : `rgb(${String(r)} ${String(g)} ${String(b)})`
      const x =
        as === 'grid'
          ? left + at * stepPx + Math.floor(at / 10) * tenPx
          : ((at + 0.5) * row.lengthPx) / row.count - row.lightPx / 2
      context.fillRect(x, row.top, as === 'grid' ? lightPx : row.lightPx, lightPx)
    }
  }
}
watch([() => frame, laid, scrolled, height], () => void nextTick(draw), {
  immediate: true,
  flush: 'post',
})
</script>

<template>
  <div class="relative flex min-h-0 flex-col gap-2">
    <div
      ref="holder"
      class="night min-h-[180px] flex-1 overflow-y-auto rounded-lg bg-black max-[899px]:h-[300px] max-[899px]:flex-none"
      tabindex="0"
      role="img"
      :aria-label="
        as === 'tapes'
          ? 'Each run as a straight tape'
          : 'Every light in rows, as the program counts them'
      "
    >
      <canvas ref="canvas" class="pointer-events-none sticky top-0 block size-full" />
      <div
        :style="{
          height: `${Math.max(0, (laid?.height ?? 0) + (plan.signal.inputs.length > 0 ? 44 : 0) - height)}px`,
        }"
      />
    </div>
    <SensorRow :values="values" @touch="(input, value) => emit('touch', input, value)" />
  </div>
</template>
