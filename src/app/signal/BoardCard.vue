<script setup lang="ts">
import { computed, ref } from 'vue'
import { boardOf } from '../../core/parts/boards'
import type { Board } from '../../core/plan/parts'
import { ships } from '../../core/parts/find'
import type { Plan } from '../../core/plan/plan'
import { withSet } from '../../core/plan/with-set'
import { formatQuantity } from '../../core/quantity/format'
import type { TallySignal } from '../../core/signal/tally-signal'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePlanParts } from '../stores/plan-parts'
import { useShelf } from '../stores/shelf'
import { keptOf } from '../parts/kept'
import NoteButton from '../notes/NoteButton.vue'
import PickField from '../ui/PickField.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'
import PartList, { type PartOption } from '../ui/PartList.vue'
import OwnBoardDialog from './OwnBoardDialog.vue'

const { signal } = defineProps<{ signal: TallySignal }>()
const plan = useOpenPlan()

const store = usePlanStore()
const parts = usePlanParts()
const shelf = useShelf()

const isAdding = ref(false)
/** Boards of the user's own from other plans, and what was noted of shipped ones there. */
const kept = computed(() => keptOf(shelf.parts, 'board'))
const boards = computed(() => {
  const own = new Map(plan.value.own.boards.map((board) => [board.id, board]))
  const known = new Map(kept.value.map((board) => [board.id, board]))
  const all = parts.value.boards.map((board) => own.get(board.id) ?? known.get(board.id) ?? board)
  return [...all, ...kept.value.filter(({ id }) => !all.some((board) => board.id === id))]
})
const options = computed((): PartOption[] => [
  { id: 'auto', name: 'the cheapest that will do', facts: [], group: 'By itself' },
  ...boards.value.map((board) => ({
    id: board.id,
    name: board.quirk === undefined ? board.name : `${board.name} (disturbs timing)`,
    facts: [
      formatQuantity(board.highV, 'V'),
      `${String(board.pins.length)} pins`,
      formatQuantity(board.memoryBytes, 'bytes'),
    ],
    group: ships(board.id) ? 'Boards' : 'Your own',
  })),
])
const shown = computed(() => {
  const { board } = signal
  if (board === null) return 'none is needed'
  return plan.value.signal.board === 'auto' ? `Picked: ${board.name}` : board.name
})
function pick(id: string): void {
  const known = boards.value.find((board) => board.id === id)
  const isNew =
    known !== undefined &&
    (known.quirk !== undefined || !ships(id)) &&
    !plan.value.own.boards.some((board) => board.id === id)
  store.commit(
    [
      ...(isNew ? [{ do: 'own-board' as const, board: known }] : []),
      { do: 'set-signal', signal: { board: id } },
    ],
    { label: 'board' },
  )
}
function add(board: Board): void {
  void shelf.keepPart({ id: board.id, kind: 'board', part: board })
  store.commit(
    [
      { do: 'own-board', board },
      { do: 'set-signal', signal: { board: board.id } },
    ],
    { label: `a board of your own: ${board.name}` },
  )
}
/** The note goes with the board into every plan. */
function noteQuirk(text: string): void {
  const { board } = signal
  if (board === null) return
  const noted: Board = withSet<Board>(board, { quirk: text === '' ? undefined : text })
  void shelf.keepPart({ id: noted.id, kind: 'board', part: noted })
  store.commit(
    [
      { do: 'own-board', board: noted },
      { do: 'set-signal', signal: { board: noted.id } },
    ],
    { label: 'note on the board' },
  )
}
const feeds = [
  { value: 'supply', label: 'the strip’s supply' },
  { value: 'usb', label: 'a plug of its own' },
  { value: 'strip', label: 'the first pixel’s pads' },
] as const
function setFeed(boardFrom: Plan['signal']['boardFrom']): void {
  const from = feeds.find(({ value }) => value === boardFrom)?.label ?? boardFrom
  store.commit([{ do: 'set-signal', signal: { boardFrom } }], { label: `board fed from ${from}` })
}
function setUsbToo(isIn: boolean): void {
  const usbToo = isIn || undefined
  store.commit([{ do: 'set-signal', signal: { usbToo } }], {
    label: usbToo ? 'USB stays plugged in' : 'USB is unplugged while it runs',
  })
}
const used = computed(() => signal.pins.filter(({ pin }) => pin !== undefined).length)
const fill = computed(() =>
  signal.memory === null ? 0 : Math.min(1, signal.memory.needBytes / signal.memory.freeBytes),
)
const slowest = computed(
  () => signal.lanes.toSorted((a, b) => a.framesPerSecond - b.framesPerSecond)[0],
)
</script>

