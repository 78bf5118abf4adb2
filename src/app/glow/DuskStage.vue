<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, nextTick, ref, shallowRef, useTemplateRef, watch } from 'vue'
import type { Box, Point } from '../../core/measure/geometry'
import { cornersOfBox } from '../../core/measure/layout'
import { useDrag } from '../bench/use-drag'
import { fit, toBench, toScreen } from '../bench/view'
import type { ShownFrame } from '../engine/show.worker'
import SensorRow from './SensorRow.vue'
import { sharpContext } from './sharp-canvas'
import { useOpenPlan } from '../stores/use-open-plan'

const { frame, daylight, values, areLightsOff, zone } = defineProps<{
  frame: ShownFrame | undefined
  /** 0 at night to 1 at noon. */
  daylight: number
  values: readonly number[]
  /** Before the light was put up. */
  areLightsOff: boolean
  /** A part of the room that is drawn anew by dragging, mm. */
  zone?: Box | undefined
}>()
const emit = defineEmits<{
  touch: [input: number, value: number]
  zone: [zone: Box]
  /** Its width by its height. */
  shape: [aspect: number]
}>()
const plan = useOpenPlan()
const nowhere = { x: 0, y: 0, width: 1000, height: 500 }
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
const holder = useTemplateRef<HTMLElement>('holder')
const { width, height } = useElementSize(holder)
const view = computed(() => fit(frame?.shape.box ?? nowhere, width.value, height.value, 0))
watch([width, height], ([wide, high]) => {
  if (wide > 0 && high > 0) emit('shape', wide / high)
})

/** The maker's own picture, once it is there. */
const photo = shallowRef<HTMLImageElement>()
watch(
  () => plan.value.bench.photo?.data,
  (data) => {
    photo.value = undefined
    if (data === undefined) return
    const image = new Image()
    image.addEventListener('load', () => {
      photo.value = image
    })
    image.src = data
  },
  { immediate: true },
)

const wall = document.createElement('canvas')

function draw(): void {
  const context = sharpContext(canvas.value, width.value, height.value)
  if (context === undefined) return
  drawRoom(context)
  if (areLightsOff || frame === undefined) return
  drawWall(context, frame)
  drawLights(context, frame)
  drawSensors(context)
}

/** The room as the day lights it. */
function drawRoom(context: CanvasRenderingContext2D): void {
  const shade = (night: number, noon: number): string => {
    const byte = Math.round(night + (noon - night) * daylight ** 0.8)
    return `rgb(${String(byte)} ${String(Math.round(byte * 0.98))} ${String(Math.round(byte * 0.94 + 5))})`
  }
  context.fillStyle = shade(10, 168)
  context.fillRect(0, 0, width.value, height.value)
  const { scale } = view.value
  const { photo: placed } = plan.value.bench
  if (photo.value !== undefined && placed !== undefined) {
    const [x, y] = toScreen(view.value, placed.at)
    context.save()
    context.filter = `brightness(${(0.06 + 0.94 * daylight).toFixed(2)})`
    context.drawImage(
      photo.value,
      x,
      y,
      placed.widthPx * placed.mmPerPx * scale,
      placed.heightPx * placed.mmPerPx * scale,
    )
    context.restore()
  }
  context.lineWidth = 1
  context.fillStyle = shade(15, 140)
  context.strokeStyle = shade(38, 110)
  for (const { place, widthMm, heightMm, kind } of plan.value.bench.furniture) {
    const corners = cornersOfBox(place, widthMm, heightMm).map((one) => toScreen(view.value, one))
    context.beginPath()
    if (kind === 'circle') {
      const [x, y] = toScreen(view.value, [place.x + widthMm / 2, place.y + heightMm / 2])
      context.ellipse(
        x,
        y,
        (widthMm * scale) / 2,
        (heightMm * scale) / 2,
        (place.degrees * Math.PI) / 180,
        0,
        7,
      )
    } else for (const [x, y] of corners) context.lineTo(x, y)
    context.closePath()
    context.fill()
    context.stroke()
  }
}

/** What falls on the wall: it adds to what the day gives. */
function drawWall(
  context: CanvasRenderingContext2D,
  { wall: cells, shape: { box, columns, rows } }: ShownFrame,
): void {
  wall.width = columns
  wall.height = rows
  const small = wall.getContext('2d')
  if (small === null) return
  const image = small.createImageData(columns, rows)
  image.data.set(cells)
  small.putImageData(image, 0, 0)
  const { scale } = view.value
  const [x, y] = toScreen(view.value, [box.x, box.y])
  context.save()
  context.globalCompositeOperation = 'screen'
  context.imageSmoothingEnabled = true
  context.imageSmoothingQuality = 'high'
  context.drawImage(wall, x, y, box.width * scale, box.height * scale)
  context.restore()
}

