<script setup lang="ts">
defineProps<{ title: string }>()
const today = new Date().toLocaleDateString()
</script>

<!-- On every sheet that a page makes of itself: what it is of, when, and the caution. -->
<template>
  <div class="on-every-sheet mb-3 hidden border-b pb-1 print:block">
    <p class="text-[11pt] font-semibold">{{ title }} · {{ today }}</p>
    <p class="text-[10pt]">
      Extra-low voltage only. Use a certified, enclosed supply; have fixed mains wiring done by a
      licensed electrician; local codes decide.
    </p>
  </div>
</template>
