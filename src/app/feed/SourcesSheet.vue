<script setup lang="ts">
import type { PlanAnswers } from '../engine/follow-plan'
import BatteriesCard from './BatteriesCard.vue'
import DistributionCard from './DistributionCard.vue'
import JunctionsCard from './JunctionsCard.vue'
import SuppliesCard from './SuppliesCard.vue'
import UseCard from './UseCard.vue'

defineProps<{ tally: PlanAnswers | undefined }>()
</script>

<template>
  <div
    class="grid min-h-0 flex-1 grid-cols-1 content-start gap-3 overflow-y-auto text-[13px] min-[900px]:grid-cols-2"
    tabindex="0"
    role="group"
    aria-label="Supplies and use"
  >
    <SuppliesCard :tally="tally" />
    <JunctionsCard :tally="tally" />
    <DistributionCard :tally="tally" />
    <UseCard />
    <BatteriesCard :tally="tally" />
  </div>
</template>
