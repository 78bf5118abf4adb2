<script setup lang="ts">
import { computed } from 'vue'
import type { LengthUnits } from '../../core/quantity/format'
import { usePrice } from './price'
import { figureText, workingText, type Figure } from '../../core/quantity/figure'
import ExplainedText from './ExplainedText.vue'

const { figure, units } = defineProps<{
  figure: Figure
  units: LengthUnits
  isLit: boolean
}>()
const emit = defineEmits<{ light: []; dim: []; follow: [] }>()

const price = usePrice()
const text = computed(() =>
  figure.unit === 'price' ? price(figure.value) : figureText(figure, units),
)
/** It came from one run or supply: there a click goes. */
const isSingle = computed(() => figure.about.length === 1)
</script>

<template>
  <div
    class="-mx-1.5 flex items-baseline justify-between gap-3 rounded-[3px] px-1.5"
    :class="[
      isLit && 'bg-marker',
      figure.isTotal && 'mt-0.5 mb-1 rounded-none border-t border-paper-ink pt-0.5 font-semibold',
      isSingle && 'cursor-pointer',
    ]"
    :tabindex="isSingle ? 0 : undefined"
    :title="figure.rule"
    :data-figure="figure.id"
    @pointerenter="emit('light')"
    @pointerleave="emit('dim')"
    @focus="emit('light')"
    @blur="emit('dim')"
    @click="emit('follow')"
    @keydown.enter="emit('follow')"
  >
    <dt class="min-w-0 break-words">
      <ExplainedText :text="figure.label" />{{ ' ' }}
      <span
        v-if="!figure.isTotal"
        :class="figure.label === '' ? '' : 'text-paper-soft'"
        class="whitespace-nowrap"
        >{{ workingText(figure, units) }}</span
      >
    </dt>
    <dd class="shrink-0 whitespace-nowrap">{{ text }}</dd>
  </div>
</template>
