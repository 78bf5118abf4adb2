<script setup lang="ts">
import { ChevronDown } from '@lucide/vue'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import type { ReceiptLine } from '../../core/buy/receipt'
import type { Bought, Plan } from '../../core/plan/plan'
import { workingText } from '../../core/quantity/figure'
import { buysText, needText, packText } from '../../formats/csv-bill'
import NoteButton from '../notes/NoteButton.vue'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import { useSpotlight } from '../stores/spotlight'
import { withBought, withPrice } from './buy-edit'
import NumberField from '../ui/NumberField.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'

const { line, bought } = defineProps<{
  line: ReceiptLine
  bought: Bought | undefined
}>()
const emit = defineEmits<{ edit: [] }>()
const plan = useOpenPlan()

const [store, shelf, spotlight, router] = [usePlanStore(), useShelf(), useSpotlight(), useRouter()]
const price = usePrice()
const isOpen = ref(false)

const isGiven = computed(() => line.buys.length === 0)
const own = computed(
  () =>
    new Set(
      plan.value.buy.prices.find((one) => one.line === line.id)?.packs.map(({ size }) => size),
    ),
)
/** Packs that can be had, and sizes that the cutting made up. */
const packs = computed(() => {
  const known = new Set(line.packs.map(({ size }) => size))
  return [...line.packs, ...line.buys.filter(({ size }) => !known.has(size))]
})

/** What it is for, by name: the first few, each a way to it. */
const purposes = computed(() => {
  const names = new Map<string, string>([
    ...(store.tally?.runs ?? []).map(({ id, name }) => [id, name] as const),
    ...plan.value.supplies.map(({ id, name }) => [id, name] as const),
    ...plan.value.junctions.map(({ id, name }) => [id, name] as const),
  ])
  return line.for.flatMap((id) => {
    const name = names.get(id)
    return name === undefined ? [] : [{ id, name }]
  })
})
const shownPurposes = 4
const pageNames = {
  measure: 'Measure',
  cut: 'Cut',
  feed: 'Feed',
  signal: 'Signal',
  wire: 'Wire',
  buy: 'Buy',
} as const

function commit(buy: Partial<Plan['buy']>, label: string): void {
  store.commit([{ do: 'set-buy', buy }], { label })
}
function tick(): void {
  commit(
    { bought: withBought(plan.value.buy, line.id, bought === undefined ? {} : undefined) },
    `${bought === undefined ? 'bought' : 'not bought'}: ${line.name}`,
  )
}
/** More than anything here costs. */
const mostPrice = 1_000_000

async function setPrice(size: number, value: number | undefined): Promise<void> {
  const prices = withPrice(plan.value.buy, line.id, size, value)
  commit({ prices }, `price of ${line.name}`)
  const kept = prices.find((one) => one.line === line.id)
  if (kept === undefined) await shelf.forgetPrice(line.id)
  else await shelf.keepPrices([kept])
}
function setPaid(paid: number | undefined): void {
  commit({ bought: withBought(plan.value.buy, line.id, { paid }) }, `paid for ${line.name}`)
}
function setFrom(text: string): void {
  commit(
    { bought: withBought(plan.value.buy, line.id, { from: text === '' ? undefined : text }) },
    `where ${line.name} is from`,
  )
}
function goTo(id: string | undefined): void {
  if (id !== undefined && plan.value.lines.some((one) => one.id === id)) spotlight.choose(id)
  void router.push({ name: line.page, params: { id: store.id } })
}
</script>

