<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { usePlanStore } from '../stores/plan'

defineProps<{
  /** What there is none of, such as “No wires yet”. */
  what: string
}>()

const store = usePlanStore()
</script>

<!-- In place of what a page shows, as long as its plan has no length: all of a column, or of a panel. The slot goes on after it. -->
<template>
  <p class="grid h-full flex-1 place-items-center rounded-lg bg-bench-raised px-4 text-bench-soft">
    <span class="text-center text-balance">
      {{ what }}.
      <RouterLink class="link-quiet" :to="{ name: 'measure', params: { id: store.id } }"
        >Jot a length on the Measure page</RouterLink
      >
      first<slot>.</slot>
    </span>
  </p>
</template>
