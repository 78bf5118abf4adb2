<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import {
  countBy,
  darkStretches,
  orderBy,
  type CountAnswer,
  type SeenColour,
} from '../../../core/glow/link/finds'
import type { LinkLane, LinkRun } from '../../../core/glow/link/lanes'
import type { Colour, Lit } from '../../../core/glow/link/protocol'
import { stripOf, stripsOf } from '../../../core/parts/find-strips'
import { swapStrip } from '../../../core/plan/swap-strip'
import { plural } from '../../../core/quantity/format'
import { paintCase } from '../../mend/mend-case'
import { useNotices } from '../../stores/notices'
import { usePlanStore } from '../../stores/plan'
import { useOpenPlan } from '../../stores/use-open-plan'
import type { BenchLink } from './bench-link'
import type { LinkMarks } from './link-marks'

const { run, lane, bench, at, marks, isLastRun, colourBytes } = defineProps<{
  run: LinkRun & { readonly lane: number }
  lane: LinkLane
  bench: BenchLink
  /** The chosen pixel, on the lane. */
  at: number
  marks: LinkMarks
  /** Nothing of the plan comes behind this run on its lane. */
  isLastRun: boolean
  /** Bytes of a channel by its number, or of white, at the chosen level. */
  colourBytes: (name: string) => Colour
}>()
const plan = useOpenPlan()

const store = usePlanStore()
const notices = useNotices()
const router = useRouter()
const isOpen = computed(() => bench.status.value === 'open')
const isPixels = computed(() => lane.kind === 'pixels')
const show = (lit: Lit): Promise<void> => bench.light(lit)

/** Its letters tell the colours apart. */
const hasOrder = computed(
  () =>
    isPixels.value &&
    lane.bytes > 1 &&
    new Set(lane.channels).size === lane.bytes &&
    Array.from(lane.order).toSorted().join('') === Array.from(lane.channels).toSorted().join(''),
)
const seen = ref<readonly SeenColour[]>()
const order = computed(() =>
  seen.value === undefined ? undefined : orderBy(lane.channels, lane.order, seen.value),
)
const lightChannel = (channel: number): Promise<void> =>
  show({
    word: 'first',
    lane: run.lane,
    at: run.from + run.count,
    colour: colourBytes(String(channel)),
  })
async function askOrder(answers: readonly SeenColour[]): Promise<void> {
  seen.value = answers
  if (order.value?.kind === 'ask') await lightChannel(order.value.channel)
  else await show({ word: 'off' })
}
function takeOrder(found: string): void {
  const known = stripOf({ strips: stripsOf(plan.value.own.strips) }, run.stripId)
  if (known.light.kind !== 'pixels') return
  const isOwn = plan.value.own.strips.some(({ id }) => id === known.id)
  const strip = {
    ...known,
    id: isOwn ? known.id : `own-${nanoid(8)}`,
    name: isOwn ? known.name : `${known.name}, order ${found}`.slice(0, 60),
    light: { ...known.light, order: found },
  }
  store.commit(swapStrip(plan.value, known.id, strip), { label: `colour order ${found}` })
  seen.value = undefined
  notices.done(`Taken: ${strip.name} takes its colours as ${found}.`, store.undo)
}
const whyNoOrder = {
  twice: 'Two channels looked the same: look once more, at a low level and from close by.',
  dark: 'Nothing was lit: find that joint or lead first; Mend helps.',
  other:
    'A colour that these pixels do not have: they may have a white channel of their own, or take other bytes. Compare with what was bought.',
} as const

const answers = ref<readonly CountAnswer[]>()
const most = computed(() => run.count + (isLastRun ? lane.spare : 0))
const counted = computed(() =>
  answers.value === undefined ? undefined : countBy(run.count, most.value, answers.value),
)
async function askCount(next: readonly CountAnswer[]): Promise<void> {
  answers.value = next
  const now = counted.value
  if (now?.kind === 'ask')
    await show({
      word: 'first',
      lane: run.lane,
      at: run.from + now.lit,
      colour: colourBytes('white'),
    })
  else await show({ word: 'off' })
  if (now?.kind === 'found') marks.mark(run.id, { counted: now.count })
}

const own = computed(() => marks.of(run.id))
const isDark = computed(() => own.value.dark.includes(at))
function toggleDark(): void {
  const dark = isDark.value
    ? own.value.dark.filter((one) => one !== at)
    : [...own.value.dark, at].toSorted((a, b) => a - b)
  marks.mark(run.id, { dark })
}
const darkNames = computed(() => own.value.dark.map((one) => String(one - run.from + 1)).join(', '))
const isOff = computed(
  () => own.value.dark.length > 0 || (own.value.counted ?? run.count) !== run.count,
)
const foundText = computed(() =>
  [
    own.value.counted === undefined
      ? ''
      : `${String(own.value.counted)} pixels counted, ${String(run.count)} planned`,
    own.value.dark.length === 0 ? '' : `dark: pixel ${darkNames.value}`,
  ]
    .filter((part) => part !== '')
    .join('; '),
)
function keepNote(): void {
  store.commit(
    [
      {
        do: 'put-note',
        note: {
          id: nanoid(8),
          about: { kind: 'run', line: run.id },
          text: `Over the bench link: ${foundText.value}.`,
          at: new Date().toISOString(),
          photos: [],
        },
      },
    ],
    { label: `note on ${run.name}` },
  )
  notices.done(`Noted on ${run.name}.`, store.undo)
}
/** Paints what was found where the cause is looked for. Mend counts from where the current enters. */
async function lookForCause(): Promise<void> {
  if (store.id === undefined) return
  const dark = new Set(own.value.dark.map((one) => one - run.from))
  for (let index = own.value.counted ?? run.count; index < run.count; index += 1) dark.add(index)
  const painted = darkStretches(run.count, dark).map(
    ([from, count, isOut]) =>
      [run.isTurned ? run.count - from - count : from, count, isOut ? 'dark' : 'right'] as const,
  )
  paintCase(store.id, { [run.id]: painted })
  await router.push({ name: 'mend', params: { id: store.id } })
}
</script>

