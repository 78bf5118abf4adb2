<script setup lang="ts">
import { computed } from 'vue'
import { stripOf } from '../../core/parts/find-strips'
import { formatQuantity } from '../../core/quantity/format'
import type { PlanAnswers } from '../engine/follow-plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()

/** The run whose weakest colour is weakest in the scene shown. */
const dimmest = computed(() => {
  const [worst] = (tally?.feed.runs ?? []).toSorted(
    (a, b) => a.weakest - b.weakest || a.minV - b.minV,
  )
  const run = tally?.runs.find(({ id }) => id === worst?.id)
  if (worst === undefined || run === undefined) return undefined
  const strip = stripOf(store.parts, run.stripId)
  const isPixels = strip.light.kind === 'pixels'
  const tone =
    worst.weakest < plan.value.rules.keep - 1e-9
      ? 'text-stop'
      : isPixels && worst.weakest < 1
        ? 'text-warning'
        : 'text-ok'
  return {
    id: run.id,
    volts: formatQuantity(worst.minV, 'V'),
    where: `${run.name}, ${isPixels ? 'px' : 'group'} ${String(worst.minAt + 1)}`,
    left: formatQuantity(Math.min(1, worst.weakest), '%'),
    copper: formatQuantity(worst.copperA, 'A'),
    tone,
  }
})
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3 py-2.5"
    aria-label="Dimmest light"
  >
    <h2 class="mb-1.5 text-[13px] text-bench-soft">Dimmest light</h2>
    <p v-if="!dimmest" class="text-bench-soft">–</p>
    <button
      v-else
      class="text-left"
      @click="spotlight.choose(dimmest.id)"
      @pointerenter="spotlight.light([dimmest.id])"
      @pointerleave="spotlight.dim"
    >
      <b class="mr-2 text-[19px]" :class="dimmest.tone">{{ dimmest.volts }}</b>
      <span class="text-[13px] text-bench-soft">{{ dimmest.where }}</span>
      <span class="mt-1 block text-[12.5px] text-bench-soft">
        its weakest colour has {{ dimmest.left }} left · {{ dimmest.copper }} at most in that
        strip’s own copper
      </span>
    </button>
  </section>
</template>
