<script setup lang="ts">
import { FileDown, Printer } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed, defineAsyncComponent, shallowRef } from 'vue'
import type { Prewired } from '../../core/cut/prewired'
import type { StripReels } from '../../core/cut/reels'
import type { Strip } from '../../core/plan/parts'
import type { Plan } from '../../core/plan/plan'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import { cutsTable } from '../../formats/csv-cuts'
import { freeOffcuts, useDrawer } from '../stores/use-drawer'
import { saveTable } from '../shell/save-table'
import { offcutItem } from '../storage/db'
import { useNotices } from '../stores/notices'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { useShelf } from '../stores/shelf'
import { useSpotlight } from '../stores/spotlight'
import ReelBar from './ReelBar.vue'
import { useJob } from '../engine/use-job'
import { useReelRows } from './use-reel-rows'
import ExplainedText from '../shell/ExplainedText.vue'
import JobProblem from '../ui/JobProblem.vue'
import NumberField from '../ui/NumberField.vue'
import TickField from '../ui/TickField.vue'

const { reels } = defineProps<{
  reels: readonly StripReels[]
  prewired: readonly Prewired[]
}>()
const plan = useOpenPlan()

const StockDialog = defineAsyncComponent(() => import('../parts/StockDialog.vue'))

const store = usePlanStore()
const priceText = usePrice()
const shelf = useShelf()
const notices = useNotices()
const spotlight = useSpotlight()
const deep = useJob(
  () => plan.value,
  (service, job, tell) => service.pack(job, tell),
)

/** The longer search's answer, where there is one for this very plan. */
const shown = computed(() => deep.result.value ?? reels)
const rowsOf = useReelRows(() => shown.value)
const longestMm = computed(() =>
  Math.max(...shown.value.flatMap((strip) => strip.reels.map(({ lengthMm }) => lengthMm))),
)
const isProved = computed(() => shown.value.every((strip) => strip.isProved))
const price = computed(() => shown.value.reduce((sum, strip) => sum + strip.price, 0))
const above = computed(
  () =>
    price.value /
      Math.max(
        1e-9,
        shown.value.reduce((sum, strip) => sum + strip.boundPrice, 0),
      ) -
    1,
)

/** Offcuts in the browser's drawer that fit this plan's strips and are not in it yet. */
const entries = useDrawer(() => plan.value)
const drawer = computed(() =>
  freeOffcuts(entries.value, new Set(shown.value.map(({ strip }) => strip.id))),
)
const usable = 100

async function keepLeftovers(): Promise<void> {
  const offcuts = shown.value.flatMap(({ strip, reels: bins }) =>
    bins
      .filter(({ leftoverMm }) => leftoverMm >= usable)
      .map(({ leftoverMm }) => offcutItem(nanoid(8), strip, Math.floor(leftoverMm))),
  )
  await shelf.putInDrawer(offcuts)
  notices.show({
    kind: 'done',
    text: `${String(offcuts.length)} leftovers of 100 mm or more are in the drawer, for any plan.`,
  })
}
function useOffcuts(): void {
  store.commit([{ do: 'add-offcuts', offcuts: drawer.value }], {
    label: 'use offcuts from the drawer',
  })
}
function putBack(id: string): void {
  store.commit([{ do: 'remove-offcut', offcut: id }], { label: 'put an offcut back' })
}
const stock = shallowRef<Strip>()
function setStock(strip: Strip): void {
  stock.value = undefined
  store.commit([{ do: 'own-strip', strip }], { label: `what is sold of ${strip.name}` })
}
const joinsMade = computed(() =>
  shown.value.reduce((sum, { joins, joinsPrice }) => sum + (joinsPrice > 0 ? joins : 0), 0),
)
function setJoins(set: Partial<Plan['rules']['joins']>): void {
  store.commit([{ do: 'set-rules', rules: { joins: { ...plan.value.rules.joins, ...set } } }], {
    label: 'joins within a piece',
  })
}
const print = (): void => {
  window.print()
}
const saveCsv = (): void => {
  saveTable(`${plan.value.name} cuts`, cutsTable(shown.value, plan.value.units))
}
</script>

