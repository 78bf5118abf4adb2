<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '../../core/quantity/format'
import { bandsOf } from './bands'

const { ohm, tolerance } = defineProps<{ ohm: number; tolerance: number }>()

const bands = computed(() => bandsOf(ohm, tolerance))
const words = computed(
  () => `${formatQuantity(ohm, 'Ω')}: ${bands.value.map(({ name }) => name).join(', ')}`,
)
</script>

<!-- The resistor as it lies on the bench, with its bands in their standard colours. -->
<template>
  <figure>
    <svg width="260" height="76" viewBox="0 0 260 76" role="img" :aria-label="words">
      <path d="M4 38h46m160 0h46" class="stroke-bench-soft" stroke-width="3" />
      <rect x="46" y="16" width="168" height="44" rx="20" class="fill-[#d8c7a4]" />
      <rect
        v-for="(band, index) in bands"
        :key="index"
        :x="index === bands.length - 1 ? 184 : 66 + index * 26"
        y="16"
        width="12"
        height="44"
        :fill="band.tint"
      />
    </svg>
    <figcaption class="text-[12px] text-bench-soft">{{ words }}</figcaption>
  </figure>
</template>
