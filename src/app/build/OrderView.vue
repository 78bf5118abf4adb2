<script setup lang="ts">
import { Printer } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import { stepsWithin, type Progress } from '../../core/build/progress'
import { buildSchools, type BuildSchool } from '../../core/plan/build-choices'
import { formatQuantity, plural } from '../../core/quantity/format'
import { schoolNames } from '../../core/roll/build'
import type { BuildOrder } from '../../core/build/order'
import { useJob } from '../engine/use-job'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import OrderRail from './OrderRail.vue'
import StepsPaper from './StepsPaper.vue'
import JobProblem from '../ui/JobProblem.vue'

const { order, progress, current } = defineProps<{
  order: BuildOrder
  progress: Progress
  current: string | undefined
}>()
const emit = defineEmits<{ go: [step: string] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const schools = computed(() =>
  buildSchools.map((value) => ({
    value,
    label: `${schoolNames[value]}, ${formatQuantity(
      value === plan.value.build.school ? order.minutes : order.other.minutes,
      'min',
    )}`,
  })),
)
const school = computed<BuildSchool>({
  get: () => plan.value.build.school,
  set: (value) => {
    // Moves by hand were made in the other order.
    store.commit([{ do: 'set-build', build: { school: value, moved: [] } }], {
      label: `build ${schoolNames[value]}`,
    })
  },
})

/** What the meter should say at each step takes a while: it is worked out beside the page, anew after each change. */
const onPaper = useJob(
  () => plan.value,
  (service, own) => service.stepsOnPaper(own),
)
watch(
  () => plan.value,
  () => {
    onPaper.start()
  },
  { immediate: true },
)

const evenings = [30, 60, 120, 240] as const
const evening = ref<number>()
const fitting = computed(() =>
  evening.value === undefined ? [] : stepsWithin(order.steps, progress, evening.value),
)
const fittingIds = computed(() => new Set(fitting.value.map(({ id }) => id)))
const fittingMin = computed(() => fitting.value.reduce((sum, { minutes }) => sum + minutes, 0))

const refused = ref('')
function move(id: string, by: -1 | 1): void {
  const at = order.steps.findIndex((step) => step.id === id)
  const [step, other] = [order.steps[at], order.steps[at + by]]
  refused.value = ''
  if (step === undefined || other === undefined) return
  const [first, second] = by === 1 ? [step, other] : [other, step]
  if (second.needs.includes(first.id)) {
    refused.value = `“${second.title}” needs “${first.title}” before it.`
    return
  }
  const before = by === -1 ? other.id : (order.steps[at + 2]?.id ?? null)
  store.commit(
    [{ do: 'set-build', build: { moved: [...plan.value.build.moved, { step: id, before }] } }],
    { label: `${by === -1 ? 'earlier' : 'later'}: ${step.title}` },
  )
}
function print(): void {
  window.print()
}
function forgetMoves(): void {
  refused.value = ''
  store.commit([{ do: 'set-build', build: { moved: [] } }], { label: 'the usual order again' })
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <SegmentedChoice v-model="school" label="In which order" :options="schools" />
    <p class="text-[13px] text-bench-soft">
      <b class="text-bench-ink">{{ formatQuantity(progress.leftMin, 'min') }}</b> left of
      {{ formatQuantity(order.minutes, 'min') }}
    </p>
    <div class="flex items-center gap-1 text-[13px]" role="group" aria-label="Time at hand">
      <span class="mr-1 text-bench-soft">I have</span>
      <button
        v-for="minutes in evenings"
        :key="minutes"
        class="rounded-md border px-2 py-1 max-sm:min-h-11"
        :class="evening === minutes ? 'border-glow' : 'border-bench-line text-bench-soft'"
        :aria-pressed="evening === minutes"
        @click="evening = evening === minutes ? undefined : minutes"
      >
        {{ minutes < 60 ? `${minutes} min` : `${minutes / 60} h` }}
      </button>
    </div>
    <button
      class="button-quiet"
      title="The steps with boxes and what the meter should say, and a card for the lid of each supply"
      :disabled="!onPaper.result.value"
      @click="print"
    >
      <Printer :size="14" />
      {{ onPaper.result.value || onPaper.problem.value ? 'Print the steps' : 'Making it ready …' }}
    </button>
    <button v-if="plan.build.moved.length > 0" class="link-quiet text-[13px]" @click="forgetMoves">
      Take back {{ plural(plan.build.moved.length, 'move') }}
    </button>
  </div>
  <p v-if="evening !== undefined" class="text-[14px]" role="status" data-testid="evening">
    <template v-if="fitting.length === 0">Not even the next step fits.</template>
    <template v-else>
      {{ plural(fitting.length, 'step') }}, {{ formatQuantity(fittingMin, 'min') }}, up to
      <b>{{ fitting.at(-1)?.title }}</b>: a good place to stop.
    </template>
  </p>
  <ul
    v-if="order.broken.length > 0"
    class="rounded-lg border border-warning/70 bg-warning/10 px-4 py-2 text-[13px]"
    aria-label="Moves that are left out"
  >
    <li v-for="{ step, because } in order.broken" :key="step.id">
      “{{ step.title }}” stays where it was:
      {{ because.map(({ title }) => `“${title}”`).join(', ') }}
      would come on the wrong side of it.
    </li>
  </ul>
  <JobProblem
    what="The steps cannot be printed"
    :problem="onPaper.problem.value"
    @again="onPaper.start"
  />
  <p v-if="refused" class="text-[14px] text-stop" role="alert">{{ refused }}</p>
  <OrderRail
    class="flex-1"
    :steps="order.steps"
    :progress="progress"
    :current="current"
    :fitting="fittingIds"
    can-move
    @go="emit('go', $event)"
    @move="move"
  />
  <StepsPaper v-if="onPaper.result.value" :name="plan.name" :paper="onPaper.result.value" />
</template>
