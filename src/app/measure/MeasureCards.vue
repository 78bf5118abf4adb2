<script setup lang="ts">
import { storeToRefs } from 'pinia'
import type { Plan } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import LightCard from './LightCard.vue'
import SceneCard from './SceneCard.vue'
import SupplyCard from './SupplyCard.vue'

defineProps<{ plan: Plan; hasLight: boolean; hasScene: boolean }>()
const { tally } = storeToRefs(usePlanStore())
</script>

<!-- What is chosen by list. All come at once: one that comes later would push the others aside. -->
<template>
  <LightCard v-if="hasLight" :plan="plan" />
  <SceneCard v-if="hasScene" :plan="plan" :tally="tally" />
  <SupplyCard v-if="hasLight" :plan="plan" :tally="tally" />
</template>
