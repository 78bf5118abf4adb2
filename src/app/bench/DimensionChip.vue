<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { readLine } from '../../core/measure/jot'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import { withDimension } from '../../core/measure/rewrite'

const props = defineProps<{
  run: MeasuredRun
  /** Index among the run's dimensions. */
  dimension: number
  /** How long it is, and how many equal parts it stands for. */
  label: string
  x: number
  y: number
  isLit: boolean
}>()

const emit = defineEmits<{ whatIf: [] }>()

const store = usePlanStore()
const spotlight = useSpotlight()
const input = useTemplateRef<HTMLInputElement>('input')
const draft = ref<string>()
const error = ref<string>()

const measure = computed(() => props.run.dimensions[props.dimension])
const source = computed(() => {
  const { at = 0, end = 0 } = measure.value ?? {}
  return props.run.line.text.slice(at, end).trim()
})

async function edit(): Promise<void> {
  spotlight.choose(props.run.id)
  error.value = undefined
  draft.value = source.value
  await nextTick()
  input.value?.select()
}

function cancel(): void {
  draft.value = undefined
  error.value = undefined
}

function finish(): void {
  if (draft.value === undefined || measure.value === undefined) return
  if (draft.value.trim() === source.value) {
    cancel()
    return
  }
  const text = withDimension(
    props.run.line.text,
    props.run.dimensions,
    props.dimension,
    draft.value,
  )
  const reading = readLine(text, { trace: props.run.line.trace, pixelMm: props.run.pixelMm })
  if (reading.kind !== 'run') {
    error.value = reading.kind === 'error' ? reading.message : 'A length?'
    return
  }
  store.commit([{ do: 'set-text', line: props.run.id, text }], {
    label: `dimension of ${props.run.name}`,
  })
  cancel()
}

function askWhatIf(): void {
  cancel()
  emit('whatIf')
}

/** Leaving the field keeps what can be read; what cannot stays on the pad's side as it was. */
function leave(): void {
  finish()
  if (error.value !== undefined) cancel()
}
</script>

<template>
  <div
    class="absolute z-10 -translate-x-1/2 -translate-y-1/2"
    :style="{ left: `${x}px`, top: `${y}px` }"
  >
    <input
      v-if="draft !== undefined"
      ref="input"
      v-model="draft"
      class="w-28 rounded-md border border-glow bg-bench px-2 py-0.5 text-center font-mono text-[12.5px]"
      :aria-label="`Dimension of ${run.name}`"
      :aria-invalid="error !== undefined"
      @keydown.enter="finish"
      @keydown.esc="cancel"
      @blur="leave"
    />
    <button
      v-if="draft !== undefined && measure?.kind !== 'count' && measure?.kind !== 'degrees'"
      class="absolute top-full left-1/2 mt-1 -translate-x-1/2 rounded-md border border-bench-line bg-bench-high px-2 py-0.5 text-[12px] whitespace-nowrap hover:border-glow"
      :class="error !== undefined && 'mt-8'"
      @pointerdown.prevent="askWhatIf"
      @click="askWhatIf"
    >
      what if …
    </button>
    <button
      v-if="draft === undefined"
      class="slim relative rounded-md border px-2 py-0.5 font-mono text-[12px] whitespace-nowrap"
      :class="
        isLit
          ? 'border-glow bg-glow text-bench'
          : 'border-bench-line bg-bench-high text-bench-ink hover:border-glow'
      "
      :aria-label="`${label}, dimension of ${run.name}: change it`"
      @click="edit"
      @pointerenter="spotlight.light([run.id])"
      @pointerleave="spotlight.dim"
    >
      {{ label }}
    </button>
    <p
      v-if="error !== undefined"
      role="alert"
      class="absolute top-full left-1/2 mt-1 -translate-x-1/2 rounded bg-stop px-2 py-0.5 text-[12px] whitespace-nowrap text-bench"
    >
      {{ error }}
    </p>
  </div>
</template>
