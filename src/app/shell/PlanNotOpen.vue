<script setup lang="ts">
import { computed } from 'vue'
import { issueText } from '../../core/quantity/message-of'
import { RouterLink } from 'vue-router'
import { usePlanStore, type OpenState } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { saveRawPlan } from './save-plan-file'

const { state } = defineProps<{ state: Exclude<OpenState, { kind: 'opening' | 'open' }> }>()

const store = usePlanStore()
const { shelf } = useShelf()

const titles = {
  missing: 'This plan is not on the shelf',
  broken: 'This plan cannot be read',
  failed: 'The browser does not give this plan out',
} as const
const issues = computed(() => (state.kind === 'broken' ? state.issues : []))

async function exportRaw(): Promise<void> {
  if (store.id !== undefined) saveRawPlan('plan', await shelf.raw(store.id))
}
const openAgain = (): void => {
  if (store.id !== undefined) void store.open(store.id)
}
</script>

<template>
  <main class="grid place-items-center p-8">
    <div class="max-w-lg" role="alert">
      <h1 class="mb-2 text-xl font-bold">{{ titles[state.kind] }}</h1>
      <p v-if="state.kind === 'missing'" class="mb-4 text-bench-soft">
        It may have been deleted, or it lies in another browser. Deleted plans can be brought back
        from the shelf for 30 days.
      </p>
      <template v-else-if="state.kind === 'failed'">
        <p class="mb-2 text-bench-soft">
          It may be another tab that is saving, or storage that was switched off. Try again; if that
          does not help, restart the browser.
        </p>
        <p class="mb-4 font-mono text-[13px] text-bench-soft">{{ state.message }}</p>
      </template>
      <template v-else>
        <p class="mb-2 text-bench-soft">
          A part of the stored plan is missing or damaged. Nothing was changed. Save the stored
          file, repair what is named below, and import it.
        </p>
        <ul class="mb-4 font-mono text-[13px] text-bench-soft">
          <li v-for="issue in issues.slice(0, 8)" :key="issue.path">
            {{ issueText(issue) }}
          </li>
          <li v-if="issues.length > 8">and {{ issues.length - 8 }} more</li>
        </ul>
      </template>
      <div class="flex flex-wrap gap-2">
        <RouterLink class="button-main" :to="{ name: 'plans' }">To the shelf of plans</RouterLink>
        <button v-if="state.kind === 'broken'" class="button-quiet" @click="exportRaw">
          Save the stored file
        </button>
        <button v-if="state.kind !== 'missing'" class="button-quiet" @click="openAgain">
          Try again
        </button>
      </div>
    </div>
  </main>
</template>
