<script setup lang="ts">
import { computed } from 'vue'
import type { Strip } from '../../core/plan/parts'
import { formatLength, type LengthUnits } from '../../core/quantity/format'
import type { TallyRun } from '../../core/tally'
import type { Piece } from '../../core/cut/cut'
import PieceHands from './PieceHands.vue'
import { lightPitchMm } from '../../core/parts/light-pitch'
import { drawnPieces, markEvery } from './tape'

const { run, strip, scale, units } = defineProps<{
  run: TallyRun
  strip: Strip
  /** Where the factory's splices fall in each piece, mm from its start, by its name. */
  splices: ReadonlyMap<string, readonly number[]>
  /** px a mm */
  scale: number
  width: number
  units: LengthUnits
  isLit: boolean
}>()

const emit = defineEmits<{
  end: [piece: Piece, by: number, isDrag: boolean]
  off: [piece: Piece, mm: number, isDrag: boolean]
  split: [piece: Piece, mark: number]
}>()

/** A split part's pieces follow on from each other. */
const endsAtSplit = (index: number): boolean =>
  pieces.value[index + 1]?.piece.part === pieces.value[index]?.piece.part

const pieces = computed(() => drawnPieces(run.pieces, scale))
const lightPx = computed(() => lightPitchMm(strip) * scale)
const markPx = computed(() => markEvery(strip, scale) * strip.cutPitchMm * scale)
const id = computed(() => `tape-${run.id}`)

/** Shown where there is room for it. */
function gapText(gapMm: number, widthPx: number): string {
  if (Math.abs(gapMm) < 0.5 || widthPx < 90) return ''
  const length = formatLength(Math.abs(gapMm), units)
  return gapMm > 0 ? ` · gap ${length}` : ` · over ${length}`
}
const top = 18
const height = 17
</script>

<template>
  <svg
    :width="width"
    height="54"
    class="block overflow-visible"
    role="group"
    :aria-label="run.name"
  >
    <defs>
      <pattern
        :id="`${id}-lights`"
        patternUnits="userSpaceOnUse"
        :width="lightPx"
        :height="height"
        :y="top"
      >
        <circle
          :cx="lightPx / 2"
          :cy="height / 2"
          :r="Math.max(0.5, Math.min(2.4, lightPx * 0.34))"
          class="fill-[#fff3d6]"
        />
      </pattern>
      <pattern :id="`${id}-marks`" patternUnits="userSpaceOnUse" :width="markPx" height="5">
        <line x1="0.5" x2="0.5" y1="0" y2="5" class="stroke-bench-soft" />
      </pattern>
    </defs>
    <g
      v-for="({ piece, x, width: partWidth, stripX, stripWidth }, index) in pieces"
      :key="piece.name"
      :data-piece="piece.name"
    >
      <text :x="x" y="12" class="fill-glow text-[12px] font-semibold">
        {{ piece.name }}
        <tspan v-if="partWidth > 130" class="fill-bench-soft font-normal">
          {{ piece.groups }} groups · {{ formatLength(piece.placedMm, units) }}
        </tspan>
        <tspan class="fill-bench-soft font-normal">
          {{ gapText(piece.gapMm, partWidth - 170) }}
        </tspan>
      </text>
      <!-- The part as it was measured, and in it the strip. -->
      <rect
        :x="x"
        :y="top"
        :width="partWidth"
        :height="height"
        class="fill-none stroke-bench-line"
        stroke-dasharray="3 3"
      />
      <g :transform="`translate(${stripX} 0)`">
        <rect
          :y="top"
          :width="stripWidth"
          :height="height"
          rx="1.5"
          class="fill-[#3d372f]"
          :class="isLit ? 'stroke-glow' : 'stroke-bench-line'"
        />
        <rect :y="top" :width="stripWidth" :height="height" :fill="`url(#${id}-lights)`" />
        <rect
          :y="top + height + 1"
          :width="stripWidth + 1"
          height="5"
          :fill="`url(#${id}-marks)`"
        />
      </g>
      <path
        v-for="mm in splices.get(piece.name)"
        :key="mm"
        :d="`M${stripX + mm * scale} ${top - 1}v${height + 2}`"
        class="stroke-data"
        stroke-width="1.5"
        stroke-dasharray="2 2"
      >
        <title>A factory splice</title>
      </path>
      <PieceHands
        :drawn="{ piece, x, width: partWidth, stripX, stripWidth }"
        :pitch-px="strip.cutPitchMm * scale"
        :pitch-mm="strip.cutPitchMm"
        :ends-at-split="endsAtSplit(index)"
        :top="top"
        :height="height"
        :units="units"
        @end="(by, isDrag) => emit('end', piece, by, isDrag)"
        @off="(mm, isDrag) => emit('off', piece, mm, isDrag)"
        @split="(mark) => emit('split', piece, mark)"
        @join="endsAtSplit(index) && emit('split', piece, piece.groups)"
      />
      <path
        v-if="piece.fromGroup === 0"
        :d="`M${stripX - 9} ${top + 4}l6 4.5l-6 4.5`"
        fill="none"
        class="stroke-data"
        stroke-width="1.8"
      />
    </g>
  </svg>
</template>
