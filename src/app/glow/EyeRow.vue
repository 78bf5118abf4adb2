<script setup lang="ts">
import { significant } from '../../core/quantity/format'
import SliderField from '../ui/SliderField.vue'
import TickField from '../ui/TickField.vue'
import type { Eye } from './use-show'

defineProps<{
  /** The room is shown: it has a day and a night. */
  isRoom: boolean
}>()
/** 0 at night to 1 at noon. */
const daylight = defineModel<number>('daylight', { required: true })
const eye = defineModel<Eye>('eye', { required: true })
const areLightsOff = defineModel<boolean>('areLightsOff', { required: true })
</script>

<!-- How the picture is looked at. -->
<template>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1 text-[12.5px] text-bench-soft">
    <span v-if="isRoom" class="flex items-center gap-2">
      Night
      <SliderField
        label="Daylight"
        layout="unseen"
        width="w-24"
        :value="daylight"
        :least="0"
        :most="1"
        :step="0.01"
        @set="daylight = $event"
      />
      day
    </span>
    <SliderField
      label="Exposure"
      :value="eye.stops"
      :least="-4"
      :most="4"
      :step="0.5"
      @set="(stops) => (eye = { ...eye, stops })"
    >
      <span class="w-15">{{ eye.stops > 0 ? '+' : '' }}{{ significant(eye.stops) }} stops</span>
    </SliderField>
    <SliderField
      label="White balance"
      :value="eye.kelvin"
      :least="2500"
      :most="6500"
      :step="100"
      @set="(kelvin) => (eye = { ...eye, kelvin })"
    >
      <span class="w-12">{{ eye.kelvin }} K</span>
    </SliderField>
    <TickField
      v-if="isRoom"
      label="lights off"
      :is-on="areLightsOff"
      @set="areLightsOff = $event"
    />
    <slot />
  </div>
</template>