<template>
  <section
    class="flex flex-col gap-3 rounded-lg border border-bench-line bg-bench-raised px-4 py-3 text-[14px]"
    :aria-label="`What is found at ${run.name}`"
  >
    <div v-if="hasOrder">
      <h2 class="text-[15px] font-semibold">Colour order</h2>
      <template v-if="order?.kind === 'ask'">
        <p class="mt-1" role="status">
          {{ run.name }} is lit in one colour, {{ order.channel + 1 }} of {{ lane.bytes }}. Which
          colour do you see?
        </p>
        <div class="mt-1.5 flex flex-wrap gap-1.5">
          <button
            v-for="(name, index) in lane.channelNames"
            :key="name"
            class="button-quiet"
            @click="askOrder([...(seen ?? []), lane.channels.charAt(index)])"
          >
            {{ name }}
          </button>
          <button class="button-quiet" @click="askOrder([...(seen ?? []), 'other'])">
            Another
          </button>
          <button class="button-quiet" @click="askOrder([...(seen ?? []), 'dark'])">None</button>
        </div>
      </template>
      <template v-else-if="order?.kind === 'found'">
        <p class="mt-1" role="status" data-testid="order-found">
          Its chips take the colours as <b class="font-mono">{{ order.order }}</b
          >{{ order.isAsPlanned ? ', as the plan says.' : `; the plan says ${lane.order}.` }}
        </p>
        <p class="mt-1.5 flex gap-2">
          <button v-if="!order.isAsPlanned" class="button-main" @click="takeOrder(order.order)">
            Take it into the plan
          </button>
          <button class="button-quiet" @click="seen = undefined">Close</button>
        </p>
      </template>
      <template v-else>
        <p v-if="order" class="mt-1 text-warning" role="alert">{{ whyNoOrder[order.why] }}</p>
        <p v-else class="mt-1 text-bench-soft">
          The plan says <span class="font-mono">{{ lane.order }}</span>. Three looks tell whether
          that is so.
        </p>
        <button class="button-quiet mt-1.5" :disabled="!isOpen" @click="askOrder([])">
          {{ order ? 'Look again' : 'Find it' }}
        </button>
      </template>
    </div>
    <div v-if="run.count > 1">
      <h2 class="text-[15px] font-semibold">How many are there?</h2>
      <template v-if="counted?.kind === 'ask'">
        <p class="mt-1" role="status">
          The first {{ counted.lit }} are lit. Does any of {{ run.name }} stay dark behind them?
        </p>
        <div class="mt-1.5 flex gap-1.5">
          <button
            class="button-quiet"
            @click="askCount([...(answers ?? []), { lit: counted.lit, isMore: true }])"
          >
            Yes, some
          </button>
          <button
            class="button-quiet"
            @click="askCount([...(answers ?? []), { lit: counted.lit, isMore: false }])"
          >
            No, lit to the end
          </button>
        </div>
      </template>
      <template v-else>
        <p v-if="counted?.kind === 'found'" class="mt-1" role="status" data-testid="count-found">
          <b>{{ plural(counted.count, 'pixel') }}</b
          >{{
            counted.count === run.count
              ? ', as planned.'
              : `; the plan has ${String(run.count)}. Was it cut off its mark, is a joint open, or has it another density?`
          }}
        </p>
        <p v-else-if="counted?.kind === 'more'" class="mt-1 text-warning" role="status">
          More than {{ counted.than }}, or its last ones are dead: step through them with the
          arrows.
        </p>
        <p v-else class="mt-1 text-bench-soft">
          The plan has {{ run.count }}. Two looks where that is so, a few more where it is not.
        </p>
        <button class="button-quiet mt-1.5" :disabled="!isOpen" @click="askCount([])">
          {{ counted ? 'Count again' : 'Count them' }}
        </button>
      </template>
    </div>
    <div>
      <h2 class="text-[15px] font-semibold">Dead ones</h2>
      <p class="mt-1 text-bench-soft">
        {{
          own.dark.length === 0
            ? 'Light them all, and mark each that stays dark.'
            : `Marked as dark: ${darkNames}.`
        }}
      </p>
      <button class="button-quiet mt-1.5" :aria-pressed="isDark" @click="toggleDark">
        Pixel {{ at - run.from + 1 }} {{ isDark ? 'is lit after all' : 'stays dark' }}
      </button>
    </div>
    <div v-if="foundText !== ''" class="border-t border-bench-line pt-3">
      <p data-testid="link-found">{{ run.name }}: {{ foundText }}.</p>
      <p class="mt-1.5 flex flex-wrap gap-2">
        <button v-if="isOff" class="button-main" @click="lookForCause">Look for the cause</button>
        <button class="button-quiet" @click="keepNote">Note it on the run</button>
        <button class="button-quiet" @click="marks.forget(run.id)">Forget it</button>
      </p>
    </div>
  </section>
</template>
