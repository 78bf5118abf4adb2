<script setup lang="ts" generic="Sheet extends string">
import { useMediaQuery } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, defineAsyncComponent, watch } from 'vue'
import { useRoute } from 'vue-router'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import TallyRoll from './TallyRoll.vue'
import { useAddress } from './address'
import type { StageName } from './stages'

const { sheets } = defineProps<{
  stage: StageName
  title: string
  hint: string
  /** What a narrow window shows one at a time; the tally comes behind them by itself. */
  sheets: readonly { readonly value: Sheet; readonly label: string }[]
}>()

defineSlots<{
  tools(): unknown
  /** On the paper, above the tally. */
  paper(): unknown
  default(props: { shows: (sheet: Sheet) => boolean }): unknown
}>()

// Only of an example, or where the plan is not this tab's to change, or there is none.
const ExampleNote = defineAsyncComponent(() => import('./ExampleNote.vue'))
const OpenElsewhere = defineAsyncComponent(() => import('./OpenElsewhere.vue'))
const PlanNotOpen = defineAsyncComponent(() => import('./PlanNotOpen.vue'))

const route = useRoute()
const store = usePlanStore()
const { plan, tally, state, access } = storeToRefs(store)

watch(
  () => route.params.id,
  (id) => {
    if (typeof id === 'string' && id !== store.id) void store.open(id)
  },
  { immediate: true },
)

/** The chosen run goes along from page to page of its plan. */
const spotlight = useSpotlight()
const run = useAddress<string | undefined>('run', undefined)
if (run.value !== undefined || route.params.id !== store.id) spotlight.choose(run.value)
watch(run, (id) => {
  spotlight.choose(id)
})
watch(
  () => spotlight.chosen,
  (id) => {
    run.value = id
  },
  { immediate: true },
)

/** Below this width the parts of a page become sheets, one at a time. */
const isNarrow = useMediaQuery('screen and (max-width: 899px)')
const chosen = defineModel<string>('sheet')
const own = useAddress<string>('sheet', sheets[0]?.value ?? 'tally', {
  among: [...sheets.map(({ value }) => value), 'tally'],
  asStep: true,
})
const sheet = computed({
  get: () => chosen.value ?? own.value,
  set: (value: string) => {
    if (chosen.value === undefined) own.value = value
    else chosen.value = value
  },
})
const allSheets = computed(() => [...sheets, { value: 'tally', label: 'Tally' }])
const shows = (name: string): boolean => !isNarrow.value || sheet.value === name
</script>

<template>
  <PlanNotOpen v-if="state.kind !== 'open' && state.kind !== 'opening'" :state="state" />

  <main v-else-if="plan" class="flex min-h-0 flex-col">
    <OpenElsewhere v-if="access !== 'mine'" />
    <div
      class="grid min-h-0 flex-1 grid-cols-1 min-[900px]:grid-cols-[minmax(0,1fr)_312px]"
      :inert="access !== 'mine'"
    >
      <section
        data-prints-as-shown="width"
        class="flex min-h-0 min-w-0 flex-col gap-3 max-[899px]:overflow-y-auto px-3 pt-3.5 pb-3.5 sm:px-[18px]"
      >
        <div
          class="flex min-h-[38px] shrink-0 flex-wrap items-center gap-x-3.5 gap-y-2 max-sm:min-h-11"
        >
          <h1 class="text-lg font-bold">{{ title }}</h1>
          <div
            v-if="stage === 'measure' && store.isExample"
            class="min-h-6 max-sm:order-last max-sm:w-full"
          >
            <ExampleNote />
          </div>
          <p v-else class="hidden text-bench-soft lg:block">{{ hint }}</p>
          <div class="ml-auto flex items-center gap-2"><slot name="tools" /></div>
        </div>
        <SegmentedChoice
          v-if="isNarrow"
          v-model="sheet"
          class="self-stretch"
          label="Sheet"
          :options="allSheets"
        />
        <slot :shows="shows" />
        <TallyRoll v-if="isNarrow && sheet === 'tally'" class="flex-1" :tally="tally" :stage="stage"
          ><slot name="paper"
        /></TallyRoll>
      </section>
      <TallyRoll v-if="!isNarrow" :tally="tally" :stage="stage"><slot name="paper" /></TallyRoll>
    </div>
  </main>

  <main v-else class="grid place-items-center text-bench-soft">Opening the plan …</main>
</template>
