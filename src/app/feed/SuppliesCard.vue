<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { capacitorsV } from '../../core/feed/capacitor'
import { powerSwitches } from '../../core/parts/power-switches'
import type { SupplySlot } from '../../core/plan/plan'
import { formatQuantity, significant } from '../../core/quantity/format'
import type { TallySupply } from '../../core/tally'
import type { PlanAnswers } from '../engine/follow-plan'
import { nextSupply } from '../../core/verdict/next-supply'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useSpotlight } from '../stores/spotlight'
import { byName, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import TickField from '../ui/TickField.vue'

const { tally } = defineProps<{ tally: PlanAnswers | undefined }>()
const plan = useOpenPlan()

const store = usePlanStore()
const spotlight = useSpotlight()

/** Runs under the supply that they hang on. */
const supplies = computed(() => {
  const [first] = plan.value.supplies
  return plan.value.supplies.map((slot) => ({
    slot,
    supply: tally?.supplies.find(({ id }) => id === slot.id),
    runs: (tally?.runs ?? []).filter(
      ({ id, groups, lit }) =>
        (groups > 0 || lit !== null) &&
        (plan.value.lines.find((line) => line.id === id)?.supplyId ?? first?.id) === slot.id,
    ),
  }))
})
function assign(runs: readonly string[], supply: string): void {
  store.commit([{ do: 'feed-from', lines: runs, supply }], { label: 'which supply feeds it' })
}
function addSupply(): void {
  store.commit([{ do: 'add-supply', supply: nextSupply(plan.value) }], { label: 'add a supply' })
}
const removeSupply = (id: string): void => {
  store.commit([{ do: 'remove-supply', supply: id }], { label: 'remove a supply' })
}
function setCapacitor(id: string, volts: SupplySlot['capacitorV']): void {
  store.commit([{ do: 'set-capacitor', supply: id, volts }], { label: 'the capacitor' })
}
function setPowerSwitch(id: string, powerSwitch: SupplySlot['powerSwitch']): void {
  store.commit([{ do: 'set-power-switch', supply: id, powerSwitch }], { label: 'the power switch' })
}
/** What is drawn in the dark, and what ends it. */
function standbyText({ idleA, hours, ownW, powerSwitch }: TallySupply['standby']): string {
  const dark =
    idleA === 0
      ? 'Dark, it draws nothing'
      : `Dark but left on, it draws ${formatQuantity(idleA, 'A')}${hours === null ? '' : `: empty in ${formatQuantity(hours * 60, 'min')}`}`
  const own = ownW > 0 ? `; the supply itself takes ${formatQuantity(ownW, 'W')} all the time` : ''
  return `${dark}${own}${powerSwitch === null ? '' : `. Off by its ${powerSwitch}`}.`
}
const share = ({ loadA, ratedA }: TallySupply): string =>
  ratedA === null
    ? 'none is large enough'
    : `${formatQuantity(loadA, 'A')} of ${significant(ratedA)} A, ${formatQuantity(loadA / ratedA, '%')}`

/** Ratings that are sold, and the one that was chosen when others were. */
const capacitorOptions = (chosen: SupplySlot['capacitorV']): Option<SupplySlot['capacitorV']>[] => [
  { value: undefined, label: 'by the rule' },
  { value: null, label: 'none' },
  ...[...new Set([...capacitorsV, ...(chosen ? [chosen] : [])])]
    .toSorted((a, b) => a - b)
    .map((value) => ({ value, label: formatQuantity(value, 'V') })),
]
const switchOptions: readonly Option<SupplySlot['powerSwitch']>[] = [
  { value: undefined, label: 'by the rule: with cells' },
  { value: 'none', label: 'none' },
  { value: 'auto', label: 'the smallest that will do' },
  ...byName(powerSwitches),
]
const supplyOptions = computed(() => byName(plan.value.supplies))
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Supplies"
  >
    <div class="mb-2 flex items-baseline gap-3">
      <h2 class="font-semibold">Supplies, and what hangs on each</h2>
      <button class="button-quiet ml-auto" @click="addSupply"><Plus :size="14" /> Supply</button>
    </div>
    <p class="mb-2 text-[12px] text-bench-soft">
      Drag a run to another supply, or choose it there. Minuses are joined, pluses stay apart.
    </p>
    <div
      v-for="{ slot, supply, runs } in supplies"
      :key="slot.id"
      class="mb-2 rounded-md border border-bench-line px-2.5 py-2"
      @pointerenter="spotlight.light([slot.id])"
      @pointerleave="spotlight.dim"
    >
      <div class="flex items-baseline gap-2">
        <b>{{ slot.name }}</b>
        <span class="min-w-0 truncate text-[12px] text-bench-soft">
          {{ supply?.part ?? 'picked by the sums' }}
        </span>
        <span class="ml-auto text-[12px] whitespace-nowrap text-bench-soft">{{
          supply && supply.loadA > 0 ? share(supply) : 'feeds nothing'
        }}</span>
        <button
          v-if="plan.supplies.length > 1"
          class="rounded p-1 hover:bg-bench-line"
          :aria-label="`Remove ${slot.name}`"
          @click="removeSupply(slot.id)"
        >
          <Trash2 :size="13" />
        </button>
      </div>
      <VueDraggable
        :model-value="[...runs]"
        group="runs"
        class="mt-1.5 flex min-h-7 flex-wrap gap-1.5"
        :animation="120"
        :force-fallback="true"
        @add="
          (event) => {
            const id = event.item.dataset.run
            if (id) assign([id], slot.id)
          }
        "
      >
        <div
          v-for="run in runs"
          :key="run.id"
          :data-run="run.id"
          class="flex cursor-grab items-center gap-1.5 rounded border border-bench-line bg-bench px-2 py-0.5 text-[12px]"
        >
          {{ run.name }}
          <PickField
            v-if="plan.supplies.length > 1"
            :label="`Supply of ${run.name}`"
            layout="unseen"
            :options="supplyOptions"
            :value="slot.id"
            @pick="assign([run.id], $event)"
          />
        </div>
      </VueDraggable>
      <PickField
        class="mt-1.5 text-[12px] text-bench-soft"
        label="Capacitor at the first feed, 1000 µF"
        layout="beside"
        :options="capacitorOptions(slot.capacitorV)"
        :value="slot.capacitorV"
        @pick="setCapacitor(slot.id, $event)"
      />
      <PickField
        class="mt-1.5 text-[12px] text-bench-soft"
        label="Power switch, by hand"
        layout="beside"
        :options="switchOptions"
        :value="slot.powerSwitch"
        @pick="setPowerSwitch(slot.id, $event)"
      />
      <p v-if="supply && supply.loadA > 0" class="mt-1 text-[12px] text-bench-soft">
        {{ standbyText(supply.standby) }}
      </p>
    </div>
    <TickField
      v-if="plan.supplies.length > 1"
      class="text-[12px]"
      label="the minuses of all supplies are joined"
      :is-on="plan.rules.joinsMinus"
      @set="
        (joinsMinus) =>
          store.commit([{ do: 'set-rules', rules: { joinsMinus } }], { label: 'minuses joined' })
      "
    />
    <p class="mt-2 text-[12px] text-bench-soft">
      Use certified, enclosed supplies. Fixed mains wiring belongs to a licensed electrician; local
      codes decide.
    </p>
  </section>
</template>
