<script setup lang="ts">
import { computed } from 'vue'
import { formatQuantity } from '../../core/quantity/format'
import { isReadingOf } from '../../core/mend/seen'
import type { OpenMend, Ranking } from '../engine/mend.worker'
import { percent, placeText, saidWords, stateText } from './looks'
import type { MendCase } from './mend-case'

const { open, ranking, trouble } = defineProps<{
  open: OpenMend
  ranking: Ranking
  trouble: MendCase
}>()

const heading =
  'mt-4 mb-1.5 border-b border-dashed border-paper-soft/50 pb-1 text-[12px] tracking-wide text-paper-soft uppercase'

const lines = computed(() =>
  open.runs.flatMap((run) =>
    (trouble.seen.runs[run.id] ?? []).map((stretch) => ({
      key: `${run.id}-${String(stretch[0])}`,
      left: placeText(run, stretch),
      right: stateText(stretch),
    })),
  ),
)
const words = computed(() => saidWords(trouble.seen))
const readings = computed(() =>
  trouble.seen.readings.map((reading) => {
    const unit = reading.what === 'volts' ? 'V' : 'A'
    const point = open.points.find((one) => isReadingOf(one, reading))
    return {
      text: point?.text ?? reading.where,
      read: formatQuantity(reading.value, unit),
      plan: point === undefined ? '' : formatQuantity(point.value, unit),
    }
  }),
)
const first = computed(() => ranking.suspects[0])
</script>

<template>
  <section>
    <h3 :class="heading">What is seen</h3>
    <p
      v-if="lines.length === 0 && words.length === 0 && readings.length === 0"
      class="text-paper-soft"
    >
      Nothing is painted yet: {{ open.faults }} faults are possible.
    </p>
    <dl>
      <div v-for="line in lines" :key="line.key" class="flex justify-between gap-3">
        <dt class="min-w-0 truncate">{{ line.left }}</dt>
        <dd class="text-right text-paper-soft">{{ line.right }}</dd>
      </div>
    </dl>
    <p v-for="word in words" :key="word">{{ word }}</p>
    <div v-for="reading in readings" :key="reading.text" class="mt-1">
      <p class="flex justify-between gap-3">
        <span class="min-w-0">{{ reading.text }}</span>
        <span class="font-semibold whitespace-nowrap">{{ reading.read }}</span>
      </p>
      <p v-if="reading.plan" class="text-right text-paper-soft">the plan says {{ reading.plan }}</p>
    </div>
  </section>
  <section v-if="first && lines.length + words.length + readings.length > 0">
    <h3 :class="heading">Why {{ first.title.toLowerCase() }} first</h3>
    <p v-for="reason in first.why" :key="reason">{{ reason }}</p>
    <p class="mt-1 flex justify-between border-t border-paper-ink pt-1 font-semibold">
      <span class="min-w-0">{{ first.title }}, {{ first.where }}</span>
      <span class="whitespace-nowrap">{{ percent(first.probability) }}</span>
    </p>
  </section>
  <section v-if="ranking.cleared.length > 0">
    <h3 :class="heading">Cleared by the plan</h3>
    <p v-for="text in ranking.cleared" :key="text">{{ text }}</p>
  </section>
</template>
