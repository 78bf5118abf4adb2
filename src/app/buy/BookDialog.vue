<script setup lang="ts">
import { computed, ref, shallowRef, watchEffect } from 'vue'
import { formatQuantity } from '../../core/quantity/format'
import { wireGroups } from '../../core/wire/spools'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import { itemWith, useDrawer } from '../stores/use-drawer'
import { usePart } from '../stores/use-parts'
import FormDialog from '../ui/FormDialog.vue'
import TickField from '../ui/TickField.vue'
import { amountText } from './amount-text'
import { bookingOf, type Booking } from './booking'

const emit = defineEmits<{ close: []; booked: [] }>()
const plan = useOpenPlan()
const [store, shelf, notices] = [usePlanStore(), useShelf(), useNotices()]
const entries = useDrawer(() => plan.value)
const [receipt, wiring, reels] = [usePart('receipt'), usePart('wiring'), usePart('reels')]
/** What is shown when all of it is known; it stays while it is looked at. */
const booking = shallowRef<Booking>()
watchEffect(() => {
  if (
    booking.value !== undefined ||
    shelf.drawer === undefined ||
    receipt.value === undefined ||
    wiring.value === undefined ||
    reels.value === undefined
  )
    return
  booking.value = bookingOf(
    entries.value,
    receipt.value.lines,
    new Set(plan.value.buy.bought.map(({ line }) => line)),
    reels.value,
    wireGroups(wiring.value.wires, plan.value.buy),
  )
})

const skipped = ref(new Set<string>())
function toggle(id: string): void {
  const next = new Set(skipped.value)
  if (!next.delete(id)) next.add(id)
  skipped.value = next
}
const kept = computed(() => booking.value?.into.filter(({ id }) => !skipped.value.has(id)) ?? [])

async function book(): Promise<void> {
  if (booking.value === undefined) return
  const { out } = booking.value
  const into = kept.value
  store.commit([{ do: 'set-buy', buy: { isBooked: true } }], { label: 'it is built' })
  emit('booked')
  emit('close')
  await shelf.takeOutOfDrawer(out.filter(({ left }) => left <= 0).map(({ entry }) => entry.id))
  await shelf.putInDrawer([
    ...into,
    ...out.filter(({ left }) => left > 0).map(({ entry, left }) => itemWith(entry, left)),
  ])
  notices.show({ kind: 'done', text: 'The drawer is settled: it has what is left over.' })
}
</script>

<template>
  <FormDialog title="It is built" action="Settle the drawer" @close="emit('close')" @submit="book">
    <p v-if="!booking" class="col-span-2 text-bench-soft" role="status">
      Looking into the drawer …
    </p>
    <section v-if="booking" class="col-span-2 text-[13px]">
      <h3 class="mb-1 font-semibold">Out of the drawer</h3>
      <p v-if="booking.out.length === 0" class="text-bench-soft">
        {{ plan.name }} took nothing from it.
      </p>
      <p v-for="{ entry, left } in booking.out" :key="entry.id">
        {{ entry.name }}, {{ amountText(entry, plan.units) }}
        <span class="text-bench-soft">
          {{
            left > 0
              ? `· ${formatQuantity(left, entry.unit === 'm' ? 'm' : '')} stay in`
              : '· all of it'
          }}
        </span>
      </p>
    </section>
    <section v-if="booking" class="col-span-2 max-h-64 overflow-y-auto text-[13px]">
      <h3 class="mb-1 font-semibold">Into the drawer</h3>
      <p v-if="booking.into.length === 0" class="text-bench-soft">
        Nothing worth keeping is left over. Tick what you bought on the bill: the rest of its packs
        then stands here.
      </p>
      <TickField
        v-for="item in booking.into"
        :key="item.id"
        class="py-0.5"
        :label="`${item.name}, ${amountText(item, plan.units)}`"
        :is-on="!skipped.has(item.id)"
        @set="toggle(item.id)"
      />
    </section>
  </FormDialog>
</template>
