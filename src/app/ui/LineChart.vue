<script setup lang="ts">
import ApexCharts, { type ApexOptions } from 'apexcharts'
import { onBeforeUnmount, onMounted, useTemplateRef, watch } from 'vue'

/** Curves over an axis of numbers. The chart stays out of Vue's reactivity: its library reads its own settings thousands of times. */
const { series, options, height } = defineProps<{
  series: { name: string; data: [number, number][] }[]
  /** Merged into the look that every chart has. */
  options: Omit<ApexOptions, 'series'>
  /** In px. */
  height: number
}>()

const holder = useTemplateRef<HTMLElement>('holder')
let chart: ApexCharts | undefined
let isGone = false
const hasLeft = (): boolean => isGone

/** What a chart has that its types leave out. */
interface DrawnInTwo {
  mount: (curves: unknown) => Promise<unknown>
}

/** The page's own type and tints, still, with nothing to press but the plot. */
const whole = (): ApexOptions => ({
  ...options,
  series,
  chart: {
    type: 'line',
    height,
    fontFamily: 'inherit',
    foreColor: '#a6a8b8',
    toolbar: { show: false },
    zoom: { enabled: false },
    animations: { enabled: false },
    ...options.chart,
  },
  tooltip: { theme: 'dark', ...options.tooltip },
  xaxis: { type: 'numeric', ...options.xaxis },
})

/** Lets the browser paint and hear the pointer first. */
const pause = (): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve)
  })

/** The curves are drawn in one task, axes and labels in the next: together they would hold up the page for too long. */
async function drawFirst(): Promise<void> {
  await pause()
  if (hasLeft()) return
  const [asked, of] = [options, series]
  const first: ApexCharts & Partial<DrawnInTwo> = new ApexCharts(holder.value, whole())
  const axes = first.mount?.bind(first)
  if (axes !== undefined)
    first.mount = async (curves) => {
      delete first.mount
      await pause()
      return hasLeft() ? first : axes(curves)
    }
  await first.render()
  if (hasLeft()) {
    first.destroy()
    return
  }
  chart = first
  if (options !== asked || series !== of) update()
}
const update = (): void => void chart?.updateOptions(whole())
onMounted(drawFirst)
watch([() => options, () => series], update)
onBeforeUnmount(() => {
  isGone = true
  chart?.destroy()
})
</script>

<template><div ref="holder" /></template>
