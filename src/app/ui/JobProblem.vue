<script setup lang="ts">
const { what, problem } = defineProps<{
  /** What did not come, as the beginning of a sentence. */
  what: string
  /** Why a job ended without an answer; nothing is shown while there is no reason to. */
  problem: string | undefined
}>()
const emit = defineEmits<{ again: [] }>()
</script>

<template>
  <p v-if="problem !== undefined" role="alert" class="text-[13px] text-stop">
    {{ what }}: {{ problem }}
    <button class="link-quiet ml-1" @click="emit('again')">try again</button>
  </p>
</template>
