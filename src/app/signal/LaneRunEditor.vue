<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import { ref } from 'vue'
import { connectors } from '../../core/parts/connectors'
import type { ConnectorId } from '../../core/plan/choices'
import type { Line, Skip } from '../../core/plan/plan'
import type { TallyLaneRun } from '../../core/signal/told'
import { numberOf } from '../feed/value-of'
import PickField from '../ui/PickField.vue'
import { withExtra } from './lanes-edit'

const { line, lane } = defineProps<{ line: Line; lane: TallyLaneRun }>()
const emit = defineEmits<{
  set: [skip: Skip[] | undefined]
  apart: [connector: ConnectorId | undefined]
  close: []
}>()
const plugs: readonly (readonly [ConnectorId | 'nothing', string])[] = [
  ['nothing', 'nothing'],
  ...connectors.map(({ id, name }) => [id, name] as const),
]

const from = ref(0)
const to = ref(0)
const problem = ref('')

const countOf = (why: Skip['why']): number =>
  (line.skip ?? []).reduce((sum, skip) => sum + (skip.why === why ? skip.count : 0), 0)

/** Numbers are those of the lane, as they stand on the tape. */
function addDark(): void {
  const [first, last] = [from.value - lane.first, to.value - lane.first]
  if (
    !Number.isInteger(first) ||
    !Number.isInteger(last) ||
    first < 0 ||
    last < first ||
    last >= lane.pixels
  ) {
    problem.value = `Numbers of this run are ${String(lane.first)} to ${String(lane.first + lane.pixels - 1)}`
    return
  }
  problem.value = ''
  emit('set', [...(line.skip ?? []), { from: first, count: last - first + 1, why: 'dark' }])
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
      <label>
        Dark from
        <input v-model.number="from" type="number" class="field block w-20 px-1.5 py-1" />
      </label>
      <label>
        to
        <input v-model.number="to" type="number" class="field block w-20 px-1.5 py-1" />
      </label>
      <button class="button-quiet">skip</button>
    </form>
    <label>
      Relay pixels before it
      <input
        v-shown="countOf('relay')"
        type="number"
        min="0"
        max="20"
        class="field block w-20 px-1.5 py-1"
        @change="emit('set', withExtra(line.skip ?? [], 'relay', Math.min(20, numberOf($event))))"
      />
    </label>
    <label>
      Sacrificed first pixels
      <input
        v-shown="countOf('first')"
        type="number"
        min="0"
        max="20"
        class="field block w-20 px-1.5 py-1"
        @change="emit('set', withExtra(line.skip ?? [], 'first', Math.min(20, numberOf($event))))"
      />
    </label>
    <PickField
      label="Its data wire comes apart at"
      :options="plugs"
      :value="line.dataApart ?? 'nothing'"
      @pick="(id) => emit('apart', id === 'nothing' ? undefined : id)"
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
