<script setup lang="ts">
import { defineAsyncComponent, ref, useTemplateRef } from 'vue'
import type { ShapeName } from '../../core/measure/shape'
import type { Trace } from '../../core/plan/plan'
import { onDropped } from '../stores/dropped'

const emit = defineEmits<{
  /** A line to begin with, and what of it is to be typed over. */
  begin: [text: string]
  trace: [text: string, trace: Trace]
}>()

const TraceDialog = defineAsyncComponent(() => import('./TraceDialog.vue'))

/** A drawing of each shape in 24 × 16, and the line that it begins with. */
const tiles: readonly { shape: ShapeName; path: string; text: string }[] = [
  { shape: 'edge', path: 'M2 8h20', text: 'shelf 650' },
  { shape: 'corners', path: 'M3 14V3h18', text: 'skirting corners 400, 1200, 380' },
  { shape: 'frame', path: 'M3 3h18v10H3z', text: 'frame 800 x 450' },
  { shape: 'ring', path: 'M12 2a6 6 0 1 0 .01 0', text: 'mirror ring 382' },
  { shape: 'arch', path: 'M5 14V9a7 7 0 0 1 14 0v5', text: 'alcove arch r410 legs 300' },
  {
    shape: 'panels',
    path: 'M7 2l5 3v6l-5 3l-5-3V5zM17 2l5 3v6l-5 3l-5-3',
    text: 'panels 3 x 6 sides 180',
  },
  {
    shape: 'wrap',
    path: 'M4 13c2-8 5-8 5-3s3 5 5-1s3-6 6-6',
    text: 'post wrap d60 pitch 40 turns 12',
  },
  { shape: 'steps', path: 'M2 14h5v-4h5V6h5V2h5', text: 'plant stand steps 4 x 420' },
  { shape: 'rows', path: 'M3 3h18M6 8h12M3 13h15', text: 'moon rows 320, 400, 460, 400' },
  {
    shape: 'grid',
    path: 'M4 3h.1M10 3h.1M16 3h.1M4 8h.1M10 8h.1M16 8h.1M4 13h.1M10 13h.1M16 13h.1',
    text: 'stars grid 5 x 8 @ 60',
  },
  {
    shape: 'string',
    path: 'M2 3q10 12 20 0M7 8v3M12 9v3M17 8v3',
    text: 'lanterns string 12 @ 900',
  },
  {
    shape: 'scatter',
    path: 'M4 4h.1M11 2h.1M18 6h.1M7 10h.1M14 12h.1M20 13h.1',
    text: 'fireflies scatter 14',
  },
]

const input = useTemplateRef<HTMLInputElement>('input')
const file = ref<File>()
// One that was dropped on the window.
onDropped('outline', (own) => {
  file.value = own
})
function choose(): void {
  file.value = input.value?.files?.[0]
  if (input.value) input.value.value = ''
}
function add(text: string, trace: Trace): void {
  file.value = undefined
  emit('trace', text, trace)
}
</script>

<template>
  <div class="grid grid-cols-7 gap-1 px-3 pb-2.5 font-sans" role="group" aria-label="Shapes">
    <button
      v-for="{ shape, path, text } in tiles"
      :key="shape"
      class="flex flex-col items-center rounded border border-pad-line bg-roll px-0.5 pt-1.5 pb-0.5 text-[12px] leading-tight tracking-[-0.02em] text-paper-soft hover:border-paper-soft hover:text-paper-ink"
      :title="`Begins a line: ${text}`"
      @click="emit('begin', text)"
    >
      <svg viewBox="0 0 24 16" class="h-4 w-6" aria-hidden="true">
        <path
          :d="path"
          fill="none"
          stroke="#8a5a12"
          stroke-width="1.7"
          stroke-linecap="round"
          stroke-linejoin="round"
        />
      </svg>
      {{ shape }}
    </button>
    <button
      class="col-span-2 flex flex-col items-center rounded border border-pad-line bg-roll px-0.5 pt-1.5 pb-0.5 text-[12px] leading-tight tracking-[-0.02em] text-paper-soft hover:border-paper-soft hover:text-paper-ink"
      title="An outline from an SVG or DXF file"
      @click="input?.click()"
    >
      <svg viewBox="0 0 24 16" class="h-4 w-6" aria-hidden="true">
        <path
          d="M4 13c-3-6 2-12 6-9s3-4 7-2s6 8 2 10s-6-3-9 0s-5 3-6 1"
          fill="none"
          stroke="#8a5a12"
          stroke-width="1.7"
        />
      </svg>
      traced
    </button>
    <input
      ref="input"
      type="file"
      accept=".svg,.dxf,image/svg+xml"
      class="hidden"
      aria-label="Outline file"
      @change="choose"
    />
    <TraceDialog v-if="file" :file="file" @close="file = undefined" @add="add" />
  </div>
</template>