<template>
  <section
    class="flex flex-wrap items-end gap-x-4 gap-y-2 rounded-lg border border-bench-line bg-bench-raised px-3.5 py-2.5 text-[12.5px] text-bench-soft"
    aria-label="Board"
  >
    <div class="w-[240px] max-w-full">
      <p class="mb-1 flex justify-between">
        <span class="font-semibold text-bench-ink">Board</span>
        <span class="flex gap-3 text-[12px]">
          <NoteButton
            v-if="signal.board"
            :about="{ kind: 'part', part: signal.board.id }"
            :name="signal.board.name"
          />
          <button class="link-quiet" @click="isAdding = true">+ your own</button>
        </span>
      </p>
      <PartList
        label="Board"
        :shown="shown"
        :columns="['logic', 'pins', 'memory']"
        :options="options"
        :model-value="plan.signal.board"
        drop="down"
        @update:model-value="pick"
      />
    </div>
    <template v-if="signal.board">
      <div>
        <PickField
          label="Fed from"
          :options="feeds"
          :value="plan.signal.boardFrom"
          @pick="setFeed"
        />
        <TickField
          v-if="plan.signal.boardFrom !== 'usb'"
          class="mt-1"
          label="USB stays plugged in"
          :is-on="plan.signal.usbToo === true"
          @set="setUsbToo"
        />
      </div>
      <dl class="flex flex-wrap gap-x-4 gap-y-1 leading-tight">
        <div>
          <dt>logic high</dt>
          <dd class="text-[15px] font-semibold text-bench-ink">
            {{ formatQuantity(signal.dataHighV ?? signal.board.highV, 'V') }}
          </dd>
        </div>
        <div>
          <dt>pins</dt>
          <dd class="text-[15px] font-semibold text-bench-ink">
            {{ used }} of {{ signal.board.pins.length }}
          </dd>
        </div>
        <div v-if="signal.memory && signal.lanes.length > 0">
          <dt>memory</dt>
          <dd class="text-[15px] font-semibold text-bench-ink">
            {{ formatQuantity(signal.memory.needBytes, 'bytes') }}
            <span class="text-[12px] font-normal text-bench-soft"
              >of {{ formatQuantity(signal.memory.freeBytes, 'bytes') }}</span
            >
            <span class="mt-0.5 block h-1 w-full rounded bg-bench-line" aria-hidden="true">
              <span
                class="block h-1 rounded"
                :class="fill >= 1 ? 'bg-stop' : fill > 0.85 ? 'bg-warning' : 'bg-ok'"
                :style="{ width: `${Math.max(2, fill * 100)}%` }"
              />
            </span>
          </dd>
        </div>
        <div v-if="slowest">
          <dt>frames/s</dt>
          <dd class="text-[15px] font-semibold text-bench-ink">
            {{ Math.floor(slowest.framesPerSecond) }}
          </dd>
        </div>
      </dl>
      <TextField
        class="min-w-[110px] flex-1"
        label="Disturbs timing?"
        :value="signal.board.quirk ?? ''"
        :most="200"
        placeholder="note how"
        title="Kept with this board in every plan"
        @set="noteQuirk"
      />
    </template>
    <OwnBoardDialog
      v-if="isAdding"
      :like="signal.board ?? boardOf(parts.boards, 'small-5v')"
      @close="isAdding = false"
      @add="add"
    />
  </section>
</template>
