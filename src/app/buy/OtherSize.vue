<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { withDimension } from '../../core/measure/rewrite'
import type { Plan } from '../../core/plan/plan'
import { formatLength } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'
import { usePlanStore } from '../stores/plan'

const { plan } = defineProps<{ plan: Plan }>()
/** A line of the pad as it would be written at another size. */
const model = defineModel<{ readonly line: string; readonly text: string } | undefined>()

const store = usePlanStore()
const measures = computed(() =>
  store.measured.runs.flatMap((run) =>
    run.dimensions.flatMap((dimension, index) =>
      dimension.kind === 'degrees' || dimension.kind === 'count'
        ? []
        : [{ key: `${run.id} ${String(index)}`, run, index, mm: dimension.value }],
    ),
  ),
)
const picked = ref('')
const typed = ref('')
const problem = ref('')
const measure = computed(() => measures.value.find(({ key }) => key === picked.value))

function pick(event: Event): void {
  if (!(event.target instanceof HTMLSelectElement)) return
  picked.value = event.target.value
  typed.value = measure.value === undefined ? '' : formatLength(measure.value.mm, plan.units)
  problem.value = ''
  model.value = undefined
}
function set(): void {
  const own = measure.value
  if (own === undefined) return
  const read = readLength(typed.value)
  problem.value = read.ok ? '' : `“${typed.value}”: ${read.message}`
  if (!read.ok) return
  const { run, index, mm } = own
  model.value =
    Math.abs(read.mm - mm) < 0.05
      ? undefined
      : { line: run.id, text: withDimension(run.line.text, run.dimensions, index, read.mm) }
}
// Once it is taken, or the plan is another, that size is no longer another one.
watch(
  () => plan.lines,
  () => {
    picked.value = ''
    model.value = undefined
  },
)
</script>

<template>
  <span class="flex flex-wrap items-center gap-1.5">
    <label class="flex items-center gap-1.5">
      What if
      <select class="field w-auto max-w-52 py-1" :value="picked" @change="pick">
        <option value="">every size stays</option>
        <option v-for="{ key, run, mm } in measures" :key="key" :value="key">
          {{ run.name }}, {{ formatLength(mm, plan.units) }}
        </option>
      </select>
    </label>
    <label v-if="measure" class="flex items-center gap-1.5">
      were
      <input
        v-model="typed"
        class="field w-28 py-1"
        aria-label="The other size"
        @change="set"
        @keydown.enter="set"
      />
    </label>
    <span v-if="problem" class="text-stop" role="alert">{{ problem }}</span>
  </span>
</template>
