<script setup lang="ts">
import { PackageOpen, Plus } from '@lucide/vue'
import { computed, defineAsyncComponent, ref, shallowRef, watch } from 'vue'
import { takenFor } from '../../core/buy/drawer'
import { progressOf } from '../../core/build/progress'
import { lackingFor } from '../../core/buy/lacking'
import { toBuy, type Receipt } from '../../core/buy/receipt'
import { billGroups } from '../../core/parts/sold'
import { currencies, type Currency } from '../../core/plan/choices'
import type { OwnBillLine, Taken } from '../../core/plan/plan'
import { plural } from '../../core/quantity/format'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import { freeOffcuts, useDrawer } from '../stores/use-drawer'
import { named } from '../ui/option'
import PickField from '../ui/PickField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import BillPaper from './BillPaper.vue'
import BillRow from './BillRow.vue'
import { withOwnLine } from './buy-edit'
import NothingYet from '../shell/NothingYet.vue'

const { receipt } = defineProps<{ receipt: Receipt }>()
const plan = useOpenPlan()

const OwnLineDialog = defineAsyncComponent(() => import('./OwnLineDialog.vue'))

const [store, shelf] = [usePlanStore(), useShelf()]
const price = usePrice()
const entries = useDrawer(() => plan.value)

const filters = [
  { value: 'all', label: 'All' },
  { value: 'open', label: 'To buy' },
  { value: 'next', label: 'For the next step' },
  { value: 'bought', label: 'Bought' },
] as const
const filter = ref<(typeof filters)[number]['value']>('all')

const bought = computed(() => new Map(plan.value.buy.bought.map((one) => [one.line, one])))
/** The order of the work is worked out only while its list is shown. */
const nextStep = computed(() => {
  const order = filter.value === 'next' ? store.tally?.build : undefined
  return order && progressOf(plan.value, order.steps, Infinity).next
})
/** Ids of what the next step of building takes and is not bought. */
const lacking = computed(
  () =>
    new Set(
      nextStep.value === undefined
        ? []
        : lackingFor(nextStep.value, receipt, plan.value.buy).map(({ id }) => id),
    ),
)
/** Ticked while only what is open is listed: they stay until another list is chosen, so that no line moves under the finger. */
const lingering = shallowRef<ReadonlySet<string>>(new Set())
watch(filter, (list, _before, onCleanup) => {
  lingering.value = new Set()
  if (list === 'next') onCleanup(store.want('build'))
})
watch(bought, (now, before) => {
  const fresh = [...now.keys()].filter((id) => !before.has(id))
  if (filter.value === 'open' || filter.value === 'next')
    lingering.value = new Set([...lingering.value, ...fresh])
})
const isListed = (id: string, openIds: ReadonlySet<string>): boolean => {
  switch (filter.value) {
    case 'all':
      return true
    case 'open':
      return openIds.has(id) || lingering.value.has(id)
    case 'next':
      return lacking.value.has(id) || lingering.value.has(id)
    case 'bought':
      return bought.value.has(id)
  }
}
const nothingText = {
  all: 'Nothing to buy.',
  open: 'Everything is bought.',
  next: 'The next step lacks nothing.',
  bought: 'Nothing is bought yet.',
} as const

const open = computed(() => toBuy(receipt, plan.value.buy))
const openCost = computed(() => open.value.reduce((sum, { cost }) => sum + (cost ?? 0), 0))
const groups = computed(() => {
  const openIds = new Set(open.value.map(({ id }) => id))
  return billGroups
    .map((group) => ({
      group,
      lines: receipt.lines.filter((line) => line.group === group && isListed(line.id, openIds)),
    }))
    .filter(({ lines }) => lines.length > 0)
})
const titles = {
  light: 'Light',
  power: 'Power',
  board: 'Board',
  wire: 'Wire',
  'small parts': 'Small parts',
  mounting: 'Mounting',
  sheets: 'Sheets',
  own: 'Your own lines',
} as const
const costOf = (lines: Receipt['lines']): number =>
  lines.reduce((sum, { cost }) => sum + (cost ?? 0), 0)

/** What the drawer would give besides what is taken already: offcuts of strip whole, of other things as much as is missing. */
const offer = computed(() => {
  const offcuts = freeOffcuts(
    entries.value.filter(({ offcutMm }) => offcutMm !== undefined),
    new Set(receipt.lines.flatMap(({ part }) => part ?? [])),
  )
  const items = entries.value
    .filter(({ offcutMm, free }) => offcutMm === undefined && free > 0)
    .map((entry) => ({ ...entry, amount: entry.free }))
  const taken = takenFor(
    // As if nothing were taken yet: what the drawer gives is worked out anew.
    receipt.lines.map((line) => ({ ...line, have: 0 })),
    items,
  )
  const key = ({ item, line, amount }: Taken): string => `${item} ${line} ${amount.toFixed(3)}`
  const before = new Set(plan.value.buy.taken.map(key))
  return {
    offcuts,
    taken,
    fresh: taken.filter((one) => !before.has(key(one))).length + offcuts.length,
  }
})
function takeFromDrawer(): void {
  const { offcuts, taken } = offer.value
  store.commit(
    [
      ...(offcuts.length > 0 ? [{ do: 'add-offcuts', offcuts } as const] : []),
      { do: 'set-buy', buy: { taken } },
    ],
    { label: 'take from the drawer' },
  )
}
function giveBack(): void {
  const ids = new Set(entries.value.map(({ id }) => id))
  store.commit(
    [
      ...plan.value.offcuts
        .filter(({ id }) => ids.has(id))
        .map(({ id }) => ({ do: 'remove-offcut', offcut: id }) as const),
      { do: 'set-buy', buy: { taken: [] } },
    ],
    { label: 'put back into the drawer' },
  )
}
const takenCount = computed(
  () =>
    plan.value.buy.taken.length +
    plan.value.offcuts.filter(({ id }) => entries.value.some((entry) => entry.id === id)).length,
)
/** What this plan takes, and another takes too or the drawer no longer holds. */
const conflicts = computed(() =>
  shelf.drawer === undefined || plan.value.buy.isBooked === true
    ? []
    : plan.value.buy.taken.filter(({ item, amount }) => {
        const entry = entries.value.find(({ id }) => id === item)
        return entry === undefined || entry.free < amount - 1e-6
      }),
)

