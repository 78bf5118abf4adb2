<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { X } from '@lucide/vue'
import { useFocusBack } from './focus-back'

const { width = 'max-w-3xl' } = defineProps<{ title: string; width?: string }>()
const emit = defineEmits<{ close: [] }>()
useFocusBack()
</script>

<!-- Over the page, with fields that take effect at once and can be undone like any other. -->
<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-black/60" aria-hidden="true" />
    <div class="fixed inset-0 grid grid-cols-1 place-items-center overflow-y-auto p-3">
      <DialogPanel
        class="w-full rounded-xl border border-bench-line bg-bench-raised p-5 text-[13px] shadow-2xl"
        :class="width"
      >
        <div class="mb-3 flex items-start gap-3">
          <DialogTitle class="text-lg font-bold">{{ title }}</DialogTitle>
          <button
            type="button"
            class="button-quiet ml-auto px-2"
            aria-label="Close"
            @click="emit('close')"
          >
            <X :size="15" />
          </button>
        </div>
        <slot />
      </DialogPanel>
    </div>
  </Dialog>
</template>
