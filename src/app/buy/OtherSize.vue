<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { withDimension } from '../../core/measure/rewrite'
import { formatLength } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import type { Option } from '../ui/option'
import PickField from '../ui/PickField.vue'

const plan = useOpenPlan()
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
const options = computed((): Option<string | undefined>[] => [
  { value: undefined, label: 'every size stays' },
  ...measures.value.map(({ key, run, mm }) => ({
    value: key,
    label: `${run.name}, ${formatLength(mm, plan.value.units)}`,
  })),
])
const picked = ref<string>()
const otherMm = ref<number>()
const measure = computed(() => measures.value.find(({ key }) => key === picked.value))

function pick(key: string | undefined): void {
  picked.value = key
  otherMm.value = measure.value?.mm
  model.value = undefined
}
function set(next: number | undefined): void {
  const own = measure.value
  if (own === undefined || next === undefined) return
  const { run, index, mm } = own
  otherMm.value = next
  model.value =
    Math.abs(next - mm) < 0.05
      ? undefined
      : { line: run.id, text: withDimension(run.line.text, run.dimensions, index, next) }
}
// Once it is taken, or the plan is another, that size is no longer another one.
watch(
  () => plan.value.lines,
  () => {
    picked.value = undefined
    model.value = undefined
  },
)
</script>

<template>
  <span class="flex flex-wrap items-center gap-1.5">
    <PickField
      label="What if"
      layout="beside"
      width="w-auto max-w-52"
      :options="options"
      :value="picked"
      @pick="pick"
    />
    <span v-if="measure">were</span>
    <LengthField
      v-if="measure"
      label="The other size"
      layout="unseen"
      width="w-28"
      :mm="otherMm"
      :least="0.1"
      :most="1_000_000"
      :units="plan.units"
      is-required
      @set="set"
    />
  </span>
</template>
