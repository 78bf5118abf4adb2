<script setup lang="ts">
import type { LogEntry } from '../../core/plan/plan'

defineProps<{ trouble: LogEntry['trouble'] }>()
</script>

<!-- What went wrong at a step, and what fixed it. -->
<template>
  <p v-for="({ what, fix }, at) in trouble" :key="at" class="mt-0.5 text-stop">
    Went wrong: {{ what }}
    <span v-if="fix" class="text-bench-ink">· what fixed it: {{ fix }}</span>
  </p>
</template>
