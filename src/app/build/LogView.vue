<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { Step } from '../../core/build/step'
import type { LogEntry } from '../../core/plan/plan'
import { formatQuantity, plural } from '../../core/quantity/format'
import { allLogs, type FoundEntry } from '../storage/all-logs'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import LearntPanel from './LearntPanel.vue'
import TroubleList from './TroubleList.vue'
import { kindNames, minutesText } from './words'
import TickField from '../ui/TickField.vue'

defineProps<{ steps: readonly Step[] }>()
const emit = defineEmits<{ go: [step: string] }>()
const plan = useOpenPlan()

const [store, { shelf }] = [usePlanStore(), useShelf()]
const search = ref('')
/** Also in the builds of other plans: have I had this before? */
const isEverywhere = ref(false)
const others = shallowRef<readonly FoundEntry[]>([])
watch(isEverywhere, async (everywhere) => {
  const found = everywhere ? allLogs(await shelf.list().catch(() => [])) : []
  others.value = found.filter(({ planId }) => planId !== store.id)
})
const wanted = computed(() => search.value.trim().toLowerCase())
const foundElsewhere = computed(() =>
  wanted.value === ''
    ? []
    : others.value.filter(({ entry }) => textOf(entry).includes(wanted.value)),
)
const textOf = ({ title, note, why, trouble }: LogEntry): string =>
  [title, note, why, ...trouble.flatMap(({ what, fix }) => [what, fix])].join(' ').toLowerCase()
const entries = computed(() =>
  plan.value.build.log.filter((entry) => textOf(entry).includes(wanted.value)).toReversed(),
)
const minutes = computed(() => plan.value.build.log.reduce((sum, entry) => sum + entry.minutes, 0))
const wrong = computed(() =>
  plan.value.build.log.reduce((sum, { trouble }) => sum + trouble.length, 0),
)
const dayOf = (at: string | undefined): string =>
  at === undefined
    ? ''
    : new Date(at).toLocaleString([], {
        day: 'numeric',
        month: 'short',
        hour: '2-digit',
        minute: '2-digit',
      })
</script>

<template>
  <p
    v-if="plan.build.log.length === 0"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-center text-bench-soft"
  >
    Nothing is noted yet. Minutes, readings, notes and what went wrong<br class="max-sm:hidden" />
    are kept here as you build, and go with the plan’s file.
  </p>
  <template v-else>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2 text-[13px] text-bench-soft">
      <p data-testid="log-sum">
        {{ plural(plan.build.log.length, 'entry', 'entries') }} ·
        {{ formatQuantity(minutes, 'min') }} ·
        {{ wrong === 0 ? 'nothing went wrong' : `${wrong} × went wrong` }}
      </p>
      <input
        v-model="search"
        class="field ml-auto w-64 max-sm:w-full"
        type="search"
        placeholder="Search the log"
        aria-label="Search the log"
      />
      <TickField label="in all plans" :is-on="isEverywhere" @set="isEverywhere = $event" />
    </div>
    <div
      class="flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto"
      tabindex="0"
      role="group"
      aria-label="What is noted"
    >
      <LearntPanel :steps="steps" />
      <ol class="rounded-lg bg-bench-raised px-3 py-1" aria-label="The log">
        <li
          v-for="entry in entries"
          :key="entry.step"
          class="border-b border-bench-line py-2 text-[14px] last:border-0"
        >
          <button class="w-full text-left" @click="emit('go', entry.step)">
            <span class="text-bench-soft">{{ kindNames[entry.kind] }} · </span>
            <span class="font-semibold">{{ entry.title }}</span>
            <span class="block text-[13px] text-bench-soft">
              {{ entry.state }}<template v-if="entry.why">: {{ entry.why }}</template>
              <template v-if="entry.minutes > 0"> · {{ minutesText(entry.minutes) }}</template>
              <template v-if="entry.at"> · {{ dayOf(entry.at) }}</template>
              <template v-if="entry.readings.length > 0">
                · {{ plural(entry.readings.length, 'reading') }}</template
              >
            </span>
          </button>
          <p v-if="entry.note" class="mt-0.5 whitespace-pre-line">{{ entry.note }}</p>
          <TroubleList :trouble="entry.trouble" />
        </li>
        <li
          v-for="{ planId, plan: name, entry } in foundElsewhere.slice(0, 100)"
          :key="`${planId} ${entry.step}`"
          class="border-b border-bench-line py-2 text-[14px] last:border-0"
        >
          <RouterLink :to="{ name: 'build', params: { id: planId } }" class="link-quiet">{{
            name
          }}</RouterLink>
          <span class="font-semibold"> {{ entry.title }}</span>
          <p v-if="entry.note" class="whitespace-pre-line">{{ entry.note }}</p>
          <TroubleList :trouble="entry.trouble" />
        </li>
        <li
          v-if="entries.length === 0 && foundElsewhere.length === 0"
          class="py-6 text-center text-bench-soft"
        >
          Nothing in the log has “{{ search }}”.
        </li>
      </ol>
    </div>
  </template>
</template>
