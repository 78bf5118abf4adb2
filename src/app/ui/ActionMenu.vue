<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown } from '@lucide/vue'

defineProps<{
  actions: readonly { readonly label: string; readonly run: () => unknown }[]
  disabled?: boolean
  /** Its items open upwards. */
  isAbove?: boolean
  /** It lies on paper. */
  isOnPaper?: boolean
  /** What it is called where the slot alone does not say it. */
  name?: string
}>()
</script>

<!-- A button with what can be done behind it; the slot is what it says. -->
<template>
  <Menu as="div" class="relative">
    <MenuButton
      :class="
        isOnPaper
          ? 'inline-flex items-center gap-1 rounded border border-paper-soft/50 px-2 py-1 font-sans text-[12px] font-normal hover:bg-marker/60'
          : 'button-quiet py-[7px]'
      "
      :aria-label="name"
      :disabled="disabled"
    >
      <slot /> <ChevronDown :size="13" />
    </MenuButton>
    <MenuItems
      class="absolute z-30 w-60 rounded-lg border border-bench-line bg-bench-high p-1 font-sans font-normal text-bench-ink shadow-xl shadow-black/50"
      :class="isAbove ? 'bottom-full left-1/2 mb-1 -translate-x-1/2' : 'right-0 mt-1'"
    >
      <MenuItem v-for="action in actions" :key="action.label" v-slot="{ active }">
        <button
          class="w-full rounded px-3 py-1.5 text-left text-[13px]"
          :class="active && 'bg-bench-line'"
          @click="action.run"
        >
          {{ action.label }}
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
