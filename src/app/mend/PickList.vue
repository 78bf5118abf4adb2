<script setup lang="ts" generic="Item extends { readonly id: string; readonly text: string }">
import {
  Combobox,
  ComboboxButton,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
} from '@headlessui/vue'
import { ChevronDown } from '@lucide/vue'
import { computed, ref } from 'vue'
import { hasWords } from '../ui/has-words'

const { items, label, most } = defineProps<{
  items: readonly Item[]
  label: string
  /** So many are listed. */
  most: number
}>()
const chosen = defineModel<string | undefined>({ required: true })
const query = ref('')
const found = computed(() => items.filter(({ text }) => hasWords(text, query.value)))
const textOf = (id: unknown): string => items.find((item) => item.id === id)?.text ?? ''
</script>

<!-- One of many, found by typing a part of it. -->
<template>
  <Combobox
    :model-value="chosen ?? null"
    as="div"
    class="relative"
    nullable
    @update:model-value="(id: string | null) => (chosen = id ?? undefined)"
  >
    <ComboboxInput
      class="field w-full pr-8 max-[899px]:min-h-11"
      :aria-label="label"
      :placeholder="label"
      :display-value="textOf"
      @change="query = $event.target.value"
      @click="($event.target as HTMLInputElement).select()"
    />
    <ComboboxButton
      class="absolute top-0 right-0 flex h-full items-center px-2"
      :aria-label="`${label}: list`"
    >
      <ChevronDown :size="14" />
    </ComboboxButton>
    <ComboboxOptions
      class="absolute z-30 mt-1 max-h-64 w-full overflow-y-auto rounded-lg border border-bench-line bg-bench-high p-1 shadow-xl shadow-black/50"
    >
      <ComboboxOption
        v-for="item in found.slice(0, most)"
        :key="item.id"
        v-slot="{ active }"
        :value="item.id"
      >
        <span class="block rounded px-2 py-1.5 text-[13px]" :class="active && 'bg-bench-line'">{{
          item.text
        }}</span>
      </ComboboxOption>
      <li v-if="found.length === 0" class="px-2 py-1.5 text-[13px] text-bench-soft">
        Nothing with “{{ query }}”.
      </li>
      <li v-else-if="found.length > most" class="px-2 py-1.5 text-[12px] text-bench-soft">
        {{ found.length - most }} more: type a part of it
      </li>
    </ComboboxOptions>
  </Combobox>
</template>
