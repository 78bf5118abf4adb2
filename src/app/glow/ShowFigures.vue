<script setup lang="ts">
import type { Figure } from '../../core/quantity/figure'
import type { LengthUnits } from '../../core/quantity/format'
import RollLine from '../shell/RollLine.vue'

defineProps<{ figures: readonly Figure[]; units: LengthUnits }>()
</script>

<!-- Figures of a show on the paper: they come from no run that could be lit. -->
<template>
  <dl>
    <RollLine
      v-for="figure in figures"
      :key="figure.id"
      :figure="figure"
      :units="units"
      :is-lit="false"
    />
  </dl>
</template>