function drawLights(
  context: CanvasRenderingContext2D,
  { lights, shape: { x: xs, y: ys } }: ShownFrame,
): void {
  const size = Math.min(5, Math.max(1.6, 9 * view.value.scale))
  for (let at = 0; at < xs.length; at += 1) {
    const [r = 0, g = 0, b = 0] = lights.subarray(3 * at, 3 * at + 3)
    const [x, y] = toScreen(view.value, [xs[at] ?? 0, ys[at] ?? 0])
    // A bright light has a white core; one that is off is still seen by day.
    const white = 0.5 * (Math.max(r, g, b) / 255) ** 2
    const lifted = [r, g, b].map((part) => String(Math.round(part + (255 - part) * white)))
    context.fillStyle =
      r + g + b < 12
        ? `rgb(120 120 130 / ${(0.25 + 0.5 * daylight).toFixed(2)})`
        : `rgb(${lifted.join(' ')})`
    context.fillRect(x - size / 2, y - size / 2, size, size)
  }
}

/** Where sensors hang, lit while they say something. */
function drawSensors(context: CanvasRenderingContext2D): void {
  for (const [index, { at }] of plan.value.signal.inputs.entries()) {
    if (at === undefined) continue
    const [x, y] = toScreen(view.value, at)
    context.beginPath()
    context.arc(x, y, 4, 0, 7)
    context.fillStyle = (values[index] ?? 0) > 0 ? '#ffb84d' : '#15161c'
    context.strokeStyle = '#ffb84d'
    context.fill()
    context.stroke()
  }
}

watch(
  [
    () => frame,
    () => values,
    view,
    () => daylight,
    photo,
    () => areLightsOff,
    () => plan.value.bench,
  ],
  () => {
    void nextTick(draw)
  },
  { immediate: true, flush: 'post' },
)

/** Two corners of the zone while it is drawn, px. */
const drawn = ref<readonly [Point, Point]>()
const startDrag = useDrag()
const drawnBox = computed((): Box | undefined => {
  if (drawn.value === undefined) return undefined
  const [[ax, ay], [bx, by]] = drawn.value
  return {
    x: Math.min(ax, bx),
    y: Math.min(ay, by),
    width: Math.abs(ax - bx),
    height: Math.abs(ay - by),
  }
})
const zoneBox = computed((): Box | undefined => {
  if (drawnBox.value !== undefined || zone === undefined) return drawnBox.value
  const [x, y] = toScreen(view.value, [zone.x, zone.y])
  return { x, y, width: zone.width * view.value.scale, height: zone.height * view.value.scale }
})
const leastDragPx = 6
function drawZone(event: PointerEvent): void {
  const from: Point = [event.offsetX, event.offsetY]
  startDrag(event, {
    move: (dx, dy) => {
      drawn.value = [from, [from[0] + dx, from[1] + dy]]
    },
    end: () => {
      const box = drawnBox.value
      drawn.value = undefined
      if (box === undefined || Math.min(box.width, box.height) < leastDragPx) return
      const [x, y] = toBench(view.value, [box.x, box.y])
      const { scale } = view.value
      emit('zone', {
        x: Math.round(x),
        y: Math.round(y),
        width: Math.max(1, Math.round(box.width / scale)),
        height: Math.max(1, Math.round(box.height / scale)),
      })
    },
  })
}

/** The picture as it is now. */
function picture(): HTMLCanvasElement | null {
  draw()
  return canvas.value
}
defineExpose({ picture })
</script>

<template>
  <div class="flex min-h-0 flex-col gap-2">
    <div
      ref="holder"
      data-prints-as-shown
      class="night relative min-h-[180px] flex-1 overflow-hidden max-[899px]:min-h-[230px] rounded-lg bg-black"
    >
      <canvas
        ref="canvas"
        class="absolute inset-0 size-full"
        aria-label="The room at dusk"
        role="img"
      />
      <svg
        v-if="zone && zoneBox"
        class="absolute inset-0 size-full cursor-crosshair touch-none"
        aria-hidden="true"
        @pointerdown="drawZone"
      >
        <rect
          v-bind="zoneBox"
          fill="none"
          class="stroke-glow"
          stroke-width="1.5"
          stroke-dasharray="6 4"
        />
      </svg>
    </div>
    <SensorRow :values="values" @touch="(input, value) => emit('touch', input, value)" />
  </div>
</template>
