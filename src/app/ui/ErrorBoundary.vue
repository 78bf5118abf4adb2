<script setup lang="ts">
import { onErrorCaptured, ref } from 'vue'

/** What stands in it fails by itself: the rest of the page goes on, and the slot `failed` is shown instead. */
const problem = ref<string>()
onErrorCaptured((error) => {
  problem.value = error.message
  return false
})

defineSlots<{ default(): unknown; failed(props: { problem: string }): unknown }>()
</script>

<template>
  <slot v-if="problem === undefined" />
  <slot v-else name="failed" :problem="problem" />
</template>
