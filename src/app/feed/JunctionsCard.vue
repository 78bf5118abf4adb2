<script setup lang="ts">
import { Plus } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { junctionKinds } from '../../core/plan/choices'
import { waysOf } from '../../core/feed/branches'
import { feedsOf } from '../../core/plan/feeds'
import type { Junction } from '../../core/plan/plan'
import type { Settable } from '../../core/plan/with-set'
import type { PlanAnswers } from '../engine/follow-plan'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LeadEditor from './LeadEditor.vue'
import NumberField from '../ui/NumberField.vue'
import PickField from '../ui/PickField.vue'
import TextField from '../ui/TextField.vue'
import ExplainedText from '../shell/ExplainedText.vue'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()
const plan = useOpenPlan()

const store = usePlanStore()

function addJunction(): void {
  const names = new Set(plan.value.junctions.map(({ name }) => name))
  let number = 1
  while (names.has(`Junction ${String(number)}`)) number += 1
  const junction: Junction = {
    id: nanoid(8),
    name: `Junction ${String(number)}`,
    kind: 'terminals',
    limitA: 10,
    fuse: 'auto',
  }
  store.commit([{ do: 'add-junction', junction }], { label: 'add a junction' })
}
function putJunction(junction: Junction, set: Settable<Junction>): void {
  store.commit([{ do: 'set-junction', junction: junction.id, set }], {
    label: `change ${junction.name}`,
    key: `junction.${junction.id}`,
  })
}
/** Feeds every run that hangs on nothing else from a junction. */
function feedAllFrom(junction: Junction): void {
  store.commit(
    plan.value.lines
      .filter((line) =>
        tally?.runs.some(({ id, groups, lit }) => id === line.id && (groups > 0 || lit !== null)),
      )
      .map((line) => ({
        do: 'set-lines' as const,
        lines: [line.id],
        set: {
          feeds: feedsOf(line).map((feed) => ({ ...feed, from: junction.id })),
        },
      })),
    { label: `feed all from ${junction.name}` },
  )
}
const junctionNames = { terminals: 'terminal block', splitter: 'splitter', track: 'bus track' }
const kinds = junctionKinds.map((value) => ({ value, label: junctionNames[value] }))
const ways = [2, 3, 4, 5, 6].map((value) => ({ value, label: `${String(value)} ways` }))
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Junctions"
  >
    <div class="mb-2 flex items-baseline gap-3">
      <h2 class="font-semibold"><ExplainedText text="Junctions" /></h2>
      <button class="button-quiet ml-auto" @click="addJunction">
        <Plus :size="14" /> Junction
      </button>
    </div>
    <p v-if="plan.junctions.length === 0" class="text-[12.5px] text-bench-soft">
      None: every lead goes to its supply. A terminal block, a splitter or a bus track takes one
      thick lead and branches.
    </p>
    <div
      v-for="junction in plan.junctions"
      :key="junction.id"
      class="mb-2 rounded-md border border-bench-line px-2.5 py-2"
    >
      <div class="flex flex-wrap items-center gap-2">
        <TextField
          class="font-semibold"
          label="Name of the junction"
          layout="unseen"
          width="w-36"
          :value="junction.name"
          :most="120"
          is-required
          @set="(name) => putJunction(junction, { name })"
        />
        <PickField
          label="Kind of junction"
          layout="unseen"
          :options="kinds"
          :value="junction.kind"
          @pick="(kind) => putJunction(junction, { kind })"
        />
        <PickField
          v-if="junction.kind === 'splitter'"
          label="Ways of the splitter"
          layout="unseen"
          :options="ways"
          :value="waysOf(junction)"
          @pick="(count) => putJunction(junction, { ways: count })"
        />
        <NumberField
          class="text-[12px] text-bench-soft"
          label="takes"
          layout="beside"
          width="w-16"
          unit="A"
          :value="junction.limitA"
          :least="0.1"
          :most="1000"
          :step="0.5"
          @set="(limitA) => putJunction(junction, { limitA })"
        />
        <button class="link-quiet ml-auto text-[12px]" @click="feedAllFrom(junction)">
          feed all from it
        </button>
      </div>
      <LeadEditor
        class="mt-2"
        :name="junction.name"
        :junction="junction.id"
        :settings="junction"
        :lead="tally?.feed.leads.find(({ id }) => id === junction.id)"
        @set="(set) => putJunction(junction, set)"
        @remove="
          store.commit([{ do: 'remove-junction', junction: junction.id }], {
            label: `remove ${junction.name}`,
          })
        "
        @close="() => undefined"
      />
    </div>
  </section>
</template>
