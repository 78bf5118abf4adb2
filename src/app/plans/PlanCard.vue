<script setup lang="ts">
import { Copy, FileDown, Pencil, Tag, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { formatQuantity, plural } from '../../core/quantity/format'
import { money } from '../shell/price'
import { daysUntil, dueText } from '../mend/due'
import type { PlanFacts } from '../engine/plan-facts'
import type { StoredPlan } from '../storage/db'
import ErrorBoundary from '../ui/ErrorBoundary.vue'
import RenameField from '../ui/RenameField.vue'
import PlanPicture from './PlanPicture.vue'
import { readTags } from './shelf-order'

const { stored, facts, problem } = defineProps<{
  stored: StoredPlan
  /** What is known of it; the last known while the newest is worked out. */
  facts: PlanFacts | undefined
  /** Why it could not be worked out. */
  problem: string | undefined
}>()
const emit = defineEmits<{
  rename: [name: string]
  duplicate: []
  export: []
  delete: []
  tags: [tags: readonly string[]]
}>()

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

function factsText(known: PlanFacts | undefined): string {
  if (known === undefined) return '…'
  if (known.places === 0) return 'nothing to light yet'
  return [
    plural(known.places, 'place'),
    ...(known.lightLengthMm > 0
      ? [formatQuantity(known.lightLengthMm / 1000, 'm', known.units)]
      : []),
    ...(known.singleLights > 0 ? [plural(known.singleLights, 'light')] : []),
    ...(known.pixels > 0 ? [formatQuantity(known.pixels, 'px')] : []),
    formatQuantity(known.peakCurrentA, 'A'),
  ].join(' · ')
}

/** What it costs, and how far its build is. */
function workText({ work }: PlanFacts): string {
  if (work === undefined) return ''
  const cost = money(work.cost, work.currency)
  return work.done > 0
    ? `${cost} · step ${String(Math.min(work.done + 1, work.steps))} of ${String(work.steps)}`
    : cost
}

/** What its upkeep asks for within a week, or is late with. */
const upkeep = computed(() => {
  const next = facts?.work?.upkeep
  return next === undefined || daysUntil(next.dueAt) > 7
    ? undefined
    : { text: `${next.title}: ${dueText(next, true)}`, isLate: daysUntil(next.dueAt) < 0 }
})

const isTagging = ref(false)
function tagAs(text?: string): void {
  isTagging.value = false
  if (text !== undefined) emit('tags', readTags(text))
}

const isRenaming = ref(false)
function rename(name?: string): void {
  isRenaming.value = false
  if (name !== undefined) emit('rename', name)
}

const actions = [
  { label: 'Rename', icon: Pencil, run: () => (isRenaming.value = true) },
  { label: 'Tag', icon: Tag, run: () => (isTagging.value = true) },
  {
    label: 'Duplicate',
    icon: Copy,
    run: () => {
      emit('duplicate')
    },
  },
  {
    label: 'Export',
    icon: FileDown,
    run: () => {
      emit('export')
    },
  },
  {
    label: 'Delete',
    icon: Trash2,
    run: () => {
      emit('delete')
    },
  },
]
</script>

<template>
  <li
    class="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-xl border border-bench-line bg-bench-raised py-3 pr-3 pl-4 hover:border-bench-soft"
  >
    <ErrorBoundary>
      <PlanPicture class="h-16 w-24 shrink-0" :drawing="facts?.drawing" />
      <template #failed><span class="h-16 w-24 shrink-0" /></template>
    </ErrorBoundary>
    <div class="min-w-0 flex-1 basis-48">
      <RenameField v-if="isRenaming" :name="stored.name" @end="rename" />
      <RouterLink
        v-else
        :to="{ name: 'measure', params: { id: stored.id } }"
        class="block truncate font-semibold hover:text-glow"
        >{{ stored.name }}</RouterLink
      >
      <RenameField
        v-if="isTagging"
        :name="(stored.tags ?? []).join(', ')"
        label="Tags, with commas between them"
        can-be-empty
        @end="tagAs"
      />
      <p v-else-if="stored.tags?.length" class="flex flex-wrap gap-1">
        <span
          v-for="one in stored.tags"
          :key="one"
          class="rounded-full border border-bench-line px-2 text-[12px] text-bench-soft"
          >{{ one }}</span
        >
      </p>
      <p v-if="problem !== undefined" class="text-[13px] text-warning">
        Cannot be worked out: {{ problem }}. Open it to see why, or export it.
      </p>
      <ErrorBoundary v-else>
        <p class="min-h-5 text-[13px] text-bench-soft">{{ factsText(facts) }}</p>
        <!-- Its line is there before it is known: the name must not move under the pointer. -->
        <p class="min-h-5 text-[13px]">
          <span v-if="facts && facts.stops > 0" class="mr-3 text-stop">{{
            plural(facts.stops, 'stop')
          }}</span>
          <span v-if="facts && facts.warnings > 0" class="mr-3 text-warning">{{
            plural(facts.warnings, 'warning')
          }}</span>
          <span v-if="facts && facts.places > 0" class="text-bench-soft">{{
            workText(facts)
          }}</span>
          <RouterLink
            v-if="upkeep"
            class="ml-3 underline decoration-dotted"
            :class="upkeep.isLate && 'text-warning'"
            :to="{ name: 'mend', params: { id: stored.id }, query: { view: 'upkeep' } }"
            >{{ upkeep.text }}</RouterLink
          >
        </p>
        <template #failed
          ><p class="text-[13px] text-bench-soft">What is known of it cannot be shown.</p></template
        >
      </ErrorBoundary>
    </div>
    <p class="text-[12px] text-bench-soft">
      {{ Number.isFinite(stored.changedAt) ? when.format(stored.changedAt) : '' }}
    </p>
    <div class="flex">
      <button
        v-for="action in actions"
        :key="action.label"
        class="rounded-md p-2 max-sm:p-3.5 text-bench-soft hover:bg-bench-high hover:text-bench-ink"
        :aria-label="`${action.label} ${stored.name}`"
        :title="action.label"
        @click="action.run"
      >
        <component :is="action.icon" :size="16" />
      </button>
    </div>
  </li>
</template>
