<script setup lang="ts">
import { Check, Link2 } from '@lucide/vue'
import { useClipboard } from '@vueuse/core'
import { nanoid } from 'nanoid'
import { computed, ref, shallowRef, watch } from 'vue'
import { formatQuantity } from '../../core/quantity/format'
import { workingText } from '../../core/quantity/figure'
import type { SumCard } from '../../core/sums/sum'
import { money } from '../shell/price'
import { deviceCurrency } from '../stores/device-currency'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import type { ShownSum } from '../engine/sum.worker'
import {
  fieldsOf,
  ofKind,
  ofVariant,
  readField,
  textOf,
  valueAt,
  withValue,
  type Field,
  type Given,
} from './fields'
import SumDrawing from './SumDrawing.vue'
import type { useSums } from './use-sums'
import ExplainedText from '../shell/ExplainedText.vue'
import { fieldText } from '../ui/field-text'
import PickField from '../ui/PickField.vue'
import TickField from '../ui/TickField.vue'

const { card, start, service } = defineProps<{
  card: SumCard
  /** What it begins with: the card's own values, or those of a link. */
  start: Given
  service: ReturnType<typeof useSums>['service']
}>()
const emit = defineEmits<{ result: [given: Given, result: Extract<ShownSum, { ok: true }>] }>()

const store = usePlanStore()
const notices = useNotices()
const currency = computed(() => store.plan?.buy.currency ?? deviceCurrency.value)

const given = shallowRef<Given>(start)
const fields = computed(() => fieldsOf(card, given.value))
/** What was typed and is not as it would be written, so that nothing typed is lost. */
const typed = shallowRef<ReadonlyMap<string, string>>(new Map())
const misread = shallowRef<ReadonlyMap<string, string>>(new Map())
const result = shallowRef<ShownSum>()
/** The last answer stays while the next is worked out, or while a field is not understood. */
const answer = shallowRef<Extract<ShownSum, { ok: true }>>()

let asked = 0
watch(
  given,
  async (next) => {
    asked += 1
    const number = asked
    const found = await service.workOut(card.name, next)
    if (number !== asked) return
    result.value = found
    if (found.ok) {
      answer.value = found
      emit('result', next, found)
    }
  },
  { immediate: true },
)

function type(field: Field, text: string): void {
  typed.value = new Map(typed.value).set(field.path, text)
  const read = readField(field, text)
  const problems = new Map(misread.value)
  problems.delete(field.path)
  if (read.ok) given.value = withValue(given.value, field.path, read.value)
  else problems.set(field.path, read.message)
  misread.value = problems
}
function choose(field: Field, value: string): void {
  typed.value = new Map()
  misread.value = new Map()
  given.value =
    field.path === 'kind'
      ? ofKind(card, given.value, value)
      : field.kind === 'variant'
        ? ofVariant(given.value, field.path, value)
        : withValue(given.value, field.path, value)
}
const shown = (field: Field): string =>
  typed.value.get(field.path) ?? textOf(field, valueAt(given.value, field.path))
const variantOf = (field: Field): string =>
  Object.keys(valueAt(given.value, field.path) ?? {})[0] ?? ''
const problemOf = ({ path }: Field): string | undefined =>
  misread.value.get(path) ??
  (result.value?.ok === false
    ? result.value.issues.find((issue) => issue.path === path || issue.path.startsWith(`${path}[`))
        ?.message
    : undefined)
/** Problems that no field shows. */
const others = computed(() =>
  result.value?.ok === false
    ? result.value.issues.filter(
        ({ path }) =>
          !fields.value.some((field) => path === field.path || path.startsWith(`${field.path}[`)),
      )
    : [],
)
const { copy, copied } = useClipboard({ legacy: true })
const link = (): string =>
  `${location.origin}/sums/${card.name}?with=${encodeURIComponent(JSON.stringify(given.value))}`

const isPut = ref(false)
async function putIn(): Promise<void> {
  const { plan } = store
  if (plan === undefined) return
  const commands = await service.into(card.name, given.value, plan, nanoid(8))
  store.commit(commands, { label: `from the sum “${card.title}”` })
  isPut.value = true
  notices.show({ kind: 'done', text: `“${plan.name}” has it. Ctrl+Z takes it back there.` })
}
watch(given, () => {
  isPut.value = false
})
</script>

