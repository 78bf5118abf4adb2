<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { capacitorsV } from '../../core/feed/capacitor'
import { powerSwitches } from '../../core/parts/power-switches'
import type { Plan } from '../../core/plan/plan'
import { formatQuantity, significant } from '../../core/quantity/format'
import type { TallySupply } from '../../core/tally'
import type { Told } from '../engine/follow-plan'
import { nextSupply } from '../../core/verdict/next-supply'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import { valueOf } from './value-of'

const { plan, tally } = defineProps<{ plan: Plan; tally: Told | undefined }>()

const store = usePlanStore()
const spotlight = useSpotlight()

/** Runs under the supply that they hang on. */
const supplies = computed(() => {
  const [first] = plan.supplies
  return plan.supplies.map((slot) => ({
    slot,
    supply: tally?.supplies.find(({ id }) => id === slot.id),
    runs: (tally?.runs ?? []).filter(
      ({ id, cuts, lit }) =>
        (cuts > 0 || lit !== null) &&
        (plan.lines.find((line) => line.id === id)?.supplyId ?? first?.id) === slot.id,
    ),
  }))
})
function assign(runs: readonly string[], supply: string): void {
  store.commit([{ do: 'feed-from', lines: runs, supply }], { label: 'which supply feeds it' })
}
function addSupply(): void {
  store.commit([{ do: 'add-supply', supply: nextSupply(plan) }], { label: 'add a supply' })
}
const removeSupply = (id: string): void => {
  store.commit([{ do: 'remove-supply', supply: id }], { label: 'remove a supply' })
}
function setCapacitor(id: string, event: Event): void {
  const value = valueOf(event)
  const volts = value === 'auto' ? undefined : value === 'none' ? null : Number(value)
  store.commit([{ do: 'set-capacitor', supply: id, volts }], { label: 'the capacitor' })
}
function setPowerSwitch(id: string, event: Event): void {
  const powerSwitch = valueOf(event) || undefined
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
const capacitorChoices = (chosen: number | null | undefined): number[] =>
  [...new Set([...capacitorsV, ...(chosen ? [chosen] : [])])].toSorted((a, b) => a - b)
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
        <label
          v-for="run in runs"
          :key="run.id"
          :data-run="run.id"
          class="flex cursor-grab items-center gap-1.5 rounded border border-bench-line bg-bench px-2 py-0.5 text-[12px]"
        >
          {{ run.name }}
          <select
            v-if="plan.supplies.length > 1"
            class="rounded bg-bench-high text-[12px]"
            :aria-label="`Supply of ${run.name}`"
            :value="slot.id"
            @change="assign([run.id], valueOf($event))"
          >
            <option v-for="other in plan.supplies" :key="other.id" :value="other.id">
              {{ other.name }}
            </option>
          </select>
        </label>
      </VueDraggable>
      <label class="mt-1.5 flex items-center gap-2 text-[12px] text-bench-soft">
        Capacitor at the first feed, 1000 µF
        <select
          class="field w-auto px-1.5 py-0.5"
          :value="
            slot.capacitorV === undefined
              ? 'auto'
              : slot.capacitorV === null
                ? 'none'
                : String(slot.capacitorV)
          "
          @change="setCapacitor(slot.id, $event)"
        >
          <option value="auto">by the rule</option>
          <option value="none">none</option>
          <option
            v-for="volts in capacitorChoices(slot.capacitorV)"
            :key="volts"
            :value="String(volts)"
          >
            {{ volts }} V
          </option>
        </select>
      </label>
      <label class="mt-1.5 flex items-center gap-2 text-[12px] text-bench-soft">
        Power switch, by hand
        <select
          class="field w-auto px-1.5 py-0.5"
          :value="slot.powerSwitch ?? ''"
          @change="setPowerSwitch(slot.id, $event)"
        >
          <option value="">by the rule: with cells</option>
          <option value="none">none</option>
          <option value="auto">the smallest that will do</option>
          <option v-for="one in powerSwitches" :key="one.id" :value="one.id">
            {{ one.name }}
          </option>
        </select>
      </label>
      <p v-if="supply && supply.loadA > 0" class="mt-1 text-[12px] text-bench-soft">
        {{ standbyText(supply.standby) }}
      </p>
    </div>
    <label v-if="plan.supplies.length > 1" class="flex items-center gap-2 text-[12px]">
      <input
        type="checkbox"
        class="accent-glow"
        :checked="plan.rules.joinsMinus"
        @change="
          store.commit([{ do: 'set-rules', rules: { joinsMinus: !plan.rules.joinsMinus } }], {
            label: 'minuses joined',
          })
        "
      />
      the minuses of all supplies are joined
    </label>
    <p class="mt-2 text-[12px] text-bench-soft">
      Use certified, enclosed supplies. Fixed mains wiring belongs to a licensed electrician; local
      codes decide.
    </p>
  </section>
</template>
