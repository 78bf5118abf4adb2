<script setup lang="ts" generic="Value extends string">
import { RadioGroup, RadioGroupOption } from '@headlessui/vue'

defineProps<{
  label: string
  options: readonly { readonly value: Value; readonly label: string }[]
}>()
const model = defineModel<Value>({ required: true })
</script>

<template>
  <RadioGroup
    v-model="model"
    :aria-label="label"
    class="flex flex-wrap rounded-lg border border-bench-line bg-bench-raised p-0.5"
  >
    <RadioGroupOption
      v-for="option in options"
      :key="option.value"
      v-slot="{ checked }"
      as="template"
      :value="option.value"
    >
      <button
        type="button"
        class="grow rounded-md px-2.5 py-1 text-[13px] whitespace-nowrap"
        :class="checked ? 'bg-bench-line text-bench-ink' : 'text-bench-soft hover:text-bench-ink'"
      >
        {{ option.label }}
      </button>
    </RadioGroupOption>
  </RadioGroup>
</template>
