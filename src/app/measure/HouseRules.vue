<script setup lang="ts">
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/vue'
import { SlidersHorizontal } from '@lucide/vue'
import { defineAsyncComponent } from 'vue'
import type { Plan } from '../../core/plan/plan'

defineProps<{ plan: Plan }>()

const HouseRulesSheet = defineAsyncComponent(() => import('./HouseRulesSheet.vue'))
</script>

<template>
  <Popover class="relative">
    <PopoverButton class="button-quiet py-[7px]">
      <SlidersHorizontal :size="14" /> <span class="max-sm:sr-only">House rules</span>
    </PopoverButton>
    <PopoverPanel
      class="absolute right-0 z-30 mt-1.5 max-h-[calc(100vh-120px)] overflow-y-auto w-[min(350px,calc(100vw-24px))] rounded-lg border border-bench-line bg-bench-high p-4 shadow-xl shadow-black/60"
    >
      <HouseRulesSheet :plan="plan" />
    </PopoverPanel>
  </Popover>
</template>
