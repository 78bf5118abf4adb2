<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { SlidersHorizontal } from '@lucide/vue'
import HouseRulesSheet from './HouseRulesSheet.vue'
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="button-quiet py-[7px]">
      <SlidersHorizontal :size="14" /> <span class="max-sm:sr-only">House rules</span>
    </PopoverButton>
    <PopoverPanel
      class="absolute right-0 z-30 mt-1.5 w-[min(350px,calc(100vw-24px))] rounded-lg border border-bench-line bg-bench-high shadow-xl shadow-black/60"
    >
      <HouseRulesSheet class="max-h-[calc(100vh-120px)] overflow-y-auto p-4" />
    </PopoverPanel>
  </Popover>
</template>
