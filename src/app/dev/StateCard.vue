<script setup lang="ts">
defineProps<{ title: string }>()
</script>

<!-- One component, in each of its states. -->
<template>
  <section class="rounded-lg border border-bench-line bg-bench-raised p-4" :aria-label="title">
    <h2 class="mb-3 font-semibold">{{ title }}</h2>
    <div class="flex flex-wrap items-start gap-x-8 gap-y-4 text-[13px]"><slot /></div>
  </section>
</template>
