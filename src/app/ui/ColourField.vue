<script setup lang="ts">
import { computed } from 'vue'
import { readColour, screenColour } from '../../core/glow/colour'
import TextField from './TextField.vue'
import TintField from './TintField.vue'

const { label, value } = defineProps<{ label: string; value: string }>()
const emit = defineEmits<{ set: [value: string] }>()

const light = computed(() => readColour(value))
const check = (text: string): string | undefined =>
  readColour(text) === undefined
    ? `“${text}” is no colour: such as #ffb46b, 2700 K, or duty 255 120 0`
    : undefined
</script>

<!-- A colour chosen by eye, or typed: `#ffb46b`, `2700 K` or `duty 255 120 0`. -->
<template>
  <span class="flex flex-wrap items-start gap-1.5">
    <TintField
      :label="`${label}, by eye`"
      :value="light ? screenColour(light) : '#000000'"
      @set="emit('set', $event)"
    />
    <TextField
      :label="`${label}, typed`"
      layout="unseen"
      width="w-32"
      :value="value"
      :most="40"
      is-required
      :check="check"
      @set="emit('set', $event)"
    />
  </span>
</template>
