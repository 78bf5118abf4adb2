<script setup lang="ts">
import SensorTouch from './SensorTouch.vue'
import { useOpenPlan } from '../stores/use-open-plan'

defineProps<{ values: readonly number[] }>()
const emit = defineEmits<{ touch: [input: number, value: number] }>()
const plan = useOpenPlan()
</script>

<!-- What can be touched in the room, over the lower edge of its picture. -->
<template>
  <div
    v-if="plan.signal.inputs.length > 0"
    class="flex flex-wrap justify-center gap-2 min-[900px]:absolute min-[900px]:inset-x-2 min-[900px]:bottom-2"
    role="group"
    aria-label="Sensors"
  >
    <SensorTouch
      v-for="(input, index) in plan.signal.inputs"
      :key="input.id"
      :input="input"
      :value="values[index] ?? 0"
      @touch="emit('touch', index, $event)"
    />
  </div>
</template>
