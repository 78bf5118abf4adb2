<script setup lang="ts">
import { computed } from 'vue'
import { hasFadedRuns } from '../../core/feed/branches'
import type { PlanAnswers } from '../engine/follow-plan'
import BranchTree from './BranchTree.vue'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()

const roots = computed(
  () => tally?.feed.branches.filter(({ branches }) => branches.length > 0) ?? [],
)
const isFaded = computed(() => hasFadedRuns(roots.value, tally?.runs ?? []))
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3 min-[900px]:col-span-2"
    aria-label="What hangs on what"
  >
    <h2 class="mb-2 font-semibold">
      What hangs on what
      <span class="ml-1 text-[12px] font-normal text-bench-soft"
        >the current in each branch at full white, plugs that are free, leads with slack</span
      >
    </h2>
    <p v-if="isFaded" class="mb-2 text-[12.5px] text-bench-soft">
      Where volts run low, lights fade and draw less than the tally counts for them.
    </p>
    <BranchTree v-if="roots.length > 0" :roots="roots" label="Tree of the feed" />
    <p v-else class="text-[12.5px] text-bench-soft">Nothing hangs on a supply yet.</p>
  </section>
</template>
