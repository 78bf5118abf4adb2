<script setup lang="ts">
import { computed } from 'vue'
import { portsLeft, type Branch } from '../../core/feed/branches'
import type { LitRun } from '../../core/load/lights'
import type { MeasuredRun } from '../../core/measure/measure'
import type { Lights } from '../../core/plan/plan'
import type { Settable } from '../../core/plan/with-set'
import { formatLength, formatQuantity, plural } from '../../core/quantity/format'
import BranchTree from '../feed/BranchTree.vue'
import { usePlanStore } from '../stores/plan'
import { useFixes } from '../stores/use-fixes'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import NumberField from '../ui/NumberField.vue'
import PickField from '../ui/PickField.vue'
import SheetDialog from '../ui/SheetDialog.vue'
import TickField from '../ui/TickField.vue'

const { run, lit } = defineProps<{ run: MeasuredRun; lit: LitRun }>()
const emit = defineEmits<{ close: []; set: [change: Settable<Lights>, label: string] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const lead = computed(() => lit.part.lead)
const settings = computed(() => lit.settings)
const holeMm = computed(() => run.line.lights?.holeMm ?? lit.part.holeMm)

/** The part of the feed's tree that these lights are. */
const roots = computed(() => {
  const find = (branch: Branch): Branch[] =>
    branch.about[0] === run.id ? [branch] : branch.branches.flatMap(find)
  return store.tally?.feed.branches.flatMap(find) ?? []
})
const splitters = computed(() => {
  const all = (branch: Branch): Branch[] => [branch, ...branch.branches.flatMap(all)]
  return roots.value.flatMap(all).filter(({ kind }) => kind === 'splitter')
})
const left = computed(() =>
  splitters.value.reduce((sum, branch) => sum + (portsLeft(branch) ?? 0), 0),
)
const problems = computed(
  () =>
    store.tally?.verdicts?.filter(
      ({ code, about }) =>
        about.includes(run.id) && ['lead-short', 'lead-over', 'plug-hole'].includes(code),
    ) ?? [],
)
const fixes = useFixes(() => problems.value.map(({ id }) => id))
const ways = [2, 3, 4, 5, 6].map((value) => ({ value, label: String(value) }))
const joinings = [
  { value: 'plugs', label: 'plugged into splitters' },
  { value: 'solder', label: 'cut off and soldered' },
] as const
</script>

<template>
  <SheetDialog :title="`Plugs of ${run.name}`" @close="emit('close')">
    <p v-if="lead" class="mb-3 text-bench-soft">
      {{ plural(lit.lights, 'light') }}, each with a lead of
      {{ formatLength(lead.lengthMm, plan.units) }} and a plug of
      {{ formatLength(lead.plugMm, plan.units) }}; at most {{ lead.mostOnLead }} on one lead.
    </p>
    <div class="flex flex-wrap items-end gap-x-3 gap-y-2 text-[12px] text-bench-soft">
      <PickField
        label="The plugs are"
        :options="joinings"
        :value="settings.joining"
        @pick="(joining) => emit('set', { joining }, 'plugs')"
      />
      <template v-if="settings.joining === 'plugs'">
        <PickField
          label="Ways of a splitter"
          :options="ways"
          :value="settings.ways"
          @pick="(count) => emit('set', { ways: count }, 'splitters')"
        />
        <NumberField
          label="Leads from the source"
          :value="settings.leads"
          :least="1"
          :most="50"
          is-whole
          @set="(leads) => emit('set', { leads }, 'leads')"
        />
        <LengthField
          label="Hole they go through"
          width="w-24"
          :mm="holeMm"
          :least="0.5"
          :most="1000"
          :units="plan.units"
          is-required
          @set="(mm) => mm !== undefined && emit('set', { holeMm: mm }, 'hole')"
        />
        <TickField
          class="pb-1"
          label="extension leads where one is too short"
          :is-on="settings.hasExtensions"
          @set="(hasExtensions) => emit('set', { hasExtensions }, 'extension leads')"
        />
      </template>
    </div>
    <p v-if="splitters.length > 0" class="mt-3" data-testid="plug-answer">
      <b>{{ plural(splitters.length, 'splitter') }}</b> of {{ settings.ways }},
      {{ plural(left, 'plug') }} left · {{ formatQuantity(lit.peakA, 'A') }} in all
    </p>
    <ul v-if="problems.length > 0" class="mt-2 space-y-1.5">
      <li
        v-for="problem in problems"
        :key="problem.id"
        class="flex flex-wrap items-baseline gap-2 text-warning"
      >
        {{ problem.text }}
        <button
          v-for="remedy in fixes[problem.id] ?? []"
          :key="remedy.label"
          class="button-quiet py-0.5"
          @click="store.commit(remedy.commands, { label: remedy.label })"
        >
          {{ remedy.label }}
        </button>
      </li>
    </ul>
    <BranchTree
      v-if="roots.length > 0 && splitters.length > 0"
      class="mt-3 max-h-[46vh] overflow-y-auto"
      :roots="roots"
      :label="`Splitters of ${run.name}`"
    />
  </SheetDialog>
</template>
