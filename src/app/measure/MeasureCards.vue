<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { usePlanStore } from '../stores/plan'
import LightCard from './LightCard.vue'
import SceneCard from './SceneCard.vue'
import SupplyCard from './SupplyCard.vue'

defineProps<{ hasLight: boolean; hasScene: boolean }>()
const { tally } = storeToRefs(usePlanStore())
</script>

<!-- What is chosen by list. All come at once: one that comes later would push the others aside. -->
<template>
  <LightCard v-if="hasLight" />
  <SceneCard v-if="hasScene" :tally="tally" />
  <SupplyCard v-if="hasLight" :tally="tally" />
</template>
