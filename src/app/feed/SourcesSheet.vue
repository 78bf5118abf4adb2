<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed, defineAsyncComponent } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { batteryUse } from '../../core/feed/batteries'
import { capacitorsV } from '../../core/feed/capacitor'
import { junctionKinds } from '../../core/plan/choices'
import type { SupplyPart } from '../../core/plan/parts'
import type { Junction, Plan, Use } from '../../core/plan/plan'
import { withSet, type Settable } from '../../core/plan/with-set'
import { formatQuantity, significant } from '../../core/quantity/format'
import type { Tally, TallySupply } from '../../core/tally'
import { nextSupply } from '../../core/verdict/next-supply'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import LeadEditor from './LeadEditor.vue'

const { plan, tally } = defineProps<{ plan: Plan; tally: Tally | undefined }>()

const BatteryChart = defineAsyncComponent(() => import('./BatteryChart.vue'))

const store = usePlanStore()
const spotlight = useSpotlight()

/** Runs under the supply that they hang on. */
const supplies = computed(() => {
  const [first] = plan.supplies
  return plan.supplies.map((slot) => ({
    slot,
    supply: tally?.supplies.find(({ id }) => id === slot.id),
    runs: (tally?.runs ?? []).filter(
      ({ id, cuts }) =>
        cuts > 0 && (plan.lines.find((line) => line.id === id)?.supplyId ?? first?.id) === slot.id,
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
const valueOf = (event: Event): string =>
  event.target instanceof HTMLSelectElement || event.target instanceof HTMLInputElement
    ? event.target.value
    : ''
function setCapacitor(id: string, event: Event): void {
  const value = valueOf(event)
  const volts = value === 'auto' ? undefined : value === 'none' ? null : Number(value)
  store.commit([{ do: 'set-capacitor', supply: id, volts }], { label: 'the capacitor' })
}
const share = ({ loadA, ratedA }: TallySupply): string =>
  ratedA === null
    ? 'none is large enough'
    : `${formatQuantity(loadA, 'A')} of ${significant(ratedA)} A, ${formatQuantity(loadA / ratedA, '%')}`

function addJunction(): void {
  const names = new Set(plan.junctions.map(({ name }) => name))
  let number = 1
  while (names.has(`Junction ${String(number)}`)) number += 1
  const junction: Junction = {
    id: nanoid(8),
    name: `Junction ${String(number)}`,
    kind: 'terminals',
    limitA: 10,
    fuse: 'auto',
  }
  store.commit([{ do: 'put-junction', junction }], { label: 'add a junction' })
}
function putJunction(junction: Junction, set: Settable<Junction>): void {
  store.commit([{ do: 'put-junction', junction: withSet(junction, set) }], {
    label: `change ${junction.name}`,
    key: `junction.${junction.id}`,
  })
}
/** Feeds every run that hangs on nothing else from a junction. */
function feedAllFrom(junction: Junction): void {
  store.commit(
    plan.lines
      .filter((line) => tally?.runs.some(({ id, cuts }) => id === line.id && cuts > 0) === true)
      .map((line) => ({
        do: 'set-lines' as const,
        lines: [line.id],
        set: {
          feeds: (line.feeds ?? [{ id: 'first', pad: 0 as const, fuse: 'auto' as const }]).map(
            (feed) => ({ ...feed, from: junction.id }),
          ),
        },
      })),
    { label: `feed all from ${junction.name}` },
  )
}
const junctionNames = { terminals: 'terminal block', splitter: 'splitter', track: 'bus track' }

function setUse(set: Partial<Use>): void {
  store.commit([{ do: 'set-use', use: set }], { label: 'how it is used', key: 'use' })
}
const numberOf = (event: Event): number => Math.max(0, Number(valueOf(event)) || 0)

/** Packs side by side: what each of them would do with the first supply's load. */
const packs = computed(() => {
  const [first] = supplies.value
  const load = tally?.supplies[0]
  if (first === undefined || load === undefined) return []
  const ids = new Set(first.runs.map(({ id }) => id))
  const runs = tally?.runs.filter(({ id }) => ids.has(id)) ?? []
  const fullA = runs.reduce((sum, { currentA }) => sum + currentA, 0)
  if (fullA === 0) return []
  const idleShare =
    (tally?.totals.idleCurrentA ?? 0) / Math.max(1e-9, tally?.totals.peakCurrentA ?? 1)
  const idleA = fullA * idleShare
  const levelA = idleA + (fullA - idleA) * plan.scene.level
  return store.parts.supplies
    .filter((part) => part.battery !== undefined || part.bank !== undefined)
    .flatMap((part) => {
      const use = batteryUse(part, { idleA, levelA, fullA }, plan.use)
      return use === undefined ? [] : [{ part, use, isFit: fits(part, load.volts) }]
    })
    .toSorted(
      (a, b) =>
        Number(b.isFit) - Number(a.isFit) || (b.use.hours ?? Infinity) - (a.use.hours ?? Infinity),
    )
})
const fits = (part: SupplyPart, volts: number): boolean =>
  part.volts <= volts * 1.05 && part.volts >= volts * 0.85
const hours = (value: number | null): string =>
  value === null ? 'for ever' : formatQuantity(value * 60, 'min')
</script>

<template>
  <div
    class="grid min-h-0 flex-1 grid-cols-1 content-start gap-3 overflow-y-auto text-[13px] min-[900px]:grid-cols-2"
    tabindex="0"
    role="group"
    aria-label="Supplies and use"
  >
    <section class="card" aria-label="Supplies">
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
              class="rounded bg-bench-high text-[11px]"
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
            <option v-for="volts in capacitorsV" :key="volts" :value="String(volts)">
              {{ volts }} V
            </option>
          </select>
        </label>
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
      <p class="mt-2 text-[11.5px] text-bench-soft">
        Use certified, enclosed supplies. Fixed mains wiring belongs to a licensed electrician;
        local codes decide.
      </p>
    </section>

    <section class="card" aria-label="Junctions">
      <div class="mb-2 flex items-baseline gap-3">
        <h2 class="font-semibold">Junctions</h2>
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
          <input
            class="field w-36 py-0.5 font-semibold"
            aria-label="Name of the junction"
            maxlength="120"
            :value="junction.name"
            @change="valueOf($event).trim() && putJunction(junction, { name: valueOf($event) })"
          />
          <select
            class="field w-auto py-0.5"
            aria-label="Kind of junction"
            :value="junction.kind"
            @change="putJunction(junction, { kind: valueOf($event) as Junction['kind'] })"
          >
            <option v-for="kind in junctionKinds" :key="kind" :value="kind">
              {{ junctionNames[kind] }}
            </option>
          </select>
          <label class="flex items-center gap-1 text-[12px] text-bench-soft">
            takes
            <input
              type="number"
              min="0.1"
              step="0.5"
              class="field w-16 px-1.5 py-0.5"
              :value="junction.limitA"
              @change="numberOf($event) > 0 && putJunction(junction, { limitA: numberOf($event) })"
            />
            A
          </label>
          <button class="link-quiet ml-auto text-[12px]" @click="feedAllFrom(junction)">
            feed all from it
          </button>
        </div>
        <LeadEditor
          class="mt-2"
          :plan="plan"
          :name="junction.name"
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

    <section class="card" aria-label="How it is used">
      <h2 class="mb-2 font-semibold">How it is used</h2>
      <div class="grid grid-cols-2 gap-x-4 gap-y-2 text-bench-soft">
        <label>
          Of an hour, at full white
          <span class="flex items-center gap-1.5">
            <input
              type="number"
              min="0"
              max="60"
              class="field block w-20"
              :value="plan.use.mix.fullWhite"
              @change="
                setUse({ mix: { ...plan.use.mix, fullWhite: Math.min(60, numberOf($event)) } })
              "
            />
            min
          </span>
        </label>
        <label>
          and at the level
          <span class="flex items-center gap-1.5">
            <input
              type="number"
              min="0"
              max="60"
              class="field block w-20"
              :value="plan.use.mix.level"
              @change="setUse({ mix: { ...plan.use.mix, level: Math.min(60, numberOf($event)) } })"
            />
            min, idle the rest
          </span>
        </label>
        <label>
          Hours a day
          <input
            type="number"
            min="0"
            max="24"
            class="field block w-20"
            :value="plan.use.hoursADay"
            @change="setUse({ hoursADay: Math.min(24, numberOf($event)) })"
          />
        </label>
        <label>
          Price of a kWh
          <input
            type="number"
            min="0"
            step="0.01"
            class="field block w-20"
            :value="plan.use.pricePerKwh"
            @change="setUse({ pricePerKwh: Math.min(100, numberOf($event)) })"
          />
        </label>
        <label>
          A battery has to last, h
          <input
            type="number"
            min="0.1"
            step="0.5"
            class="field block w-20"
            :value="plan.use.batteryHours"
            @change="numberOf($event) > 0 && setUse({ batteryHours: numberOf($event) })"
          />
        </label>
      </div>
    </section>

    <section class="card" aria-label="Batteries">
      <h2 class="mb-2 font-semibold">On batteries</h2>
      <BatteryChart
        v-for="battery in (tally?.batteries ?? []).filter(({ course }) => course.length > 1)"
        :key="battery.id"
        :battery="battery"
        :name="plan.supplies.find(({ id }) => id === battery.id)?.name ?? ''"
      />
      <table v-if="packs.length > 0" class="w-full text-left text-[12.5px]">
        <caption class="mb-1 text-left text-[12px] text-bench-soft">
          What hangs on
          {{
            plan.supplies[0]?.name
          }}, on packs side by side
        </caption>
        <thead class="text-[11px] text-bench-soft">
          <tr>
            <th class="font-normal">pack</th>
            <th class="font-normal">lasts</th>
            <th class="font-normal">full, at its peak</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="{ part, use, isFit } in packs"
            :key="part.id"
            class="border-t border-bench-line"
            :class="!isFit && 'text-bench-soft'"
          >
            <td class="py-1">{{ part.name }}</td>
            <td>{{ use.peakFirstV < use.cutoffV ? 'not at all' : hours(use.hours) }}</td>
            <td>
              {{ formatQuantity(use.peakFirstV, 'V') }}
              <span v-if="!isFit" class="text-care">other volts</span>
              <span v-else-if="use.peakFirstV < use.cutoffV" class="text-stop">sags too far</span>
              <span v-else-if="use.sleeps" class="text-care">sleeps while idle</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p class="mt-2 text-[11.5px] text-bench-soft">
        Lithium: protected cells only, no charging in a sealed box, no crushing.
      </p>
    </section>
  </div>
</template>

<style scoped>
@reference '../style.css';

.card {
  @apply rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3;
}
</style>
