<script setup lang="ts">
import { significant } from '../../core/quantity/format'
defineProps<{
  /** The room is shown: it has a day and a night. */
  isRoom: boolean
}>()
/** 0 at night to 1 at noon. */
const daylight = defineModel<number>('daylight', { required: true })
/** Exposure. */
const stops = defineModel<number>('stops', { required: true })
/** The white that counts as neutral, K. */
const kelvin = defineModel<number>('kelvin', { required: true })
const areLightsOff = defineModel<boolean>('areLightsOff', { required: true })
</script>

<!-- How the picture is looked at. -->
<template>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1 text-[12.5px] text-bench-soft">
    <label v-if="isRoom" class="flex items-center gap-2">
      Night
      <input
        v-model.number="daylight"
        type="range"
        class="w-24 accent-glow"
        min="0"
        max="1"
        step="0.01"
        aria-label="Daylight"
      />
      day
    </label>
    <label class="flex items-center gap-2">
      Exposure
      <input
        v-model.number="stops"
        type="range"
        class="w-20 accent-glow"
        min="-4"
        max="4"
        step="0.5"
      />
      <span class="w-15">{{ stops > 0 ? '+' : '' }}{{ significant(stops) }} stops</span>
    </label>
    <label class="flex items-center gap-2">
      White balance
      <input
        v-model.number="kelvin"
        type="range"
        class="w-20 accent-glow"
        min="2500"
        max="6500"
        step="100"
      />
      <span class="w-12">{{ kelvin }} K</span>
    </label>
    <label v-if="isRoom" class="flex items-center gap-1.5">
      <input v-model="areLightsOff" type="checkbox" class="accent-glow" /> lights off
    </label>
    <slot />
  </div>
</template>
