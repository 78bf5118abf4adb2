<script setup lang="ts">
import { ref } from 'vue'
import type { Step } from '../../core/build/step'
import FormDialog from '../ui/FormDialog.vue'

const { step, fresh } = defineProps<{ step: Step; fresh: readonly string[] }>()
const emit = defineEmits<{ close: []; keep: [trouble: { what: string; fix: string }] }>()

const what = ref('')
const fix = ref('')
const problem = ref<string>()
function note(): void {
  if (what.value.trim() === '') {
    problem.value = 'say in a few words what went wrong.'
    return
  }
  emit('keep', { what: what.value.trim(), fix: fix.value.trim() })
}
</script>

<template>
  <FormDialog
    title="It went wrong"
    action="Keep it in the log"
    :problem="problem"
    @close="emit('close')"
    @submit="note"
  >
    <p class="col-span-2 text-[14px] text-bench-soft">{{ step.title }}</p>
    <p v-if="fresh.length > 0" class="col-span-2 text-[14px]">
      New since the last good reading: {{ fresh.slice(0, 6).join(' · ') }}.
    </p>
    <label class="col-span-2 text-[13px]">
      What went wrong
      <textarea v-model="what" class="field mt-1 text-[15px]" rows="2" maxlength="1000"></textarea>
    </label>
    <label class="col-span-2 text-[13px]">
      What fixed it, once you know
      <textarea v-model="fix" class="field mt-1 text-[15px]" rows="2" maxlength="1000"></textarea>
    </label>
  </FormDialog>
</template>
