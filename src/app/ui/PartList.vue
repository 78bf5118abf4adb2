<script setup lang="ts">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { Check, ChevronsUpDown } from '@lucide/vue'
import { computed } from 'vue'

/** A part to choose, with its facts in the columns of the list. */
export interface PartOption {
  readonly id: string
  readonly name: string
  readonly facts: readonly string[]
  /** Heading under which it stands. */
  readonly group: string
}

const { options, drop = 'up' } = defineProps<{
  label: string
  /** What the button says. */
  shown: string
  /** Headings of the fact columns. */
  columns: readonly string[]
  options: readonly PartOption[]
  /** Where the list opens: above the button by itself. */
  drop?: 'up' | 'down'
}>()
const model = defineModel<string>({ required: true })

const groups = computed(() => {
  const byName = new Map<string, PartOption[]>()
  for (const option of options)
    byName.set(option.group, [...(byName.get(option.group) ?? []), option])
  return [...byName]
})
</script>

<template>
  <Listbox v-model="model" as="div" class="relative">
    <ListboxButton
      class="flex w-full items-center justify-between gap-2 rounded-md border border-bench-line bg-bench px-2.5 py-1.5 text-left text-[13px] hover:border-bench-soft"
      :aria-label="`${label}: ${shown}`"
    >
      <span class="truncate">{{ shown }}</span>
      <ChevronsUpDown :size="14" class="shrink-0 text-bench-soft" />
    </ListboxButton>
    <ListboxOptions
      class="absolute left-0 z-20 max-h-[420px] w-[min(520px,calc(100vw-48px))] overflow-y-auto rounded-lg border border-bench-line bg-bench-high p-1.5 shadow-xl shadow-black/60 outline-none"
      :class="drop === 'up' ? 'bottom-full mb-1.5' : 'top-full mt-1.5'"
    >
      <template v-for="([group, parts], index) in groups" :key="group">
        <div
          class="flex items-baseline gap-2 px-2.5 pt-2 pb-1 text-[12px] tracking-wide text-bench-soft uppercase"
          role="presentation"
        >
          <span class="flex-1">{{ group }}</span>
          <template v-if="index === 0">
            <span
              v-for="column in columns"
              :key="column"
              class="w-[68px] text-right normal-case max-sm:hidden"
              >{{ column }}</span
            >
          </template>
        </div>
        <ListboxOption
          v-for="part in parts"
          :key="part.id"
          v-slot="{ active, selected }"
          :value="part.id"
          as="template"
        >
          <li
            class="flex items-baseline gap-2 rounded-md px-2.5 py-1.5 text-[13px]"
            :class="active && 'bg-bench-line'"
          >
            <span class="min-w-0 flex-1">
              {{ part.name }}
              <Check v-if="selected" :size="13" class="ml-1 inline text-glow" aria-label="chosen" />
            </span>
            <span
              v-for="(fact, column) in part.facts"
              :key="column"
              class="w-[68px] text-right whitespace-nowrap text-bench-soft max-sm:hidden"
              >{{ fact }}</span
            >
          </li>
        </ListboxOption>
      </template>
    </ListboxOptions>
  </Listbox>
</template>
