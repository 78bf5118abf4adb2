<script setup lang="ts">
import { Copy, FileDown, Pencil, Trash2 } from '@lucide/vue'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { formatQuantity, plural } from '../../core/quantity/format'
import type { PlanFacts } from '../engine/plan-facts'
import type { StoredPlan } from '../storage/db'
import ErrorBoundary from '../ui/ErrorBoundary.vue'
import RenameField from '../ui/RenameField.vue'
import PlanPicture from './PlanPicture.vue'

const { stored, facts, problem } = defineProps<{
  stored: StoredPlan
  /** What is known of it; the last known while the newest is worked out. */
  facts: PlanFacts | undefined
  /** Why it could not be worked out. */
  problem: string | undefined
}>()
const emit = defineEmits<{ rename: [name: string]; duplicate: []; export: []; delete: [] }>()

const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

function factsText(known: PlanFacts | undefined): string {
  if (known === undefined) return '…'
  if (known.places === 0) return 'nothing to light yet'
  return [
    plural(known.places, 'place'),
    ...(known.lightLengthMm > 0 ? [formatQuantity(known.lightLengthMm / 1000, 'm')] : []),
    ...(known.singleLights > 0 ? [plural(known.singleLights, 'light')] : []),
    ...(known.pixels > 0 ? [formatQuantity(known.pixels, 'px')] : []),
    formatQuantity(known.peakCurrentA, 'A'),
  ].join(' · ')
}

const isRenaming = ref(false)
function rename(name?: string): void {
  isRenaming.value = false
  if (name !== undefined) emit('rename', name)
}

const actions = [
  { label: 'Rename', icon: Pencil, run: () => (isRenaming.value = true) },
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
      <p v-if="problem !== undefined" class="text-[13px] text-warning">
        Cannot be worked out: {{ problem }}. Open it to see why, or export it.
      </p>
      <ErrorBoundary v-else>
        <p class="min-h-5 text-[13px] text-bench-soft">{{ factsText(facts) }}</p>
        <!-- Its line is there before it is known: the name must not move under the pointer. -->
        <p class="h-5 text-[13px]">
          <span v-if="facts && facts.stops > 0" class="mr-3 text-stop">{{
            plural(facts.stops, 'stop')
          }}</span>
          <span v-if="facts && facts.warnings > 0" class="text-warning">{{
            plural(facts.warnings, 'warning')
          }}</span>
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
        class="rounded-md p-2 text-bench-soft hover:bg-bench-high hover:text-bench-ink"
        :aria-label="`${action.label} ${stored.name}`"
        :title="action.label"
        @click="action.run"
      >
        <component :is="action.icon" :size="16" />
      </button>
    </div>
  </li>
</template>
