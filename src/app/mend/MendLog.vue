<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { RouterLink } from 'vue-router'
import type { MendEntry } from '../../core/plan/plan'
import { plural } from '../../core/quantity/format'
import { allMends, type FoundMend } from '../storage/all-logs'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import { dayText } from './due'

const plan = useOpenPlan()
const [store, { shelf }] = [usePlanStore(), useShelf()]

const search = ref('')
const wanted = computed(() => search.value.trim().toLowerCase())
const textOf = ({ symptom, cause, mend, tests }: MendEntry): string =>
  [symptom, cause, mend, ...tests.flatMap(({ test, outcome }) => [test, outcome])]
    .join(' ')
    .toLowerCase()
const own = computed(() =>
  plan.value.mends.filter((entry) => textOf(entry).includes(wanted.value)).toReversed(),
)
/** Also of other plans: have I had this before? */
const others = shallowRef<readonly FoundMend[]>([])
watch(
  () => store.id,
  async (id) => {
    const found = allMends(await shelf.list().catch(() => []))
    others.value = found.filter(({ planId }) => planId !== id)
  },
  { immediate: true },
)
const elsewhere = computed(() =>
  wanted.value === ''
    ? []
    : others.value.filter(({ entry }) => textOf(entry).includes(wanted.value)),
)
function remove(entry: MendEntry): void {
  store.commit([{ do: 'remove-mend', mend: entry.id }], { label: 'remove an entry of the log' })
}
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-3">
    <label class="text-[13px] text-bench-soft">
      Search here and in all other plans
      <input v-model="search" class="field mt-1 w-full max-w-md" type="search" />
    </label>
    <p
      v-if="plan.mends.length === 0 && wanted === ''"
      class="grid flex-1 place-items-center rounded-lg bg-bench-raised p-6 text-center text-bench-soft"
    >
      Nothing was mended yet. What you saw, tested and did is kept here,<br class="max-sm:hidden" />
      goes with the plan’s file, and counts the next time something is wrong.
    </p>
    <ul v-else class="min-h-0 flex-1 space-y-3 overflow-y-auto">
      <li
        v-for="entry in own"
        :key="entry.id"
        class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
      >
        <div class="flex items-baseline gap-3">
          <h2 class="min-w-0 flex-1 text-[15px] font-semibold">{{ entry.cause }}</h2>
          <p class="text-[13px] whitespace-nowrap text-bench-soft">
            {{ dayText(entry.at) }} · {{ plural(Math.round(entry.minutes), 'minute') }}
          </p>
        </div>
        <p class="mt-1 text-[14px]">
          <span class="text-bench-soft">Seen:</span> {{ entry.symptom }}
        </p>
        <ol v-if="entry.tests.length > 0" class="mt-1 text-[13px] text-bench-soft">
          <li v-for="(test, index) in entry.tests" :key="index">
            {{ test.test }}: <span class="text-bench-ink">{{ test.outcome }}</span>
          </li>
        </ol>
        <p v-if="entry.mend" class="mt-1 text-[14px]">
          <span class="text-bench-soft">Mended:</span> {{ entry.mend }}
        </p>
        <p class="mt-1 text-right">
          <button
            type="button"
            class="min-h-6 text-[12.5px] underline decoration-dotted"
            @click="remove(entry)"
          >
            Remove this entry
          </button>
        </p>
      </li>
      <li
        v-for="{ planId, planName, entry } in elsewhere"
        :key="planId + entry.id"
        class="rounded-lg border border-bench-line px-4 py-3"
      >
        <p class="text-[13px] text-bench-soft">
          <RouterLink class="underline" :to="{ name: 'mend', params: { id: planId } }">{{
            planName
          }}</RouterLink>
          · {{ dayText(entry.at) }}
        </p>
        <h2 class="text-[15px] font-semibold">{{ entry.cause }}</h2>
        <p class="text-[14px]">{{ entry.symptom }}</p>
        <p v-if="entry.mend" class="text-[14px]">Mended: {{ entry.mend }}</p>
      </li>
      <li v-if="own.length === 0 && elsewhere.length === 0" class="text-bench-soft">
        Nothing like that was noted.
      </li>
    </ul>
  </div>
</template>
