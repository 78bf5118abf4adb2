<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { judged, shortOhm, type Judgement, type Reading } from '../../core/build/readings'
import { amountText, readAmount } from '../../core/quantity/amount'
import { significant } from '../../core/quantity/format'
import { rangeOf } from '../../core/build/reading-words'

const { reading, logged, label } = defineProps<{
  reading: Reading
  /** What was read before. */
  logged: number | undefined
  label: string
}>()
const emit = defineEmits<{ read: [value: number | undefined] }>()

const typed = ref('')
const problem = ref('')
watch(
  () => [logged, reading.where, reading.case, reading.what] as const,
  ([value]) => {
    typed.value = value === undefined ? '' : amountText(value, reading.unit)
    problem.value = ''
  },
  { immediate: true },
)
const judgement = computed<Judgement | undefined>(() =>
  logged === undefined ? undefined : judged(reading, logged),
)

function read(): void {
  const text = typed.value.trim()
  problem.value = ''
  if (text === '') {
    emit('read', undefined)
    return
  }
  const result = readAmount(text, reading.unit)
  if (result.ok && result.value >= 0) emit('read', result.value)
  else
    problem.value = result.ok
      ? `“${text}”: a reading is not below nothing. Are the tips the wrong way round?`
      : `${result.message}, such as ${amountText(reading.value, reading.unit)} ${reading.unit}`
}

/** The face goes from nothing to twice what is expected; it is a half circle. */
const full = computed(() => Math.max(reading.value * 2, 0.02))
const point = (share: number, radius: number): readonly [number, number] => {
  const angle = Math.PI * (1 - Math.min(1, Math.max(0, share)))
  return [100 + radius * Math.cos(angle), 100 - radius * Math.sin(angle)]
}
const arc = (from: number, to: number): string => {
  const [x, y] = point(from, 82)
  const [toX, toY] = point(to, 82)
  return `M${x.toFixed(1)} ${y.toFixed(1)} A82 82 0 0 1 ${toX.toFixed(1)} ${toY.toFixed(1)}`
}
const band = computed(() =>
  reading.isLeast === true
    ? arc(0.5, 1)
    : arc(
        (reading.value * (1 - reading.tolerance)) / full.value,
        (reading.value * (1 + reading.tolerance)) / full.value,
      ),
)
const needle = computed(() => {
  if (logged === undefined) return undefined
  const share = logged / full.value
  return { from: point(share, 58), to: point(share, 76) }
})
const words = {
  right: 'as it should be',
  low: 'too low',
  high: 'too high',
} as const
const tones = { right: 'text-ok', low: 'text-stop', high: 'text-stop' } as const
</script>

<template>
  <div>
    <p class="text-[14px] text-bench-soft">{{ label }}</p>
    <div class="relative mx-auto max-w-[290px]">
      <svg viewBox="0 0 200 112" class="w-full" aria-hidden="true">
        <path :d="arc(0, 1)" fill="none" stroke="var(--color-bench-line)" stroke-width="11" />
        <path :d="band" fill="none" stroke="var(--color-ok)" stroke-width="11" opacity="0.75" />
        <line
          v-if="needle"
          :x1="needle.from[0]"
          :y1="needle.from[1]"
          :x2="needle.to[0]"
          :y2="needle.to[1]"
          stroke="var(--color-bench-ink)"
          stroke-width="4"
          stroke-linecap="round"
        />
      </svg>
      <p class="absolute inset-x-0 bottom-1 text-center">
        <span class="block font-mono text-[26px] font-semibold" data-testid="expected"
          ><span v-if="reading.isLeast" class="text-[15px] font-normal text-bench-soft">over </span
          >{{ significant(reading.value) }} {{ reading.unit }}</span
        >
        <span class="text-[12.5px] text-bench-soft">{{
          reading.isLeast ? `below ${shortOhm} Ω is a short` : rangeOf(reading)
        }}</span>
      </p>
    </div>
    <div class="mt-3 flex gap-2">
      <label class="relative min-w-0 flex-1">
        <span class="sr-only">Reading, {{ label }}, in {{ reading.unit }}</span>
        <input
          v-model="typed"
          class="field h-12 pr-9 font-mono text-[18px]"
          inputmode="decimal"
          autocomplete="off"
          placeholder="reading"
          :aria-invalid="problem !== ''"
          @change="read"
        />
        <span class="absolute top-3.5 right-3 font-mono text-[14px] text-bench-soft">{{
          reading.unit
        }}</span>
      </label>
      <button
        class="button-quiet h-12 shrink-0 px-3"
        title="It reads what it should: nothing to type"
        @click="emit('read', reading.value)"
      >
        As it should
      </button>
    </div>
    <p v-if="problem" class="mt-1.5 text-[13px] text-stop" role="alert">{{ problem }}</p>
    <p
      v-else-if="judgement"
      class="mt-1.5 text-[14px] font-semibold"
      :class="tones[judgement]"
      role="status"
      data-testid="judgement"
    >
      {{ words[judgement] }}
    </p>
    <p v-else class="mt-1.5 text-[14px] text-bench-soft">&nbsp;</p>
  </div>
</template>