<template>
  <div
    class="border-b border-pad-line text-[13.5px]"
    :data-bill="line.id"
    @pointerenter="spotlight.light(line.for)"
    @pointerleave="spotlight.dim()"
  >
    <div class="flex items-start gap-2.5 py-1">
      <TickField
        class="grid size-7 shrink-0 place-items-center max-sm:size-11 max-sm:-my-2"
        :label="`Bought: ${line.name}`"
        is-unseen
        :is-on="bought !== undefined || isGiven"
        :disabled="isGiven"
        @set="tick"
      />
      <button
        class="grid min-w-0 flex-1 grid-cols-[minmax(0,1fr)_auto] gap-x-3 py-1 text-left sm:grid-cols-[minmax(0,1fr)_5.5rem_9.5rem_5rem]"
        :aria-expanded="isOpen"
        @click="isOpen = !isOpen"
      >
        <span class="min-w-0">
          <span :class="(bought || isGiven) && 'line-through decoration-paper-soft'">{{
            line.name
          }}</span>
          <ChevronDown
            :size="13"
            class="ml-1 inline text-paper-soft transition-transform"
            :class="isOpen && 'rotate-180'"
          />
          <span v-if="line.note" class="block text-[12px] text-warning-paper">{{ line.note }}</span>
        </span>
        <span class="text-right whitespace-nowrap max-sm:order-3 max-sm:text-left">
          <span class="text-paper-soft sm:hidden">needs </span
          >{{ needText(line.need, line.unit, plan.units) }}
          <span v-if="line.have > 0" class="block text-[12px] text-ok-paper">
            {{ needText(line.have, line.unit, plan.units) }} in hand
          </span>
        </span>
        <span class="text-right text-paper-soft max-sm:order-4">
          {{ isGiven ? 'from the drawer' : buysText(line, plan.units) }}
        </span>
        <span
          class="text-right font-semibold whitespace-nowrap"
          :class="line.cost === null && 'text-warning-paper'"
        >
          {{ line.cost === null ? 'no price' : isGiven ? '–' : price(line.cost) }}
        </span>
      </button>
    </div>
    <div v-if="isOpen" class="mb-2 ml-9 rounded bg-pad px-3 py-2 text-[13px] max-sm:ml-0">
      <p>
        {{ workingText(line, plan.units) }}
        <span class="text-paper-soft">· {{ line.rule }}</span>
      </p>
      <p v-if="purposes.length > 0" class="mt-1 text-paper-soft">
        for
        <template v-for="({ id, name }, index) in purposes.slice(0, shownPurposes)" :key="id"
          ><template v-if="index > 0">, </template
          ><button class="underline decoration-dotted underline-offset-3" @click="goTo(id)">
            {{ name }}
          </button></template
        >
        <template v-if="purposes.length > shownPurposes">
          and {{ purposes.length - shownPurposes }} more</template
        >
      </p>
      <p class="mt-1 flex flex-wrap gap-x-4">
        <NoteButton v-if="line.part" :about="{ kind: 'part', part: line.part }" :name="line.name" />
        <button
          v-if="line.group === 'own'"
          class="underline decoration-dotted underline-offset-3"
          @click="emit('edit')"
        >
          Change or remove this line
        </button>
        <button
          v-else
          class="min-h-6 underline decoration-dotted underline-offset-3"
          @click="goTo(line.for[0])"
        >
          Decided on {{ pageNames[line.page] }}
        </button>
      </p>
      <div class="mt-2 flex flex-wrap gap-x-4 gap-y-2">
        <div v-for="{ size, price: each } in packs" :key="size" class="text-[12px]">
          <p>
            {{ packText({ size }, line.unit, plan.units) }}
            <span v-if="own.has(size)" class="text-ok-paper">your price</span>
          </p>
          <NumberField
            :label="`Price of ${packText({ size }, line.unit, plan.units)}, ${line.name}`"
            layout="unseen"
            width="w-24"
            unit="price"
            :value="each ?? undefined"
            :least="0"
            :most="mostPrice"
            is-optional
            @set="setPrice(size, $event)"
            @clear="setPrice(size, undefined)"
          />
        </div>
      </div>
      <div v-if="bought" class="mt-2 flex flex-wrap gap-x-4 gap-y-2">
        <NumberField
          class="text-[12px]"
          label="Paid for all of it"
          width="w-24"
          unit="price"
          :value="bought.paid"
          :least="0"
          :most="mostPrice"
          is-optional
          @set="setPaid"
          @clear="setPaid(undefined)"
        />
        <TextField
          class="text-[12px]"
          label="From where"
          width="w-48"
          :value="bought.from ?? ''"
          :most="120"
          @set="setFrom"
        />
      </div>
    </div>
  </div>
</template>
