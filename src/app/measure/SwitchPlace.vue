<script setup lang="ts">
const { at } = defineProps<{ at: 'minus' | 'plus' }>()
</script>

<!-- Where a low-side switch belongs: plus, light, switch, minus. -->
<template>
  <svg
    width="236"
    height="44"
    class="mt-2 block"
    role="img"
    :aria-label="
      at === 'minus'
        ? 'The switch sits between the lights and minus, where it belongs'
        : 'The switch sits in the plus; it belongs between the lights and minus'
    "
  >
    <path d="M14 20h208" class="stroke-bench-soft" stroke-width="2" />
    <circle cx="10" cy="20" r="6" class="fill-[#e5484d]" />
    <circle cx="226" cy="20" r="6" class="fill-bench stroke-bench-soft" />
    <circle cx="118" cy="20" r="9" class="fill-glow" />
    <rect
      :x="at === 'minus' ? 156 : 44"
      y="10"
      width="40"
      height="20"
      rx="5"
      :class="at === 'minus' ? 'fill-ok' : 'fill-stop'"
    />
    <rect
      v-if="at === 'plus'"
      x="156"
      y="10"
      width="40"
      height="20"
      rx="5"
      class="fill-none stroke-ok"
      stroke-dasharray="3 3"
    />
    <text x="6" y="41" class="fill-bench-soft text-[12px]">+</text>
    <text x="104" y="41" class="fill-bench-soft text-[12px]">lights</text>
    <text :x="at === 'minus' ? 160 : 48" y="41" class="fill-bench-soft text-[12px]">switch</text>
    <text x="223" y="41" class="fill-bench-soft text-[12px]">−</text>
  </svg>
</template>
