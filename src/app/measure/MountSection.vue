<script setup lang="ts">
import { computed } from 'vue'
import type { Profile, Strip } from '../../core/plan/parts'
import type { Mounted } from '../../core/parts/mounted'
import type { LengthUnits } from '../../core/quantity/format'
import { formatLength, significant } from '../../core/quantity/format'
import { useDrag } from '../bench/use-drag'

/** A run seen from its end: what it is stuck to, its profile, the strip, its cover, where the light goes and what gets warm. */
const { strip, mount, profile, riseK, goes, units } = defineProps<{
  strip: Strip
  mount: Mounted
  profile: Profile | undefined
  /** How much warmer than the room it gets, K; `undefined` where it is not known yet. */
  riseK: number | undefined
  /** Where the light goes, in words. */
  goes: string
  units: LengthUnits
}>()
const emit = defineEmits<{ put: [mm: number] }>()
/** From the lights to the cover, mm, while it is dragged. */
const depth = defineModel<number>('depth', { required: true })
const [width, height, ground] = [420, 200, 162]
/** Strip and LED, mm. */
const [stripMm, ledMm, ledWide, wallMm] = [0.6, 1.6, 5, 1.2]
const least = 1
/** Far enough for the farthest cover; it stays while that is dragged. */
const most = computed(() => Math.max(24, 2 * Math.ceil(mount.coverMm)))

const inner = computed(() => profile?.innerWidthMm ?? strip.widthMm + 4)
/** Everything fits between the ground and the top, and from side to side. */
const scale = computed(() =>
  Math.min(6, (ground - 34) / (most.value + 6), (width - 150) / (inner.value + 12)),
)
const hasCover = computed(() => mount.cover !== 'none')
const isHung = computed(() => mount.surface === 'air')
const hasWalls = computed(() => profile !== undefined && profile.shape !== 'bar')
const px = (mm: number): number => mm * scale.value
const middle = width / 2
/** Upper edge of the strip. */
const stripY = computed(() => ground - px((profile === undefined ? 0 : wallMm) + stripMm))
const lampY = computed(() => stripY.value - px(ledMm))
const coverY = computed(() => lampY.value - px(depth.value))
const coverHalf = computed(() =>
  hasWalls.value ? px(inner.value) / 2 : Math.max(px(inner.value) / 2, px(depth.value) * 0.9),
)
const wallTop = computed(() => lampY.value - px(profile?.depthMm ?? 0))
/** How far the light has spread when it meets its cover, or the top. */
const beamTop = computed(() => (hasCover.value ? coverY.value : 16))
const beamHalf = computed(() => {
  const spread = (lampY.value - beamTop.value) * 1.3
  return hasWalls.value ? Math.min(spread, px(inner.value) / 2) : Math.min(spread, middle - 20)
})
const walls = computed(() => {
  const [half, wall] = [px(inner.value) / 2, px(wallMm)]
  const [left, right] = [middle - half - wall, middle + half + wall]
  if (!hasWalls.value)
    return `M${String(middle - half)} ${String(ground - wall)}H${String(middle + half)}V${String(ground)}H${String(middle - half)}Z`
  const top = String(wallTop.value)
  return `M${String(left)} ${String(ground)}V${top}H${String(middle - half)}V${String(ground - wall)}H${String(middle + half)}V${top}H${String(right)}V${String(ground)}Z`
})
const goesTo = computed(
  () => `${goes}${profile?.beam === 'angled' ? ', turned 45° by its profile' : ''}`,
)
const heat = computed(() => Math.min(1, Math.max(0, (riseK ?? 0) / 50)))
const words = computed(
  () =>
    `Seen from its end: ${strip.name} ${profile === undefined ? '' : `in a ${profile.name} `}${isHung.value ? 'hung free' : `on ${mount.surface}`}, ${hasCover.value ? `${mount.cover} cover ${formatLength(depth.value, units)} away` : 'no cover'}, light ${goesTo.value}`,
)

