<script setup lang="ts">
import { defineAsyncComponent, watch } from 'vue'
import PlanFrame from '../shell/PlanFrame.vue'
import { useView } from '../shell/use-sheet-view'
import { deviceCurrency } from '../stores/device-currency'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { usePart } from '../stores/use-parts'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import BarsView from './BarsView.vue'
import BillView from './BillView.vue'
import { arePricesSame, withKept } from './buy-edit'
import DrawerView from './DrawerView.vue'
import SaveBill from './SaveBill.vue'

const LightView = defineAsyncComponent(() => import('./LightView.vue'))

const [store, shelf] = [usePlanStore(), useShelf()]
const receipt = usePart('receipt')

const sheets = [{ value: 'buy', label: 'Buy' }] as const
const views = [
  { value: 'bill', label: 'Bill' },
  { value: 'drawer', label: 'Drawer' },
  { value: 'light', label: 'Which light' },
  { value: 'bars', label: 'Bars, sheets, boxes' },
] as const
const view = useView(views, 'bill')

// Own prices hold for every plan: one that was reckoned with others takes them over when its bill is looked at.
watch(
  [() => shelf.prices, () => store.id, () => store.plan !== undefined],
  ([kept, , isOpen]) => {
    const { plan, access } = store
    if (!isOpen || plan === undefined || access !== 'mine' || kept === undefined) return
    const prices = withKept(plan.buy.prices, kept)
    const isSame = arePricesSame(prices, plan.buy.prices)
    if (!isSame) store.commit([{ do: 'set-buy', buy: { prices } }], { label: 'your own prices' })
  },
  { immediate: true },
)
watch(
  () => store.plan?.buy.currency,
  (currency) => {
    if (currency !== undefined) deviceCurrency.value = currency
  },
)
</script>

<template>
  <PlanFrame
    stage="buy"
    title="Buy"
    hint="Tick what you have bought. A click on a line shows its sum and its price."
    :sheets="sheets"
  >
    <template #tools>
      <SaveBill v-if="receipt" :receipt="receipt" />
      <SegmentedChoice
        v-model="view"
        class="max-sm:hidden"
        label="What is shown"
        :options="views"
      />
    </template>
    <template #default="{ shows }">
      <template v-if="shows('buy')">
        <SegmentedChoice v-model="view" class="sm:hidden" label="What is shown" :options="views" />
        <DrawerView v-if="view === 'drawer'" :receipt="receipt" />
        <LightView v-else-if="view === 'light'" />
        <BarsView v-else-if="view === 'bars'" />
        <BillView v-else-if="receipt" :receipt="receipt" />
        <p
          v-else
          class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
          role="status"
        >
          Adding it all up …
        </p>
      </template>
    </template>
  </PlanFrame>
</template>