<template>
  <section
    class="max-h-[46%] shrink-0 overflow-y-auto rounded-lg border border-bench-line bg-bench-raised px-4 py-3 max-[899px]:max-h-none max-[899px]:flex-1"
    aria-label="Reels"
    role="group"
    tabindex="0"
  >
    <div class="mb-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h2 class="font-semibold"><ExplainedText text="Reels" /></h2>
      <p class="text-[13px]" data-testid="packing">
        <b class="text-[17px]">{{ priceText(price) }}</b>
        <span class="ml-2" :class="isProved ? 'text-ok' : 'text-warning'">{{
          isProved ? 'proved cheapest' : `at most ${formatQuantity(above, '%')} above the cheapest`
        }}</span>
      </p>
      <template v-if="!isProved || deep.progress.value !== undefined">
        <button
          v-if="deep.progress.value === undefined"
          class="link-quiet text-[12px]"
          @click="deep.start"
        >
          search longer
        </button>
        <span v-else class="text-[12px] text-bench-soft">
          {{ deep.progress.value }} sets of reels tried
          <button class="link-quiet ml-2" @click="deep.stop">stop</button>
        </span>
      </template>
      <div class="ml-auto flex gap-2">
        <button class="button-quiet" @click="keepLeftovers">Leftovers to the drawer</button>
        <button class="button-quiet" @click="saveCsv"><FileDown :size="14" /> CSV</button>
        <button class="button-quiet" @click="print"><Printer :size="14" /> Cut list</button>
      </div>
    </div>
    <JobProblem
      class="mb-2"
      what="The longer search gave no answer"
      :problem="deep.problem.value"
      @again="deep.start"
    />
    <p v-if="drawer.length > 0" class="mb-2 text-[12.5px] text-bench-soft">
      In the drawer:
      {{ drawer.map(({ lengthMm }) => formatLength(lengthMm, plan.units)).join(', ') }}
      <button class="link-quiet ml-1" @click="useOffcuts">use them here</button>
    </p>
    <p v-if="plan.offcuts.length > 0" class="mb-2 text-[12.5px] text-bench-soft">
      Offcuts used here:
      <button
        v-for="offcut in plan.offcuts"
        :key="offcut.id"
        class="link-quiet prints mr-2"
        :title="`Put the offcut of ${formatLength(offcut.lengthMm, plan.units)} back`"
        @click="putBack(offcut.id)"
      >
        {{ formatLength(offcut.lengthMm, plan.units) }} ✕
      </button>
    </p>
    <p class="mb-2 flex flex-wrap items-center gap-x-2 text-[12.5px] text-bench-soft">
      <TickField
        label="a piece may be joined of two,"
        :is-on="plan.rules.joins.areAllowed"
        @set="(areAllowed) => setJoins({ areAllowed })"
      />
      <NumberField
        label="a join is worth"
        layout="beside"
        width="w-16"
        unit="price"
        :value="plan.rules.joins.price"
        :least="0"
        :most="1_000_000"
        :step="0.5"
        @set="(price) => setJoins({ price })"
      />
      <span v-if="joinsMade > 0" class="text-warning">
        {{ joinsMade }} {{ joinsMade === 1 ? 'join saves' : 'joins save' }} a reel
      </span>
    </p>
    <p
      v-for="{ strip, lengths, price: cost, moreDarkMm, tooShort } in prewired"
      :key="strip.id"
      class="mb-2 text-[12.5px] text-bench-soft"
    >
      With plugs on instead of soldering:
      <b class="text-bench-ink">{{ priceText(cost) }}</b>
      for
      {{
        lengths.map((one) => `${one.count} × ${formatLength(one.lengthMm, plan.units)}`).join(', ')
      }}<template v-if="moreDarkMm > 0.5"
        >, {{ formatLength(moreDarkMm, plan.units) }} more stay dark</template
      ><template v-if="tooShort > 0"
        >; {{ tooShort }} {{ tooShort === 1 ? 'piece is' : 'pieces are' }} too short for
        any</template
      >; no joints.
    </p>
    <div v-for="{ strip } in shown" :key="strip.id" class="mt-1.5">
      <p class="mb-1 flex gap-3 text-[12.5px] text-bench-soft">
        {{ strip.name }}
        <button class="link-quiet" @click="stock = strip">reels and prices</button>
      </p>
      <ReelBar
        v-for="{ reel, number } in rowsOf(strip)"
        :key="number"
        :reel="reel"
        :number="number"
        :longest-mm="longestMm"
        :units="plan.units"
        :lit="spotlight.lit"
        @point="(id) => (id === undefined ? spotlight.dim() : spotlight.light([id]))"
      />
    </div>
    <StockDialog v-if="stock" :strip="stock" @close="stock = undefined" @change="setStock" />
  </section>
</template>
