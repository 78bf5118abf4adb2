<script setup lang="ts">
import type { FieldLayout } from './field-layout'

defineProps<{
  label: string
  layout: FieldLayout
  /** What is wrong with what was typed, and what is expected. */
  problem?: string | undefined
}>()
</script>

<!-- A field's name, its control, what stands behind it, and what is wrong with it. -->
<template>
  <div>
    <component
      :is="layout === 'unseen' ? 'span' : 'label'"
      :class="layout === 'above' ? 'block' : 'flex flex-wrap items-center gap-x-1.5'"
    >
      <template v-if="layout !== 'unseen'">{{ label }}</template>
      <span v-if="layout === 'above'" class="mt-0.5 flex items-center gap-1.5">
        <slot />
        <slot name="after" />
      </span>
      <template v-else>
        <slot />
        <slot name="after" />
      </template>
    </component>
    <p v-if="problem" class="mt-1 text-[12px] text-stop" role="alert">{{ problem }}</p>
  </div>
</template>
