<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown } from '@lucide/vue'

defineProps<{
  actions: readonly { readonly label: string; readonly run: () => unknown }[]
  disabled?: boolean
}>()
</script>

<!-- A button with what can be done behind it; the slot is what it says. -->
<template>
  <Menu as="div" class="relative">
    <MenuButton class="button-quiet py-[7px]" :disabled="disabled">
      <slot /> <ChevronDown :size="13" />
    </MenuButton>
    <MenuItems
      class="absolute right-0 z-30 mt-1 w-52 rounded-lg border border-bench-line bg-bench-high p-1 shadow-xl shadow-black/50"
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
