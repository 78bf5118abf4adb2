<script setup lang="ts">
import { useTemplateRef, watchEffect } from 'vue'
import type { Strip } from '../../core/plan/parts'
import { markEvery, type DrawnPiece } from '../tape/tape'
import { colourAt } from './feed-tape'

const { strip, pieces, places, duties, volts, scale, width, height } = defineProps<{
  strip: Strip
  pieces: readonly DrawnPiece[]
  /** Where each load stands, px. */
  places: Float64Array
  /** Of each channel, 0–1. */
  duties: readonly number[]
  /** At each load; nothing where the run is not fed. */
  volts: ArrayLike<number> | undefined
  /** px a mm */
  scale: number
  width: number
  /** Of the strip, px. */
  height: number
}>()

/** Below the strip, for its cut marks, px. */
const marksPx = 8
const canvas = useTemplateRef<HTMLCanvasElement>('canvas')

watchEffect(() => {
  const element = canvas.value
  const context = element?.getContext('2d')
  if (!element || !context) return
  const ratio = window.devicePixelRatio || 1
  element.width = Math.ceil(width * ratio)
  element.height = Math.ceil((height + marksPx) * ratio)
  context.setTransform(ratio, 0, 0, ratio, 0, 0)
  context.clearRect(0, 0, width, height + marksPx)
  for (const { stripX, stripWidth } of pieces) {
    context.fillStyle = '#2c2822'
    context.fillRect(stripX, 0, stripWidth, height)
    context.fillStyle = '#8b8fa2'
    const step = markEvery(strip, scale) * strip.cutPitchMm * scale
    for (let x = stripX; x <= stripX + stripWidth + 0.5; x += step)
      context.fillRect(x, height + 1, 1, 4)
  }
  const gap = places.length > 1 ? Math.abs((places[1] ?? 0) - (places[0] ?? 0)) : 8
  const radius = Math.max(0.7, Math.min(3, gap * 0.38))
  // To a hundredth of a volt lights look alike.
  const known = new Map<number, string>()
  const colourOf = (v: number): string => {
    const key = Math.round(v * 100)
    const found = known.get(key) ?? colourAt(strip, duties, v)
    known.set(key, found)
    return found
  }
  for (const [index, x] of places.entries()) {
    context.fillStyle = volts === undefined ? '#3a3a44' : colourOf(volts[index] ?? 0)
    if (radius < 1.2) context.fillRect(x - radius, height / 2 - 3, 2 * radius, 6)
    else {
      context.beginPath()
      context.arc(x, height / 2, radius, 0, 2 * Math.PI)
      context.fill()
    }
  }
})
</script>

<!-- The strip with its lights in the colours that they really have. -->
<template>
  <canvas
    ref="canvas"
    :style="{ width: `${width}px`, height: `${height + marksPx}px` }"
    aria-hidden="true"
  />
</template>
