<script setup lang="ts">
import { computed, ref } from 'vue'
import { feedsOf } from '../../core/plan/feeds'
import type { Feed, Line } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { formatLength, formatQuantity, plural } from '../../core/quantity/format'
import type { PlanAnswers } from '../engine/follow-plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import LeadEditor from './LeadEditor.vue'

const { tally } = defineProps<{ tally: PlanAnswers }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()
const open = ref<string>()

/** Runs of single lights that a lead goes to, with their first feed. */
const rows = computed(() =>
  tally.runs.flatMap((run) => {
    if (run.lit === null) return []
    const line = plan.value.lines.find(({ id }) => id === run.id)
    const leads = tally.feed.leads.filter(({ to }) => to.kind === 'run' && to.run === run.id)
    const [lead] = leads
    const [feed] = line === undefined ? [] : feedsOf(line)
    if (line === undefined || lead === undefined || feed === undefined) return []
    return [{ run, line, leads, lead, feed }]
  }),
)
function set(line: Line, name: string, change: Settable<Feed>): void {
  const feeds = feedsOf(line).map((feed, index) =>
    index === 0 ? withSet<Feed>(feed, change) : feed,
  )
  store.commit([{ do: 'set-lines', lines: [line.id], set: { feeds } }], {
    label: `a lead of ${name}`,
  })
}
/** As it is where nothing is said. */
function reset(line: Line, name: string): void {
  open.value = undefined
  store.commit([{ do: 'set-lines', lines: [line.id], set: { feeds: undefined } }], {
    label: `the lead of ${name} as usual`,
  })
}
</script>

<!-- Single lights have no tape: their leads, one below the other. -->
<template>
  <section v-if="rows.length > 0" class="mt-3" aria-label="Leads to single lights">
    <h2 class="mb-1 text-[12px] tracking-wide text-bench-soft uppercase">Leads to single lights</h2>
    <div
      v-for="{ run, line, leads, lead, feed } in rows"
      :key="run.id"
      class="border-t border-bench-line py-1.5"
      @pointerenter="spotlight.light([run.id])"
      @pointerleave="spotlight.dim"
    >
      <p class="flex flex-wrap items-baseline gap-x-3 text-[13px]">
        <b :class="spotlight.lit.has(run.id) && 'text-glow'">{{ run.name }}</b>
        <span class="text-bench-soft">
          {{ plural(run.lights, 'light') }} ·
          <template v-if="leads.length > 1">{{ leads.length }} leads · </template>
          {{ formatLength(Math.round(lead.lengthMm), plan.units) }} of
          {{ formatQuantity(run.currentA, 'A') }}, loses {{ formatQuantity(lead.dropV, 'V') }}
        </span>
        <button
          class="link-quiet ml-auto text-[12px]"
          :aria-expanded="open === run.id"
          @click="open = open === run.id ? undefined : run.id"
        >
          its lead
        </button>
      </p>
      <LeadEditor
        v-if="open === run.id"
        class="mt-1.5"
        :name="run.name"
        :settings="feed"
        :lead="lead"
        @set="(change) => set(line, run.name, change)"
        @remove="reset(line, run.name)"
        @close="open = undefined"
      />
    </div>
  </section>
</template>
