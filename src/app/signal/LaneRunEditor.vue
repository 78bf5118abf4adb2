<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { connectors } from '../../core/parts/connectors'
import type { ConnectorId } from '../../core/plan/choices'
import type { Line, Skip } from '../../core/plan/plan'
import type { TallyLaneRun } from '../../core/signal/tally-signal'
import NumberField from '../ui/NumberField.vue'
import { byName, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import { withExtra } from './lanes-edit'

const { line, lane } = defineProps<{ line: Line; lane: TallyLaneRun }>()
const emit = defineEmits<{
  set: [skip: Skip[] | undefined]
  apart: [connector: ConnectorId | undefined]
  close: []
}>()
const plugs: readonly Option<ConnectorId | undefined>[] = [
  { value: undefined, label: 'nothing' },
  ...byName(connectors),
]

const from = ref(lane.first)
const to = ref(lane.first)
const problem = ref('')
/** The last pixel of the run, by its number on the lane. */
const last = computed(() => lane.first + lane.pixels - 1)

const extras = [
  { why: 'relay', label: 'Relay pixels before it' },
  { why: 'first', label: 'Sacrificed first pixels' },
] as const
const countOf = (why: Skip['why']): number =>
  (line.skip ?? []).reduce((sum, skip) => sum + (skip.why === why ? skip.count : 0), 0)

/** Numbers are those of the lane, as they stand on the tape. */
function addDark(): void {
  if (to.value < from.value) {
    problem.value = `Dark from ${String(from.value)} to ${String(to.value)}: the last comes before the first`
    return
  }
  problem.value = ''
  emit('set', [
    ...(line.skip ?? []),
    { from: from.value - lane.first, count: to.value - from.value + 1, why: 'dark' },
  ])
}
function remove(skip: Skip): void {
  const left = (line.skip ?? []).filter((one) => one !== skip)
  emit('set', left.length === 0 ? undefined : left)
}
</script>

<template>
  <div
    class="mb-2 flex w-full flex-wrap items-end gap-x-4 gap-y-2 rounded-lg border border-glow/60 bg-bench px-3 py-2 text-[12.5px] text-bench-soft"
    role="group"
    :aria-label="`Data of ${lane.name}`"
    @keydown.esc="emit('close')"
  >
    <form class="flex items-end gap-1.5" @submit.prevent="addDark">
      <NumberField
        label="Dark from"
        :value="from"
        :least="lane.first"
        :most="last"
        is-whole
        @set="from = $event"
      />
      <NumberField
        label="to"
        :value="to"
        :least="lane.first"
        :most="last"
        is-whole
        @set="to = $event"
      />
      <button class="button-quiet">skip</button>
    </form>
    <NumberField
      v-for="{ why, label } in extras"
      :key="why"
      :label="label"
      :value="countOf(why)"
      :least="0"
      :most="20"
      is-whole
      @set="(count) => emit('set', withExtra(line.skip ?? [], why, count))"
    />
    <PickField
      label="Its data wire comes apart at"
      :options="plugs"
      :value="line.dataApart"
      @pick="(connector) => emit('apart', connector)"
    />
    <ul v-if="line.skip?.some(({ why }) => why === 'dark')" class="flex flex-wrap gap-1.5">
      <li
        v-for="skip in line.skip.filter(({ why }) => why === 'dark')"
        :key="skip.from"
        class="flex items-center gap-1 rounded bg-bench-high px-2 py-1"
      >
        {{ lane.first + skip.from }} to {{ lane.first + skip.from + skip.count - 1 }} dark
        <button
          :aria-label="`Light ${lane.first + skip.from} again`"
          class="rounded p-0.5 hover:text-bench-ink"
          @click="remove(skip)"
        >
          <Trash2 :size="12" />
        </button>
      </li>
    </ul>
    <button class="link-quiet ml-auto" @click="emit('close')">close</button>
    <p v-if="problem" role="alert" class="w-full text-stop">{{ problem }}</p>
  </div>
</template>
