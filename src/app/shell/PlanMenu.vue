<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Check, ChevronDown } from '@lucide/vue'
import type { Ref } from 'vue'
import { theme, themes } from '../stores/theme'
import { usePlanActions } from './plan-actions'
import { csvSeparator, separators } from './save-table'

const { isInPlan } = defineProps<{ isInPlan: boolean }>()

const fileActions = usePlanActions()

/** What is chosen for this device. */
const choices: readonly {
  readonly label: string
  readonly value: Ref<string>
  readonly options: readonly { readonly value: string; readonly label: string }[]
}[] = [
  { label: 'Appearance', value: theme, options: themes },
  { label: 'In CSV files, between cells', value: csvSeparator, options: separators },
]
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      class="flex items-center gap-1 rounded px-2 py-1 text-[13px] text-bench-soft hover:bg-bench-high hover:text-bench-ink"
    >
      Plan <ChevronDown :size="14" />
    </MenuButton>
    <MenuItems
      class="absolute left-0 z-30 mt-1 max-h-[calc(100vh-72px)] w-64 overflow-y-auto rounded-lg max-sm:fixed max-sm:inset-x-3 max-sm:top-12 max-sm:w-auto border border-bench-line bg-bench-high p-1 shadow-xl shadow-black/50"
    >
      <MenuItem
        v-for="action in fileActions"
        :key="action.label"
        v-slot="{ active }"
        :disabled="action.needsPlan && !isInPlan"
      >
        <button
          class="w-full rounded px-3 py-1.5 text-left text-[13px]"
          :class="[
            active && 'bg-bench-line',
            action.needsPlan && !isInPlan && 'text-bench-soft/60',
          ]"
          @click="action.run()"
        >
          {{ action.label }}
        </button>
      </MenuItem>
      <template v-for="choice in choices" :key="choice.label">
        <p class="mt-1 border-t border-bench-line px-3 pt-2 pb-1 text-[12px] text-bench-soft">
          {{ choice.label }}
        </p>
        <MenuItem v-for="{ value, label } in choice.options" :key="label" v-slot="{ active }">
          <button
            class="flex w-full items-center gap-2 rounded px-3 py-1 text-left text-[13px]"
            :class="active && 'bg-bench-line'"
            @click="choice.value.value = value"
          >
            <Check :size="14" :class="choice.value.value === value ? '' : 'invisible'" />
            {{ label }}<span v-if="choice.value.value === value" class="sr-only">, chosen</span>
          </button>
        </MenuItem>
      </template>
    </MenuItems>
  </Menu>
</template>
