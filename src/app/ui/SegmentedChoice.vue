<script setup lang="ts" generic="Value extends string">
import { useId } from 'vue'

const { label, options } = defineProps<{
  label: string
  options: readonly { readonly value: Value; readonly label: string }[]
}>()
const model = defineModel<Value>({ required: true })

const name = useId()
</script>

<template>
  <div
    role="radiogroup"
    :aria-label="label"
    class="flex flex-wrap rounded-lg border border-bench-line bg-bench-raised p-0.5"
  >
    <label
      v-for="option in options"
      :key="option.value"
      class="segment relative flex grow items-center justify-center rounded-md px-2.5 py-1 text-[13px] whitespace-nowrap"
      :class="
        option.value === model
          ? 'bg-bench-line text-bench-ink'
          : 'text-bench-soft hover:text-bench-ink'
      "
    >
      <input
        v-model="model"
        type="radio"
        :name="name"
        :value="option.value"
        class="absolute inset-0 cursor-pointer appearance-none rounded-md"
      />
      {{ option.label }}
    </label>
  </div>
</template>
