<script setup lang="ts">
import { X } from '@lucide/vue'
import { computed, ref, shallowRef, watch } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { withDimension } from '../../core/measure/rewrite'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import type { WhatIf } from '../../core/choose/what-if'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useJob } from '../engine/use-job'
import SliderField from '../ui/SliderField.vue'

const { run, dimension } = defineProps<{
  run: MeasuredRun
  dimension: number
}>()
const emit = defineEmits<{ close: [] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const priceText = usePrice()
const { result, problem, start } = useJob(
  () => plan.value,
  (service, job) => service.whatIf(job, run.id, dimension),
)
/** The last answers stay until the new ones have come. */
const answers = shallowRef<readonly WhatIf[]>([])
const at = ref(0)
const now = computed(() => run.dimensions[dimension]?.value ?? 0)
const isNow = ({ value }: WhatIf): boolean => Math.abs(value - now.value) < 0.05

watch(result, (found) => {
  if (found === undefined) return
  answers.value = found
  at.value = Math.max(0, found.findIndex(isNow))
})
watch(
  () => plan.value,
  () => {
    start()
  },
  { immediate: true },
)

const present = computed(() => answers.value.find(isNow))
const chosen = computed(() => answers.value[at.value])
/** Sizes that come out even, the nearest first. */
const good = computed(() =>
  answers.value
    .filter((answer) => answer.isOnMarks || answer.isWholeReels)
    .map((answer) => ({
      answer,
      rank: (answer.isWholeReels ? 2 : 0) + (answer.isOnSplices ? 1 : 0),
    }))
    .toSorted(
      (a, b) =>
        b.rank - a.rank ||
        Math.abs(a.answer.value - now.value) - Math.abs(b.answer.value - now.value),
    )
    .slice(0, 5)
    .map(({ answer }) => answer)
    .toSorted((a, b) => a.value - b.value),
)
const words = ({ isOnSplices, isWholeReels }: WhatIf): string =>
  isWholeReels ? 'whole reels' : isOnSplices ? 'factory lengths' : 'on the marks'

const rows = computed(() => {
  const [to, from] = [chosen.value, present.value]
  if (to === undefined || from === undefined) return []
  const row = (label: string, of: (answer: WhatIf) => number, text: (value: number) => string) => {
    const difference = of(to) - of(from)
    return {
      label,
      value: text(of(to)),
      change:
        Math.abs(difference) < 1e-9
          ? ''
          : `${difference > 0 ? '+' : '−'}${text(Math.abs(difference))}`,
    }
  }
  return [
    row('pieces', ({ pieces }) => pieces, String),
    row('reels', ({ reels }) => reels, String),
    row(
      'left over',
      ({ leftoverMm }) => leftoverMm,
      (mm) => formatLength(mm, plan.value.units),
    ),
    row(
      'dark ends',
      ({ gapMm }) => gapMm,
      (mm) => formatLength(mm, plan.value.units),
    ),
    row('pixels', ({ pixels }) => pixels, String),
    row(
      'at full white',
      ({ peakA }) => peakA,
      (amperes) => formatQuantity(amperes, 'A'),
    ),
    row(
      'strip',
      ({ price }) => price,
      (price) => priceText(price),
    ),
  ]
})

function take(): void {
  const measure = run.dimensions[dimension]
  if (chosen.value === undefined || measure === undefined) return
  const text = withDimension(run.line.text, run.dimensions, dimension, chosen.value.value)
  store.commit([{ do: 'set-text', line: run.id, text }], { label: `size of ${run.name}` })
}
</script>

<template>
  <section
    class="absolute inset-x-3 bottom-3 z-30 rounded-lg border border-bench-line bg-bench-high/95 p-3 text-[12.5px] shadow-xl shadow-black/60"
    aria-label="What if"
    @keydown.esc="emit('close')"
    @wheel.stop
    @pointerdown.stop
  >
    <div class="flex items-center gap-3">
      <h2 class="shrink-0 font-semibold">
        What if {{ formatLength(now, plan.units) }} of {{ run.name }} were
      </h2>
      <SliderField
        v-if="answers.length > 0"
        class="min-w-20 flex-1"
        :label="`What if this measure of ${run.name} were another`"
        layout="unseen"
        width="w-full"
        :value="at"
        :least="0"
        :most="answers.length - 1"
        :aria-valuetext="chosen && formatLength(chosen.value, plan.units)"
        @set="at = $event"
      />
      <b class="w-20 text-right font-mono text-[14px]">{{
        chosen ? formatLength(chosen.value, plan.units) : '…'
      }}</b>
      <button
        class="button-main px-2.5 py-1"
        :disabled="!chosen || (chosen && isNow(chosen))"
        @click="take"
      >
        Take it
      </button>
      <button class="rounded p-1 hover:bg-bench-line" aria-label="Close" @click="emit('close')">
        <X :size="15" />
      </button>
    </div>
    <p v-if="problem" role="alert" class="mt-1.5 text-stop">
      It could not be worked out: {{ problem }}
    </p>
    <dl class="mt-2 grid grid-cols-[repeat(auto-fit,minmax(66px,1fr))] gap-2">
      <div v-for="{ label, value, change } in rows" :key="label">
        <dt class="text-[12px] text-bench-soft">{{ label }}</dt>
        <dd class="font-semibold">{{ value }}</dd>
        <dd class="h-4 text-[12px] text-glow">{{ change }}</dd>
      </div>
    </dl>
    <p v-if="good.length > 0" class="mt-1.5 flex flex-wrap gap-1.5 text-[12px]">
      <span class="text-bench-soft">Comes out even:</span>
      <button
        v-for="answer in good"
        :key="answer.value"
        class="rounded border px-1.5"
        :class="
          answer === chosen ? 'border-glow text-glow' : 'border-bench-line hover:border-bench-soft'
        "
        @click="at = answers.indexOf(answer)"
      >
        {{ formatLength(answer.value, plan.units) }}
        <span class="text-bench-soft">{{ words(answer) }}</span>
      </button>
    </p>
  </section>
</template>
