<script setup lang="ts">
import { ArrowDown, ArrowUp } from '@lucide/vue'
import { computed, ref, shallowRef } from 'vue'
import type { Candidate } from '../../core/choose/compare'
import { differences } from '../../core/choose/differences'
import { change, type Command } from '../../core/plan/commands'
import { formatQuantity, plural, significant } from '../../core/quantity/format'
import { useFinds } from '../engine/use-finds'
import BlendStrip from '../measure/BlendStrip.vue'
import { keptOf } from '../parts/kept'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import type { Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import TickField from '../ui/TickField.vue'
import OtherSize from './OtherSize.vue'
import { useShelf } from '../stores/shelf'
import { hidesDots, mounted } from '../../core/parts/mounted'
import JobProblem from '../ui/JobProblem.vue'

const plan = useOpenPlan()

const [store, shelf] = [usePlanStore(), useShelf()]
const price = usePrice()

/** A line at another size, with which everything is worked out. */
const other = shallowRef<{ readonly line: string; readonly text: string }>()
const resize = computed((): Command[] =>
  other.value === undefined ? [] : [{ do: 'set-text', ...other.value }],
)
const sized = computed(() => change(plan.value, resize.value).plan)

const job = useFinds<Candidate>(
  () => sized.value,
  (service, own, tell) => service.compare(own, keptOf(shelf.parts, 'strip'), tell),
  () => {
    chosen.value = []
    onlyTicked.value = false
  },
)
const { found } = job

const present = computed(() => found.value.find(({ isPresent }) => isPresent))

const volts = ref<number>()
const kind = ref<'pixels' | 'plain'>()
const voltages: readonly Option<number | undefined>[] = [
  { value: undefined, label: 'all' },
  ...[5, 12, 24].map((value) => ({ value, label: formatQuantity(value, 'V') })),
]
const kinds: readonly Option<'pixels' | 'plain' | undefined>[] = [
  { value: undefined, label: 'all' },
  { value: 'pixels', label: 'pixels' },
  { value: 'plain', label: 'plain strip' },
]
const withoutStops = ref(false)
/** Leaves the lights that are ticked, beside the plan's own. */
const onlyTicked = ref(false)
const isShown = ({ strip, problems, isPresent }: Candidate): boolean =>
  isPresent ||
  ((!onlyTicked.value || chosen.value.includes(strip.id)) &&
    (volts.value === undefined || strip.volts === volts.value) &&
    (kind.value === undefined || strip.light.kind === kind.value) &&
    !(withoutStops.value && problems.some(({ grade }) => grade === 'stop')))

const columns = [
  { key: 'cost', label: 'Cost', of: ({ cost }: Candidate) => cost },
  { key: 'powerW', label: 'Full white', of: ({ powerW }: Candidate) => powerW },
  { key: 'lumens', label: 'Light', of: ({ lumens }: Candidate) => -lumens },
  { key: 'joints', label: 'Joints', of: ({ hours }: Candidate) => hours },
  { key: 'ripple', label: 'Dots', of: ({ ripple, pitchMm }: Candidate) => ripple ?? pitchMm },
  {
    key: 'frames',
    label: 'Frames',
    of: ({ framesPerSecond }: Candidate) => -(framesPerSecond ?? 0),
  },
  {
    key: 'battery',
    label: 'On battery',
    of: ({ batteryHours }: Candidate) => -(batteryHours ?? 0),
  },
  {
    key: 'problems',
    label: 'Problems',
    of: ({ problems }: Candidate) =>
      problems.reduce((sum, { grade }) => sum + (grade === 'stop' ? 100 : 1), 0),
  },
] as const
/** Hours on batteries are told where something lives on one. */
const hasBattery = computed(() => found.value.some(({ batteryHours }) => batteryHours !== null))
const shownColumns = computed(() =>
  columns.filter(({ key }) => key !== 'battery' || hasBattery.value),
)
const sortedBy = ref<(typeof columns)[number]['key']>('cost')
const isTurned = ref(false)
function sortBy(key: (typeof columns)[number]['key']): void {
  isTurned.value = sortedBy.value === key && !isTurned.value
  sortedBy.value = key
}
const rows = computed(() => {
  const of = columns.find(({ key }) => key === sortedBy.value)?.of ?? (({ cost }) => cost)
  const sorted = found.value.filter(isShown).toSorted((a, b) => of(a) - of(b))
  return isTurned.value ? sorted.toReversed() : sorted
})

const mostBeside = 3
const chosen = ref<readonly string[]>([])
function choose(id: string): void {
  chosen.value = chosen.value.includes(id)
    ? chosen.value.filter((one) => one !== id)
    : [...chosen.value, id]
  if (chosen.value.length === 0) onlyTicked.value = false
}
/** The ones ticked last. */
const side = computed(() =>
  chosen.value
    .slice(-mostBeside)
    .flatMap((id) => found.value.find(({ strip }) => strip.id === id) ?? []),
)
/** From the lights to the nearest cover that hides dots, mm. */
const depthMm = computed(() => {
  const depths = plan.value.lines
    .map(({ mount }) => mounted(plan.value.own, mount))
    .filter(hidesDots)
    .map(({ coverMm }) => coverMm)
  return depths.length === 0 ? undefined : Math.min(...depths)
})
const problemText = ({ problems }: Candidate): string => {
  const stops = problems.filter(({ grade }) => grade === 'stop').length
  const warnings = problems.length - stops
  const parts = [
    ...(stops > 0 ? [plural(stops, 'stop')] : []),
    ...(warnings > 0 ? [plural(warnings, 'warning')] : []),
  ]
  return parts.length === 0 ? 'none' : parts.join(', ')
}
function take({ strip, commands }: Candidate): void {
  store.commit([...resize.value, ...commands], { label: `take ${strip.name}` })
}
</script>

<template>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2 text-[13px] text-bench-soft">
    <span v-if="job.progress.value !== undefined" role="status" class="flex items-center gap-2">
      <progress class="w-32 accent-glow" :value="job.progress.value" max="1" />
      {{ found.length }} worked out
      <button class="link-quiet" @click="job.stop">stop</button>
    </span>
    <JobProblem
      v-else-if="job.problem.value !== undefined"
      what="Lights could not be compared"
      :problem="job.problem.value"
      @again="job.start"
    />
    <span v-else>
      {{ plural(found.length, 'light') }}, each the whole plan: cut, fed, supplied, wired, bought
      <button class="link-quiet ml-1" @click="job.start">again</button>
    </span>
    <OtherSize v-model="other" class="ml-auto" />
    <PickField
      label="Volts"
      layout="beside"
      :options="voltages"
      :value="volts"
      @pick="volts = $event"
    />
    <PickField label="Kind" layout="beside" :options="kinds" :value="kind" @pick="kind = $event" />
    <TickField label="without stops" :is-on="withoutStops" @set="withoutStops = $event" />
    <TickField
      :class="chosen.length === 0 && 'opacity-60'"
      label="ticked ones only"
      :is-on="onlyTicked"
      :disabled="chosen.length === 0"
      @set="onlyTicked = $event"
    />
  </div>

  <div v-if="side.length > 0" class="grid gap-3 sm:grid-cols-3" data-testid="side-by-side">
    <article
      v-for="one in side"
      :key="one.strip.id"
      class="rounded-lg border border-bench-line bg-bench-raised p-3 text-[13px]"
    >
      <h2 class="font-semibold">{{ one.strip.name }}</h2>
      <p class="mt-0.5 text-[17px] font-bold">{{ price(one.cost) }}</p>
      <BlendStrip
        v-if="depthMm !== undefined"
        class="my-2"
        :pitch-mm="one.pitchMm"
        :depth-mm="depthMm"
      />
      <p v-if="one.isPresent" class="text-bench-soft">
        what the plan has now{{ other ? ', at that size' : '' }}
      </p>
      <ul v-else-if="present" class="list-disc pl-4 text-bench-soft">
        <li v-for="text in differences(one, present, price)" :key="text">{{ text }}</li>
      </ul>
      <button v-if="!one.isPresent || other" class="button-main mt-2" @click="take(one)">
        Take it
      </button>
    </article>
  </div>

  <div
    class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised"
    tabindex="0"
    role="group"
    aria-label="Lights that would do"
  >
    <p
      v-if="found.length === 0"
      class="grid h-full min-h-32 place-items-center px-6 text-center text-bench-soft"
    >
      {{
        job.progress.value === undefined
          ? 'There is no run of strip in this plan to compare lights for.'
          : 'Working the whole plan out with each light …'
      }}
    </p>
    <table v-else class="w-full text-[13px]">
      <thead class="sticky top-0 bg-bench-high text-left text-[12px] text-bench-soft">
        <tr>
          <th class="px-3 py-1.5 font-normal" scope="col">Light</th>
          <th
            v-for="{ key, label } in shownColumns"
            :key="key"
            class="px-2 py-1.5 text-right font-normal whitespace-nowrap"
            scope="col"
            :aria-sort="sortedBy === key ? (isTurned ? 'descending' : 'ascending') : undefined"
          >
            <button
              class="inline-flex items-center gap-1"
              :class="sortedBy === key && 'text-bench-ink'"
              @click="sortBy(key)"
            >
              {{ label }}
              <component :is="isTurned ? ArrowUp : ArrowDown" v-if="sortedBy === key" :size="12" />
            </button>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="one in rows"
          :key="one.strip.id"
          class="border-t border-bench-line align-top"
          :class="one.isPresent && 'bg-bench-high/60'"
          :data-light="one.strip.id"
        >
          <td class="px-3 py-1.5">
            <TickField
              label=""
              :is-on="chosen.includes(one.strip.id)"
              :aria-label="`Side by side: ${one.strip.name}`"
              @set="choose(one.strip.id)"
            >
              {{ one.strip.name }}
              <b v-if="one.isPresent" class="text-glow">· now</b>
              <span
                class="block text-[12px]"
                :class="one.supplies.length === 0 ? 'text-stop' : 'text-bench-soft'"
              >
                {{ one.supplies.join(' and ') || 'no supply is large enough' }}
              </span>
            </TickField>
          </td>
          <td class="px-2 py-1.5 text-right whitespace-nowrap">
            {{ price(one.cost) }}
            <span v-if="one.unpriced > 0" class="block text-[12px] text-bench-soft">
              + {{ one.unpriced }} unpriced
            </span>
          </td>
          <td class="px-2 py-1.5 text-right whitespace-nowrap">
            {{ formatQuantity(one.powerW, 'W') }}
          </td>
          <td class="px-2 py-1.5 text-right whitespace-nowrap">
            {{ significant(one.lumens, 2) }} lm
            <span v-if="one.lux !== null" class="block text-[12px] text-bench-soft">
              {{ formatQuantity(one.lux, 'lx') }}
            </span>
          </td>
          <td class="px-2 py-1.5 text-right whitespace-nowrap">
            {{ one.joints }}
            <span class="block text-[12px] text-bench-soft">
              {{ formatQuantity(one.hours * 60, 'min') }}, {{ plural(one.feeds, 'feed') }}
            </span>
          </td>
          <td class="px-2 py-1.5 text-right whitespace-nowrap">
            {{
              one.ripple === null
                ? 'bare'
                : one.ripple < 0.05
                  ? 'a line'
                  : one.ripple < 0.2
                    ? 'faint'
                    : 'seen'
            }}
            <span class="block text-[12px] text-bench-soft">
              every {{ significant(one.pitchMm, 2) }} mm
            </span>
          </td>
          <td class="px-2 py-1.5 text-right whitespace-nowrap">
            {{ one.framesPerSecond === null ? '–' : `${significant(one.framesPerSecond, 2)}/s` }}
          </td>
          <td v-if="hasBattery" class="px-2 py-1.5 text-right whitespace-nowrap">
            {{ one.batteryHours === null ? '–' : `${significant(one.batteryHours, 2)} h` }}
          </td>
          <td
            class="px-3 py-1.5 text-right"
            :class="
              one.problems.some(({ grade }) => grade === 'stop')
                ? 'text-stop'
                : one.problems.length > 0
                  ? 'text-warning'
                  : 'text-ok'
            "
            :title="one.problems.map(({ text }) => text).join('\n')"
          >
            {{ problemText(one) }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>
