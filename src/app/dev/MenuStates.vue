<script setup lang="ts">
import { ref } from 'vue'
import ActionMenu from '../ui/ActionMenu.vue'
import ErrorBoundary from '../ui/ErrorBoundary.vue'
import JobProblem from '../ui/JobProblem.vue'
import ListRest from '../ui/ListRest.vue'
import LineChart from '../ui/LineChart.vue'
import PartList from '../ui/PartList.vue'
import { useScrolled } from '../ui/use-gradual'
import StateCard from './StateCard.vue'

const done = ref('')
const actions = ['Copy it', 'Remove it'].map((label) => ({
  label,
  run: () => {
    done.value = label
  },
}))
const parts = [
  { id: 'a', name: '5 V pixels, 60/m', facts: ['5 V', '10.8 W/m'], group: 'Pixels' },
  { id: 'b', name: '12 V plain strip', facts: ['12 V', '9.6 W/m'], group: 'Plain strip' },
]
const part = ref('a')
const curve: [number, number][] = Array.from({ length: 60 }, (_, at) => [at, 2 + Math.sin(at / 6)])
const {
  shown: rows,
  rest,
  isNear,
} = useScrolled(() => Array.from({ length: 2_000 }, (_, at) => `row ${String(at + 1)}`))
/** Fails as soon as it is shown. */
const FailingView = (): never => {
  throw new Error('it failed on purpose')
}
const hasFailure = ref(false)
</script>

<template>
  <StateCard title="ActionMenu">
    <ActionMenu :actions="actions">Show</ActionMenu>
    <ActionMenu :actions="actions" disabled>Disabled</ActionMenu>
    <ActionMenu :actions="actions" is-above>Upwards</ActionMenu>
    <span class="on-paper rounded bg-roll p-2 text-paper-ink">
      <ActionMenu :actions="actions" is-on-paper>On paper</ActionMenu>
    </span>
    <span role="status">{{ done }}</span>
  </StateCard>
  <StateCard title="PartList">
    <PartList
      v-model="part"
      class="w-80"
      label="Light"
      :shown="parts.find(({ id }) => id === part)?.name ?? ''"
      :columns="['volts', 'power']"
      :options="parts"
      drop="down"
    />
  </StateCard>
  <StateCard title="LineChart">
    <LineChart
      class="w-full"
      :series="[{ name: 'A', data: curve }]"
      :options="{ stroke: { width: 2 } }"
      :height="160"
    />
  </StateCard>
  <StateCard title="JobProblem">
    <JobProblem
      what="The longer search gave no answer"
      problem="its worker could not be started"
      @again="done = 'Try again'"
    />
  </StateCard>
  <StateCard title="ListRest">
    <div class="h-40 w-60 overflow-y-auto" tabindex="0" role="group" aria-label="A long list">
      <p v-for="row in rows" :key="row">{{ row }}</p>
      <ListRest v-model="isNear" :rows="rest" :row-px="20" />
    </div>
    <span role="status">{{ rows.length }} of 2000 rows are there</span>
  </StateCard>
  <StateCard title="ErrorBoundary">
    <button class="button-quiet" @click="hasFailure = true">Let a view fail</button>
    <ErrorBoundary v-if="hasFailure">
      <FailingView />
      <template #failed="{ problem }">This part could not be shown: {{ problem }}</template>
    </ErrorBoundary>
  </StateCard>
</template>
