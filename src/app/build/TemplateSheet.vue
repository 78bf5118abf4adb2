<script setup lang="ts">
import { computed } from 'vue'
import { footMm, type Template, type Tile } from '../../core/build/template'
import type { Point } from '../../core/measure/geometry'
import { significant } from '../../core/quantity/format'

const { template, tile, isMirrored } = defineProps<{
  template: Template
  tile: Tile
  /** Seen from behind. */
  isMirrored: boolean
  /** Of all, such as "2 × 3 sheets". */
  sheets: string
}>()

const flip = computed(() => 2 * template.box.x + template.box.width)
const at = ([x, y]: Point): Point => [isMirrored ? flip.value - x : x, y]
const near = computed(() => {
  const { x, y, width, height } = tile
  return (point: Point): boolean => {
    const [px, py] = at(point)
    return px > x - 20 && px < x + width + 20 && py > y - 20 && py < y + height + 20
  }
})
const path = (points: readonly Point[]): string =>
  points
    .map((point, index) => {
      const [x, y] = at(point)
      return `${index === 0 ? 'M' : 'L'}${x.toFixed(2)} ${y.toFixed(2)}`
    })
    .join('')
const text = (value: number): string => significant(value, 4)
const places = computed(() => ({
  pixels: template.pixels.filter((one) => near.value(one.at)),
  clips: template.clips.filter((one) => near.value(one)),
  holes: template.holes.filter((one) => near.value(one.at)),
  pieces: template.pieces.filter((one) => near.value(one.from) || near.value(one.to)),
}))
/** Where the neighbours lie over this sheet: crosses, 5 mm in. */
const crosses = computed(() => {
  const { x, y, width, height } = tile
  return [
    [x + 5, y + 5],
    [x + width - 5, y + 5],
    [x + 5, y + height - 5],
    [x + width - 5, y + height - 5],
  ] as const
})
const clipId = computed(() => `sheet-${String(tile.row)}-${String(tile.column)}`)
</script>

<!-- One sheet at true size: a unit is a millimetre. -->
<template>
  <svg
    :viewBox="`${tile.x} ${tile.y} ${tile.width} ${tile.height + footMm}`"
    :style="{ width: `${tile.width}mm`, height: `${tile.height + footMm}mm` }"
    class="bg-white"
    role="img"
    :aria-label="`${template.name}, sheet ${tile.row}.${tile.column}`"
  >
    <clipPath :id="clipId">
      <rect :x="tile.x" :y="tile.y" :width="tile.width" :height="tile.height" />
    </clipPath>
    <g :clip-path="`url(#${clipId})`" fill="none" stroke="#000" stroke-width="0.25">
      <path
        v-for="(course, index) in template.courses"
        :key="index"
        :d="path(course)"
        stroke="#999"
        stroke-dasharray="3 2"
      />
      <g v-for="{ name, from, to } in places.pieces" :key="name">
        <circle :cx="at(from)[0]" :cy="at(from)[1]" r="1.6" fill="#000" />
        <rect
          :x="at(to)[0] - 1.4"
          :y="at(to)[1] - 1.4"
          width="2.8"
          height="2.8"
          fill="#fff"
          stroke-width="0.4"
        />
        <text
          :x="at(from)[0] + 2.5"
          :y="at(from)[1] - 3"
          font-size="4"
          font-weight="bold"
          fill="#000"
          stroke="none"
        >
          {{ name }}
        </text>
      </g>
      <g v-for="{ at: point, number } in places.pixels" :key="number">
        <circle :cx="at(point)[0]" :cy="at(point)[1]" r="0.8" />
        <text
          :x="at(point)[0]"
          :y="at(point)[1] + 5"
          font-size="3"
          fill="#000"
          stroke="none"
          text-anchor="middle"
        >
          {{ number }}
        </text>
      </g>
      <g v-for="(point, index) in places.clips" :key="`clip ${index}`">
        <path :d="`M${at(point)[0] - 3} ${at(point)[1] - 3}l6 6m0 -6l-6 6`" stroke-width="0.4" />
      </g>
      <g v-for="(hole, index) in places.holes" :key="`hole ${index}`" stroke-width="0.35">
        <circle
          v-if="hole.mm !== null"
          :cx="at(hole.at)[0]"
          :cy="at(hole.at)[1]"
          :r="hole.mm / 2"
        />
        <path :d="`M${at(hole.at)[0] - 3} ${at(hole.at)[1]}h6m-3 -3v6`" stroke-width="0.2" />
        <text
          :x="at(hole.at)[0] + (hole.mm ?? 2) / 2 + 1"
          :y="at(hole.at)[1] - 1"
          font-size="3"
          fill="#000"
          stroke="none"
        >
          {{ hole.name }}{{ hole.mm === null ? '' : ` ⌀ ${text(hole.mm)}` }}
        </text>
      </g>
      <text
        v-if="template.entry && near(template.entry)"
        :x="at(template.entry)[0]"
        :y="at(template.entry)[1] + 9"
        font-size="3.2"
        fill="#000"
        stroke="none"
        text-anchor="middle"
      >
        wire comes in here
      </text>
    </g>
    <g stroke="#000" stroke-width="0.2" fill="none">
      <path v-for="([x, y], index) in crosses" :key="index" :d="`M${x - 3} ${y}h6m-3 -3v6`" />
      <rect
        :x="tile.x + 0.15"
        :y="tile.y + 0.15"
        :width="tile.width - 0.3"
        :height="tile.height - 0.3"
        stroke-dasharray="1 2"
      />
      <path
        :d="`M${tile.x + 2} ${tile.y + tile.height + 5}h100${Array.from({ length: 11 }, (_, index) => `M${tile.x + 2 + index * 10} ${tile.y + tile.height + (index % 5 === 0 ? 2.5 : 3.5)}v${index % 5 === 0 ? 5 : 3}`).join('')}`"
        stroke-width="0.3"
      />
    </g>
    <text :x="tile.x + 2" :y="tile.y + tile.height + 12" font-size="3.2">
      100 mm: measure it. {{ template.name }}, {{ isMirrored ? 'from behind' : 'from the front' }},
      row {{ tile.row }}, sheet {{ tile.column }} of {{ sheets }}
    </text>
  </svg>
</template>
