<script setup lang="ts">
import { computed, ref } from 'vue'
import { caseName } from '../../core/build/reading-words'
import { judged, shownAt, type Expected, type Reading } from '../../core/build/readings'
import type { Step } from '../../core/build/step'
import type { LogEntry, LoggedReading } from '../../core/plan/plan'
import { formatQuantity, plural } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import MeterFace from './MeterFace.vue'

const { step, expected, entry, fresh } = defineProps<{
  step: Step
  expected: Expected
  entry: LogEntry | undefined
  /** Joints that are new since the last good reading, as they are called. */
  fresh: readonly string[]
}>()
const emit = defineEmits<{ readings: [readings: LoggedReading[]] }>()
const plan = useOpenPlan()

const store = usePlanStore()

const shown = computed(() => shownAt(step, expected.readings))
const keyOf = ({ what, where, case: of }: Pick<Reading, 'what' | 'where'> & { case: string }) =>
  `${what} ${where} ${of}`
const picked = ref<string>()
const reading = computed(
  () => shown.value.find((one) => keyOf(one) === picked.value) ?? shown.value[0],
)
const valueOf = (one: Reading): number | undefined =>
  entry?.readings.find((logged) => keyOf(logged) === keyOf(one))?.value

const nameOf = (id: string): string => plan.value.supplies.find((one) => one.id === id)?.name ?? ''
const severalSupplies = computed(
  () => new Set(shown.value.flatMap((one) => (one.what === 'current' ? [one.where] : []))).size > 1,
)
function tabOf(one: Reading): string {
  if (one.what === 'volts') return `V at ${one.pad?.at === 0 ? 'the start' : 'the end'}`
  if (one.what === 'resistance') return 'plus to minus'
  return `${caseName(one)}${severalSupplies.value ? `, ${nameOf(one.where)}` : ''}`
}
function labelOf(one: Reading): string {
  switch (one.what) {
    case 'resistance':
      return 'Unpowered, red tip on plus, black on minus'
    case 'volts':
      return `At ${caseName(one)}, plus to minus at ${one.pad?.at === 0 ? 'the start' : 'the end'} of what is lit`
    case 'current':
      return `At ${caseName(one)}, ${severalSupplies.value ? nameOf(one.where) : 'the supply'} should give`
  }
}
function read(one: Reading, value: number | undefined): void {
  const others = (entry?.readings ?? []).filter((logged) => keyOf(logged) !== keyOf(one))
  const { what, where, case: of, level } = one
  emit(
    'readings',
    value === undefined
      ? others
      : [...others, { what, where, case: of, value, ...(level !== undefined && { level }) }],
  )
}
const marks = { right: '✓', low: '✗', high: '✗' } as const
const isOff = computed(() =>
  shown.value.some((one) => {
    const value = valueOf(one)
    return value !== undefined && judged(one, value) !== 'right'
  }),
)
const lit = computed(() =>
  [...expected.connected].map(([run, stretches]) => ({
    run,
    name: store.tally?.runs.find(({ id }) => id === run)?.name ?? run,
    groups: stretches.reduce((sum, [, count]) => sum + count, 0),
  })),
)
</script>

<template>
  <div v-if="reading" class="min-w-0">
    <div
      v-if="shown.length > 1"
      class="mb-2 flex flex-wrap gap-1"
      role="group"
      aria-label="What is measured"
    >
      <button
        v-for="one in shown"
        :key="keyOf(one)"
        class="rounded-md border px-2 py-1 text-[13px] max-sm:min-h-11"
        :class="
          one === reading ? 'border-glow text-bench-ink' : 'border-bench-line text-bench-soft'
        "
        :aria-pressed="one === reading"
        @click="picked = keyOf(one)"
      >
        {{ tabOf(one) }}
        <span
          v-if="valueOf(one) !== undefined"
          :class="judged(one, valueOf(one) ?? 0) === 'right' ? 'text-ok' : 'text-stop'"
          >{{ marks[judged(one, valueOf(one) ?? 0)] }}</span
        >
      </button>
    </div>
    <MeterFace
      :reading="reading"
      :logged="valueOf(reading)"
      :label="labelOf(reading)"
      @read="read(reading, $event)"
    />
    <p v-if="isOff && fresh.length > 0" class="text-[14px] text-stop" role="alert">
      New since the last reading, so look there first: {{ fresh.slice(0, 6).join(' · ')
      }}{{ fresh.length > 6 ? ` and ${String(fresh.length - 6)} more` : '' }}
    </p>
    <dl
      v-if="step.kind !== 'check'"
      class="mt-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-[13px] text-bench-soft"
    >
      <dt>connected</dt>
      <dd>
        <template v-if="lit.length === 0">nothing that lights yet</template>
        <template v-for="(one, index) in lit" :key="one.run"
          ><template v-if="index > 0">, </template>{{ one.name }}
          {{ plural(one.groups, 'group') }}</template
        >
        <template v-if="expected.by === 'clips'"> on clip leads</template>
      </dd>
      <template v-if="expected.benchLimitA > 0 && step.kind === 'test'">
        <dt>bench supply</dt>
        <dd>limit at {{ formatQuantity(expected.benchLimitA, 'A') }}</dd>
      </template>
    </dl>
  </div>
</template>