const editing = shallowRef<OwnBillLine | 'new'>()
const ownOf = (id: string): OwnBillLine | undefined =>
  plan.value.buy.lines.find((line) => `own.${line.id}` === id)
function keepOwn(line: OwnBillLine): void {
  editing.value = undefined
  store.commit([{ do: 'set-buy', buy: { lines: withOwnLine(plan.value.buy, line) } }], {
    label: `your own line ${line.name}`,
  })
}
function removeOwn(line: OwnBillLine): void {
  editing.value = undefined
  store.commit(
    [{ do: 'set-buy', buy: { lines: plan.value.buy.lines.filter(({ id }) => id !== line.id) } }],
    { label: `without ${line.name}` },
  )
}
function setCurrency(code: Currency): void {
  store.commit([{ do: 'set-buy', buy: { currency: code } }], { label: `prices in ${code}` })
}
const isEmpty = computed(() => receipt.lines.length === 0)
</script>

<template>
  <NothingYet v-if="isEmpty" what="Nothing to buy yet"
    >, or
    <button class="link-quiet" @click="editing = 'new'">add a line of your own</button>.</NothingYet
  >
  <template v-else>
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <p class="whitespace-nowrap">
        <b class="text-[22px] text-bench-ink" data-testid="bill-total">{{
          price(receipt.total)
        }}</b>
        <span v-if="receipt.unpriced > 0" class="ml-2 text-[13px] text-warning">
          + {{ plural(receipt.unpriced, 'line') }} without a price
        </span>
      </p>
      <p class="text-[13px] text-bench-soft" data-testid="bill-open">
        {{ open.length === 0 ? 'all bought' : `${open.length} to buy, ${price(openCost)}` }}
      </p>
      <div class="ml-auto flex flex-wrap items-center gap-2">
        <button
          v-if="offer.fresh > 0 && plan.buy.isBooked !== true"
          class="button-main"
          title="Offcuts, wire and parts in the drawer that no other plan takes"
          @click="takeFromDrawer"
        >
          <PackageOpen :size="15" /> Take {{ plural(offer.fresh, 'thing') }} from the drawer
        </button>
        <button
          v-else-if="takenCount > 0 && plan.buy.isBooked !== true"
          class="button-quiet"
          @click="giveBack"
        >
          Put {{ plural(takenCount, 'thing') }} back
        </button>
        <PickField
          label="Currency"
          layout="unseen"
          :options="named(currencies)"
          :value="plan.buy.currency"
          @pick="setCurrency"
        />
        <SegmentedChoice v-model="filter" label="Which lines" :options="filters" />
      </div>
    </div>
    <p v-if="conflicts.length > 0" class="text-[13px] text-warning" role="alert">
      {{ plural(conflicts.length, 'thing') }} from the drawer
      {{ conflicts.length === 1 ? 'is' : 'are' }} no longer free: another plan took
      {{ conflicts.length === 1 ? 'it' : 'them' }}, or the count changed.
      <button class="link-quiet" @click="takeFromDrawer">Take what is free</button>
    </p>
    <div
      class="on-paper min-h-0 flex-1 overflow-y-auto rounded-lg bg-roll [color-scheme:light] px-3 py-3 text-paper-ink sm:px-6"
      tabindex="0"
      role="group"
      aria-label="The bill"
    >
      <p v-if="filter === 'next' && nextStep" class="mb-3 text-[13px]" data-testid="next-step">
        Next to do: “{{ nextStep.title }}”.
        {{
          lacking.size === 0
            ? 'All of it is there.'
            : `${plural(lacking.size, 'thing')} to buy first.`
        }}
      </p>
      <section v-for="{ group, lines } in groups" :key="group" class="mb-4">
        <h2
          class="flex items-baseline justify-between border-b border-paper-ink pb-0.5 font-semibold"
        >
          {{ titles[group] }}
          <span class="text-[13px]">{{ price(costOf(lines)) }}</span>
        </h2>
        <BillRow
          v-for="line in lines"
          :key="line.id"
          :line="line"
          :bought="bought.get(line.id)"
          @edit="editing = ownOf(line.id)"
        />
      </section>
      <p v-if="groups.length === 0" class="py-8 text-center text-paper-soft">
        {{ nothingText[filter] }}
      </p>
      <button
        class="inline-flex items-center gap-1.5 rounded border border-paper-ink/40 px-2.5 py-1 text-[13px] hover:border-paper-ink"
        @click="editing = 'new'"
      >
        <Plus :size="14" /> a line of your own
      </button>
      <p class="mt-3 text-[12px] text-paper-soft">
        Prices are typical ones until you type your own, which then hold in every plan. Nothing of
        the mains side is on this bill.
      </p>
    </div>
    <BillPaper :receipt="receipt" />
  </template>
  <OwnLineDialog
    v-if="editing"
    :line="editing === 'new' ? undefined : editing"
    @close="editing = undefined"
    @keep="keepOwn"
    @remove="removeOwn"
  />
</template>
