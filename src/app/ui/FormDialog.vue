<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { useFocusBack } from './focus-back'

defineProps<{ title: string; action: string; problem?: string | undefined }>()
const emit = defineEmits<{ close: []; submit: [] }>()
useFocusBack()

/** A field that holds what could not be read is gone to; the form is taken once it is put right. */
function submit({ target }: Event): void {
  const wrong =
    target instanceof HTMLFormElement ? target.querySelector<HTMLElement>('input:invalid') : null
  if (wrong === null) emit('submit')
  else wrong.focus()
}
</script>

<template>
  <Dialog :open="true" class="relative z-40" @close="emit('close')">
    <div class="fixed inset-0 bg-black/60" aria-hidden="true" />
    <div class="fixed inset-0 grid place-items-center overflow-y-auto p-4">
      <DialogPanel
        as="form"
        class="w-full max-w-lg rounded-xl border border-bench-line bg-bench-raised p-5 shadow-2xl"
        novalidate
        @submit.prevent="submit"
      >
        <DialogTitle class="mb-3 text-lg font-bold">{{ title }}</DialogTitle>
        <div class="grid grid-cols-2 gap-x-4 gap-y-3">
          <slot />
        </div>
        <p v-if="problem" class="mt-4 text-[13px] text-stop" role="alert">Not yet: {{ problem }}</p>
        <div class="mt-5 flex justify-end gap-2">
          <button type="button" class="button-quiet" @click="emit('close')">Cancel</button>
          <button type="submit" class="button-main">{{ action }}</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
