<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue'

const {
  name,
  label = 'Name of the plan',
  canBeEmpty,
} = defineProps<{ name: string; label?: string; canBeEmpty?: boolean }>()
/** With the new name, or without one where it is as before. */
const emit = defineEmits<{ end: [name?: string] }>()

const draft = ref(name)
const field = useTemplateRef<HTMLInputElement>('field')
onMounted(() => {
  field.value?.select()
})
let isEnded = false
function end(keeps: boolean): void {
  if (isEnded) return
  isEnded = true
  const next = draft.value.trim().slice(0, 120)
  if (keeps && (next !== '' || canBeEmpty) && next !== name) emit('end', next)
  else emit('end')
}
</script>

<!-- A name that is changed where it stands. -->
<template>
  <input
    ref="field"
    v-model="draft"
    class="field py-0.5 font-semibold"
    :aria-label="label"
    maxlength="120"
    @keydown.enter="end(true)"
    @keydown.esc="end(false)"
    @blur="end(true)"
  />
</template>