const startDrag = useDrag()
const held = (mm: number): number => Math.min(most.value, Math.max(least, Math.round(mm * 2) / 2))
function drag(event: PointerEvent): void {
  const from = depth.value
  const box = (event.currentTarget as Element).closest('svg')?.getBoundingClientRect()
  const perMm = (px(1) * (box?.width ?? width)) / width
  startDrag(event, {
    move: (_, dy) => {
      depth.value = held(from - dy / perMm)
    },
    end: (isClick) => {
      if (!isClick) emit('put', depth.value)
    },
  })
}
function key(event: KeyboardEvent): void {
  const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1, PageUp: 5, PageDown: -5 }[
    event.key
  ]
  if (by === undefined) return
  event.preventDefault()
  emit('put', held(depth.value + by))
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    class="mb-2 w-full rounded-md bg-bench select-none"
    role="group"
    :aria-label="words"
  >
    <defs>
      <linearGradient id="section-beam" x1="0" y1="1" x2="0" y2="0">
        <stop offset="0" stop-color="var(--color-glow)" stop-opacity="0.55" />
        <stop offset="1" stop-color="var(--color-glow)" stop-opacity="0.08" />
      </linearGradient>
      <radialGradient id="section-heat" cx="0.5" cy="0.5" r="0.5">
        <stop offset="0" stop-color="var(--color-stop)" :stop-opacity="0.75 * heat" />
        <stop offset="1" stop-color="var(--color-stop)" stop-opacity="0" />
      </radialGradient>
    </defs>
    <polygon
      :points="`${middle - 4},${lampY} ${middle + 4},${lampY} ${middle + beamHalf},${beamTop} ${middle - beamHalf},${beamTop}`"
      fill="url(#section-beam)"
    />
    <rect
      v-if="!isHung"
      x="30"
      :y="ground"
      :width="width - 60"
      height="22"
      rx="2"
      class="fill-bench-line"
    />
    <ellipse
      :cx="middle"
      :cy="ground"
      :rx="Math.max(60, px(inner))"
      ry="26"
      fill="url(#section-heat)"
    />
    <path v-if="profile" :d="walls" class="fill-bench-soft/70 stroke-bench-soft" />
    <rect
      :x="middle - px(strip.widthMm) / 2"
      :y="stripY"
      :width="px(strip.widthMm)"
      :height="px(stripMm)"
      class="fill-ok"
    />
    <rect
      v-if="strip.isSealed || mount.hasSleeve"
      :x="middle - px(strip.widthMm) / 2 - 2"
      :y="lampY - 2"
      :width="px(strip.widthMm) + 4"
      :height="px(stripMm + ledMm) + 3"
      rx="5"
      class="fill-data/10 stroke-data"
    />
    <rect
      :x="middle - px(Math.min(ledWide, strip.widthMm)) / 2"
      :y="lampY"
      :width="px(Math.min(ledWide, strip.widthMm))"
      :height="px(ledMm)"
      class="fill-glow"
    />
    <text x="36" :y="ground + 16" class="fill-bench-ink text-[12px] max-sm:text-[15.5px]">
      {{ isHung ? 'hung free' : profile ? 'screwed flat' : mount.surface }}
    </text>
    <text
      v-if="riseK !== undefined"
      :x="width - 36"
      :y="ground + 16"
      text-anchor="end"
      class="fill-bench-ink text-[12px] max-sm:text-[15.5px]"
    >
      {{ significant(riseK, 2) }} K warmer than the room
    </text>
    <text x="36" y="20" class="fill-bench-soft text-[12px] max-sm:text-[15.5px]">
      light {{ goesTo }}
    </text>
    <g
      v-if="hasCover"
      class="cursor-ns-resize touch-none outline-offset-2"
      role="slider"
      tabindex="0"
      aria-orientation="vertical"
      :aria-label="`${mount.cover} cover, from the lights`"
      :aria-valuemin="least"
      :aria-valuemax="most"
      :aria-valuenow="depth"
      :aria-valuetext="formatLength(depth, units)"
      data-testid="section-cover"
      @pointerdown.prevent="drag"
      @keydown="key"
    >
      <rect
        :x="middle - coverHalf - 30"
        :y="coverY - 28"
        :width="2 * coverHalf + 60"
        height="56"
        fill="transparent"
      />
      <rect
        :x="middle - coverHalf"
        :y="coverY - 3"
        :width="2 * coverHalf"
        height="5"
        rx="2"
        class="fill-bench-ink"
        :opacity="{ none: 0, clear: 0.3, frosted: 0.6, opal: 0.95 }[mount.cover]"
      />
      <path
        :d="`M${middle + coverHalf + 14} ${coverY - 8}l5 6h-10zM${middle + coverHalf + 14} ${coverY + 8}l5 -6h-10z`"
        class="fill-bench-ink"
      />
      <text
        :x="middle + coverHalf + 26"
        :y="coverY + 4"
        class="fill-bench-ink font-mono text-[12px] max-sm:text-[15.5px]"
      >
        {{ formatLength(depth, units) }}
      </text>
    </g>
  </svg>
</template>
