<script setup lang="ts">
import { Search } from '@lucide/vue'
import { computed, ref, shallowRef } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { formatQuantity } from '../../core/quantity/format'
import { useShelf } from '../stores/shelf'
import type { ShownSum } from '../engine/sum.worker'
import { fits, type Given } from './fields'
import { keepRecent, recentSums, withRecent, type RecentSum } from './recent'
import SumSheet from './SumSheet.vue'
import { useSums } from './use-sums'

const route = useRoute()
const shelf = useShelf()
const { service, cards } = useSums()

const search = ref('')
const found = computed(() =>
  cards.value
    .map((card) => ({ card, score: fits(card, search.value) }))
    .filter(({ score }) => score > 0)
    .toSorted((a, b) => b.score - a.score)
    .map(({ card }) => card),
)
const name = computed(() => (typeof route.params.name === 'string' ? route.params.name : ''))
const card = computed(() => cards.value.find((one) => one.name === name.value))
/** The values of a link, over the card's own; a link that cannot be read is as good as none. */
const start = computed((): Given => {
  const own = { ...card.value?.start } as Given
  const { with: text } = route.query
  if (typeof text !== 'string') return own
  try {
    const given: unknown = JSON.parse(text)
    return typeof given === 'object' && given !== null ? (given as Given) : own
  } catch {
    return own
  }
})

const recent = shallowRef<readonly RecentSum[]>([])
void recentSums(shelf.db).then((list) => {
  // What was done in the meantime stays in front.
  const here = new Set(recent.value.map((one) => one.name))
  recent.value = [...recent.value, ...list.filter((one) => !here.has(one.name))]
})
function remember(given: Given, result: Extract<ShownSum, { ok: true }>, of: string): void {
  const [first] = result.lines
  const answer =
    first === undefined
      ? ''
      : `${first.label} ${first.value === null ? (first.word ?? '–') : formatQuantity(first.value, first.unit)}`
  recent.value = withRecent(recent.value, { name: of, given, answer })
  void keepRecent(shelf.db, recent.value)
}
const titleOf = (of: string): string => cards.value.find((one) => one.name === of)?.title ?? of
const linkTo = (of: string, given?: Given) => ({
  name: 'sums',
  params: { name: of },
  ...(given !== undefined && { query: { with: JSON.stringify(given) } }),
})
function openFirst(): void {
  document.querySelector<HTMLElement>('[data-sum]')?.click()
}
</script>

<template>
  <main class="flex min-h-0 flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
    <nav
      class="flex shrink-0 flex-col gap-3 border-bench-line p-3 sm:px-[18px] lg:w-[318px] lg:overflow-y-auto lg:border-r"
      :class="card && 'max-lg:hidden'"
      aria-label="All sums"
    >
      <h1 v-if="!card" class="text-lg font-bold">Sums</h1>
      <label class="relative block">
        <span class="sr-only">What do you want to know?</span>
        <Search :size="15" class="absolute top-2.5 left-2.5 text-bench-soft" />
        <input
          v-model="search"
          class="field py-2 pl-8"
          type="search"
          placeholder="What do you want to know?"
          @keydown.enter="openFirst"
        />
      </label>
      <ul class="grid gap-1" aria-label="Sums">
        <li v-for="one in found" :key="one.name">
          <RouterLink
            :to="linkTo(one.name)"
            class="block rounded-md px-2.5 py-1.5 hover:bg-bench-high"
            :class="one.name === name && 'bg-bench-high'"
            :data-sum="one.name"
          >
            <span class="font-semibold">{{ one.title }}</span>
            <span class="block text-[12px] text-bench-soft">{{ one.about }}</span>
          </RouterLink>
        </li>
      </ul>
      <p v-if="cards.length > 0 && found.length === 0" class="text-[13px] text-bench-soft">
        No sum for that. Try a word such as battery, resistor or wire.
      </p>
    </nav>
    <section class="min-w-0 flex-1 p-3 sm:p-[18px] lg:overflow-y-auto" aria-label="The sum">
      <RouterLink
        v-if="card"
        class="link-quiet mb-3 inline-block text-[13px] lg:hidden"
        :to="{ name: 'sums' }"
        >All sums</RouterLink
      >
      <SumSheet
        v-if="card"
        :key="`${card.name} ${String(route.query.with ?? '')}`"
        :card="card"
        :start="start"
        :service="service"
        @result="(given, result) => remember(given, result, card?.name ?? '')"
      />
      <p v-else-if="name !== '' && cards.length > 0" class="mb-4 text-stop">
        There is no sum called {{ name }}. Choose one of the list.
      </p>
      <p v-else-if="cards.length > 0" class="mb-4 max-w-[52ch] text-bench-soft max-lg:hidden">
        Any single sum, without a plan. Choose one at the left, or type what you want to know: “how
        long will it last”, “which resistor”.
      </p>
      <div v-if="recent.length > 0" class="mt-5" :class="!card && 'max-lg:mt-0'">
        <h2 class="mb-1.5 text-[13px] font-semibold text-bench-soft">Done last</h2>
        <ul class="flex flex-wrap gap-2" aria-label="Done last">
          <li v-for="one in recent" :key="one.name">
            <RouterLink
              :to="linkTo(one.name, one.given)"
              class="block rounded-md border border-bench-line px-2.5 py-1 text-[12.5px] hover:bg-bench-high"
            >
              {{ titleOf(one.name) }}
              <span class="block text-bench-soft">{{ one.answer }}</span>
            </RouterLink>
          </li>
        </ul>
      </div>
    </section>
  </main>
</template>