<template>
  <div class="flex flex-col gap-4 lg:flex-row lg:items-start">
    <form
      class="min-w-0 flex-1 rounded-lg border border-bench-line bg-bench-raised p-4"
      :aria-label="card.title"
      @submit.prevent
    >
      <h1 class="text-lg font-bold">{{ card.title }}</h1>
      <p class="mb-3 text-[13px] text-bench-soft"><ExplainedText :text="card.about" /></p>
      <div class="grid gap-x-4 gap-y-3 sm:grid-cols-2">
        <div v-for="field in fields" :key="field.path" class="text-[13px]">
          <span class="mb-1 flex justify-between text-bench-soft">
            <span>{{ field.label }}</span>
            <span>{{ field.unit === 'price' ? currency : field.unit }}</span>
          </span>
          <TickField
            v-if="field.kind === 'switch'"
            :label="field.label"
            is-unseen
            :name="field.path"
            :is-on="valueAt(given, field.path) === true"
            @set="given = withValue(given, field.path, $event)"
          />
          <PickField
            v-else-if="field.kind === 'choice' || field.kind === 'variant'"
            :label="field.label"
            layout="unseen"
            width="w-full"
            :name="field.path"
            :options="field.options ?? []"
            :value="
              field.kind === 'variant'
                ? variantOf(field)
                : textOf(field, valueAt(given, field.path))
            "
            @pick="choose(field, $event)"
          />
          <input
            v-else
            :aria-label="field.label"
            class="field"
            :class="problemOf(field) && 'border-stop'"
            :name="field.path"
            :value="shown(field)"
            autocomplete="off"
            spellcheck="false"
            :aria-invalid="problemOf(field) !== undefined"
            @input="type(field, fieldText($event))"
          />
          <span v-if="problemOf(field)" role="alert" class="mt-1 block text-[12px] text-stop">{{
            problemOf(field)
          }}</span>
        </div>
      </div>
      <p v-for="issue in others" :key="issue.path" role="alert" class="mt-3 text-[13px] text-stop">
        {{ issue.message }}
      </p>
      <div class="mt-4 flex flex-wrap items-center gap-2">
        <button type="button" class="button-quiet" @click="copy(link())">
          <component :is="copied ? Check : Link2" :size="14" />
          {{ copied ? 'Copied' : 'Copy a link with these values' }}
        </button>
        <button
          v-if="store.plan && answer?.into"
          type="button"
          class="button-quiet"
          :disabled="isPut || result?.ok === false"
          @click="putIn"
        >
          Into “{{ store.plan.name }}”: {{ answer.into }}
        </button>
      </div>
    </form>
    <section
      class="on-paper roll-edge relative w-full rounded-r-lg bg-roll px-6 py-4 font-mono text-[13px] leading-[19px] text-paper-ink lg:w-[340px]"
      :class="result?.ok === false || misread.size > 0 ? 'opacity-60' : ''"
      aria-label="Answer"
      aria-live="polite"
    >
      <template v-if="answer">
        <div v-for="(line, index) in answer.lines" :key="line.label" class="mb-2">
          <p class="flex items-baseline justify-between gap-3" :class="index === 0 && 'font-bold'">
            <span><ExplainedText :text="line.label" /></span>
            <span class="text-right" :data-line="line.label">
              <template v-if="line.value !== null || line.word === undefined">{{
                line.unit === 'price' && line.value !== null
                  ? money(line.value, currency)
                  : formatQuantity(line.value, line.unit)
              }}</template>
              <span v-if="line.word" class="block font-semibold">{{ line.word }}</span>
            </span>
          </p>
          <p v-if="line.working" class="text-paper-soft">{{ workingText(line.working) }}</p>
          <p v-if="line.note" class="text-[12px] text-paper-soft">
            <ExplainedText :text="line.note" />
          </p>
        </div>
      </template>
      <p v-else class="text-paper-soft">The answer comes here.</p>
    </section>
  </div>
  <SumDrawing v-if="answer" class="mt-4" :name="card.name" :result="answer" />
</template>
