<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { usePlanStore } from '../stores/plan'

defineProps<{
  /** What there is none of, such as “No wires yet”. */
  what: string
}>()

const store = usePlanStore()
</script>

<!-- In place of what a page shows, as long as its plan has no length; the slot goes on after it. -->
<template>
  <p class="grid place-items-center px-4 text-bench-soft">
    <span class="text-center text-balance">
      {{ what }}.
      <RouterLink class="link-quiet" :to="{ name: 'measure', params: { id: store.id } }"
        >Jot a length on the Measure page</RouterLink
      >
      first<slot>.</slot>
    </span>
  </p>
</template>
