<script setup lang="ts">
import { computed } from 'vue'
import type { Progress } from '../../core/build/progress'
import type { Step } from '../../core/build/step'
import type { Plan } from '../../core/plan/plan'
import { formatQuantity } from '../../core/quantity/format'
import type { Lead } from '../../core/route/lead'
import { usePlanStore } from '../stores/plan'
import { kindNames, minutesText } from './words'

const { plan, steps, progress } = defineProps<{
  plan: Plan
  steps: readonly Step[]
  progress: Progress
}>()

const store = usePlanStore()
/** Each caution once, with what it is told at. */
const cautions = computed(() => [...new Set(steps.flatMap((step) => step.cautions))])
const nameOf = (to: Lead['to']): string =>
  (to.kind === 'run'
    ? store.tally?.runs.find(({ id }) => id === to.run)?.name
    : plan.junctions.find(({ id }) => id === to.junction)?.name) ?? ''
const cards = computed(() =>
  (store.tally?.supplies ?? []).map((supply) => ({
    id: supply.id,
    name: plan.supplies.find(({ id }) => id === supply.id)?.name ?? supply.id,
    volts: formatQuantity(supply.volts, 'V'),
    loadA: formatQuantity(supply.loadA, 'A'),
    fuses: (store.tally?.feed.leads ?? [])
      .filter(({ from, fuseA }) => from === supply.id && typeof fuseA === 'number')
      .map(({ to, fuseA }) => `${nameOf(to)}: ${formatQuantity(Number(fuseA), 'A')}`),
  })),
)
</script>

<!-- The steps as they are printed, with a box for each, and a card for the lid of each supply. -->
<template>
  <div class="print-only">
    <h1>{{ plan.name }}: how to build it</h1>
    <ul>
      <li v-for="text in cautions" :key="text">{{ text }}</li>
    </ul>
    <table>
      <tbody>
        <tr v-for="(step, index) in steps" :key="step.id">
          <td>
            {{ progress.done.has(step.id) ? '☑' : progress.skipped.has(step.id) ? '–' : '☐' }}
          </td>
          <td>{{ index + 1 }}</td>
          <td>{{ kindNames[step.kind] }}</td>
          <td>
            {{ step.title
            }}<template v-if="step.threads.length > 0"
              ><br />first thread {{ step.threads.join(', ') }}</template
            ><template v-if="step.kind === 'test' || step.kind === 'check'"
              ><br />read: ______________</template
            >
          </td>
          <td>{{ minutesText(step.minutes) }}</td>
        </tr>
      </tbody>
    </table>
    <div v-for="card in cards" :key="card.id" class="break-inside-avoid">
      <h2>Card for the lid: {{ card.name }}</h2>
      <p>
        {{ plan.name }} · {{ card.volts }} · {{ card.loadA }} at the most ·
        {{ plan.limit < 1 ? `program held to ${formatQuantity(plan.limit, '%')}` : 'no limit' }}
      </p>
      <p v-for="fuse in card.fuses" :key="fuse">Fuse {{ fuse }}</p>
      <p>Built on ______________ by ______________</p>
      <p>Extra-low voltage only. The mains side belongs to a licensed electrician.</p>
    </div>
  </div>
</template>
