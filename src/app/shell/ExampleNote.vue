<script setup lang="ts">
import { useNewPlan } from './use-new-plan'

const newPlan = useNewPlan()
</script>

<template>
  <p class="to-press text-bench-soft">
    An example: try what you like, or
    <button type="button" class="link-quiet min-h-6" @click="newPlan">start your own</button>
  </p>
</template>
