<script setup lang="ts">
import { Lightbulb } from '@lucide/vue'
import { computed } from 'vue'
import { lastOf } from '../../../core/glow/link/lanes'
import type { Step } from '../../../core/build/step'
import { usePart } from '../../stores/use-parts'
import { linkAim } from './link-aim'

const { step } = defineProps<{ step: Step }>()
const emit = defineEmits<{ open: [] }>()

const link = usePart('link')
const last = computed(() => (link.value === undefined ? undefined : lastOf(link.value, step.about)))
function open(): void {
  linkAim.value = last.value
  emit('open')
}
</script>

<!-- Takes a test to the bench link, with the last pixel of its piece chosen. -->
<template>
  <button v-if="last" class="button-quiet self-start" @click="open">
    <Lightbulb :size="15" /> Light the last pixel of {{ last.name }}
  </button>
</template>
