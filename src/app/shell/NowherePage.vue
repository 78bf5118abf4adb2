<script setup lang="ts">
import { RouterLink } from 'vue-router'
</script>

<template>
  <main class="grid place-items-center p-8">
    <div class="max-w-md text-center">
      <h1 class="mb-2 text-xl font-bold">Nothing lies at this address</h1>
      <p class="mb-5 text-bench-soft">The plan may have been deleted, or the link was cut short.</p>
      <RouterLink class="button-main" :to="{ name: 'plans' }">To the shelf of plans</RouterLink>
    </div>
  </main>
</template>
