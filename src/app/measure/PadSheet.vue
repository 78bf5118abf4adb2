<script setup lang="ts">
import { nanoid } from 'nanoid'
import { storeToRefs } from 'pinia'
import {
  computed,
  defineAsyncComponent,
  effectScope,
  nextTick,
  onMounted,
  onScopeDispose,
  shallowRef,
  useTemplateRef,
  watch,
} from 'vue'
import { runsFromTo } from '../../core/measure/from-to'
import { separateCommands, takenOver } from '../../core/measure/line-edits'
import type { Line, Trace } from '../../core/plan/plan'
import { mostCharacters, mostLines } from '../../core/plan/usual'
import { fixed, formatLength, plural } from '../../core/quantity/format'
import { stripOf } from '../../core/parts/find-strips'
import { useNotices } from '../stores/notices'
import { overlay } from '../stores/overlay'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { typeAhead } from '../stores/type-ahead'
import { useSpotlight } from '../stores/spotlight'
import { padParts, type PadParts } from './pad-parts'
import PadBlocks from './PadBlocks.vue'
import PadLine from './PadLine.vue'
import { useNearRows } from './use-near-rows'

const plan = useOpenPlan()

const LineMenu = defineAsyncComponent(() => import('./LineMenu.vue'))
const ShapeTiles = defineAsyncComponent(() => import('./ShapeTiles.vue'))
const EmptyGuide = defineAsyncComponent(() => import('../plans/EmptyGuide.vue'))

const store = usePlanStore()
const spotlight = useSpotlight()
const notices = useNotices()
const { measured, parts } = storeToRefs(store)

/** Lines that have a note. */
const noted = computed(
  () => new Set(plan.value.notes.map(({ about }) => (about.kind === 'run' ? about.line : ''))),
)
function openNotes(line: string): void {
  spotlight.choose(line)
  overlay.value = 'notes'
}

/** Sorting works on a list of its own and is told to the plan when the line is dropped. */
const sorted = shallowRef<readonly Line[]>(plan.value.lines)
watch(
  () => plan.value.lines,
  (lines) => {
    sorted.value = lines
  },
)

const readings = computed(
  () => new Map(measured.value.lines.map(({ line, reading }) => [line.id, reading])),
)
const total = computed(() => {
  const { runs } = measured.value
  const mm = runs.reduce((sum, run) => sum + run.wantedMm, 0)
  const lights = runs.reduce((sum, run) => sum + run.lights.length, 0)
  const length =
    plan.value.units === 'mm' ? `${fixed(mm / 1000, 2)} m` : formatLength(mm, plan.value.units)
  if (lights === 0) return length
  return mm === 0 ? plural(lights, 'light') : `${length} + ${String(lights)}`
})

/** The volts of a line's own strip, where it is not the plan's. */
function ownVolts(line: Line): number | undefined {
  if (line.stripId === undefined || line.stripId === plan.value.defaults.stripId) return undefined
  return stripOf(parts.value, line.stripId).volts
}

const scroller = useTemplateRef<HTMLElement>('scroller')
const { isNear, bringNear, keep } = useNearRows(
  scroller,
  (element) => element.querySelector('.pad-lines')?.children,
  () => plan.value.lines.length,
)

const padded = computed<PadParts>((before) => padParts(sorted.value, isNear.value, before))

/** All that a row shows: while it is the same, the row is not rendered again. What all rows share is asked for once. */
const shownIn = computed(() => {
  const { units, lines } = plan.value
  const { lit, chosen } = spotlight
  const [isOnly, withNote] = [lines.length === 1, noted.value]
  return (line: Line, at: number): unknown[] => [
    line,
    at,
    units,
    ownVolts(line),
    lit.has(line.id),
    chosen === line.id,
    isOnly,
    withNote.has(line.id),
  ]
})

const focusLine = async (id: string | undefined): Promise<void> => {
  if (id === undefined) return
  // The store's plan: a line that was just put in is not among the props yet.
  bringNear(store.plan?.lines.findIndex((line) => line.id === id) ?? 0)
  await nextTick()
  document.getElementById(`line-${id}`)?.focus()
}

/** Whether so many more lines go on the pad; says so where they do not. */
function hasRoom(more: number): boolean {
  if (plan.value.lines.length + more <= mostLines) return true
  notices.show({
    kind: 'problem',
    text: `A pad holds ${String(mostLines)} lines. Put the rest into another plan.`,
  })
  return false
}

/** Puts an empty line in at a place of the pad, and the cursor on it. */
function insert(at: number): void {
  if (!hasRoom(1)) return
  const line = newLine('', plan.value.lines[at - 1])
  store.commit([{ do: 'add-lines', at, lines: [line] }], { label: 'new line' })
  void focusLine(line.id)
}

/** A line below takes the light and the mount of the one above. */
const newLine = (text: string, above: Line | undefined): Line => ({
  ...(above !== undefined && takenOver(above)),
  id: nanoid(8),
  text: text.slice(0, mostCharacters),
})

const setText = (line: Line, text: string): void => {
  store.commit([{ do: 'set-text', line: line.id, text }], {
    label: `line “${text}”`,
    key: `text.${line.id}`,
  })
}

function addBelow(index: number): void {
  const line = plan.value.lines[index]
  const several = line && runsFromTo(line.text)
  if (line === undefined || several === undefined || readings.value.get(line.id)?.kind === 'run') {
    insert(index + 1)
    return
  }
  // `tier 1 to 6 1040`: a line each.
  if (!hasRoom(several.length - 1)) return
  store.commit(
    separateCommands(plan.value, line.id, several, () => nanoid(8)),
    { label: plural(several.length, 'line') },
  )
  void focusLine(store.plan?.lines[index + several.length - 1]?.id)
}

/** The first pasted line goes on where the cursor is, the others become lines of their own. */
async function paste(index: number, line: Line, text: string): Promise<void> {
  const { listLines } = await import('../../formats/list-lines')
  const [first = '', ...others] = listLines(text)
  if (!hasRoom(others.length)) return
  const lines = others.map((other) => newLine(other, line))
  store.commit(
    [
      { do: 'set-text', line: line.id, text: first.slice(0, mostCharacters) },
      { do: 'add-lines', at: index + 1, lines },
    ],
    { label: `paste ${plural(lines.length + 1, 'line')}` },
  )
  void focusLine((lines.at(-1) ?? line).id)
}

function remove(index: number, line: Line): void {
  const neighbour = plan.value.lines[index - 1] ?? plan.value.lines[index + 1]
  if (neighbour === undefined) {
    setText(line, '')
    return
  }
  store.commit([{ do: 'remove-line', line: line.id }], { label: 'remove a line' })
  void focusLine(neighbour.id)
}

function move(line: Line, to: number): void {
  if (to < 0 || to >= plan.value.lines.length) return
  store.commit([{ do: 'move-line', line: line.id, to }], {
    label: 'move a line',
    key: `move.${line.id}`,
  })
  void focusLine(line.id)
}

function onSorted(lines: readonly Line[]): void {
  const to = lines.findIndex((line, index) => line.id !== plan.value.lines[index]?.id)
  if (to < 0) return
  // The first place that differs is where the line went, or where the one that left stood.
  const [here, there] = [lines[to], plan.value.lines[to]]
  const moved = lines[to + 1]?.id === there?.id ? here : there
  if (moved === undefined) return
  sorted.value = lines
  store.commit([{ do: 'move-line', line: moved.id, to: lines.indexOf(moved) }], {
    label: 'move a line',
  })
}

/** Takes a line to where a hand has put its row; the row goes back to where it was, since rows follow the lines. */
function drop(row: HTMLElement): void {
  const at = Number(row.dataset.at)
  const line = sorted.value[at]
  if (line === undefined) return
  const before = row.previousElementSibling
  const first = padded.value.near[0]?.at ?? 0
  const above =
    before instanceof HTMLElement && !before.hidden ? Number(before.dataset.at) : first - 1
  const rowOf = (index: number): Element | null | undefined =>
    list.value?.querySelector(`:scope > [data-at="${String(index)}"]`)
  const next = rowOf(at + 1)
  if (next == null) rowOf(at - 1)?.after(row)
  else next.before(row)
  const others = sorted.value.filter((one) => one !== line)
  const to = above < at ? above + 1 : above
  onSorted([...others.slice(0, to), line, ...others.slice(to)])
}

/** Lines can be dragged a moment after they are there: what does that is not needed to read and write them. */
const list = useTemplateRef<HTMLElement>('list')
const dragging = effectScope()
const canDrag = shallowRef(false)
onMounted(async () => {
  const { useDraggable } = await import('vue-draggable-plus')
  const target = list.value
  if (target === null) return
  dragging.run(() =>
    useDraggable(target, {
      handle: '.grip',
      onStart: () => {
        keep(true)
      },
      onEnd: ({ item }) => {
        keep(false)
        drop(item)
      },
      animation: 120,
      ghostClass: 'opacity-40',
      // By the pointer's own moves: a browser's dragging of its own does not always begin.
      forceFallback: true,
    }),
  )
  canDrag.value = true
})
onScopeDispose(() => {
  dragging.stop()
})

watch(
  () => spotlight.destination,
  (destination) => void focusLine(destination?.line),
)

// An empty plan is there to be written on.
onMounted(async () => {
  const [line, ...others] = plan.value.lines
  if (line?.text !== '' || others.length > 0) {
    typeAhead.end()
    return
  }
  await focusLine(line.id)
  const typed = typeAhead.end()
  if (typed !== '') setText(line, typed)
})

/** Puts a line that is ready to be changed where the writing goes on; its text is chosen, so that typing replaces it. */
async function begin(text: string, trace?: Trace): Promise<void> {
  const last = plan.value.lines.at(-1)
  let id: string | undefined
  if (last?.text === '' && trace === undefined) {
    setText(last, text)
    id = last.id
  } else {
    const line = { ...newLine(text, last), ...(trace !== undefined && { trace }) }
    id = line.id
    store.commit([{ do: 'add-lines', at: plan.value.lines.length, lines: [line] }], {
      label: `line “${text}”`,
    })
  }
  await focusLine(id)
  const field = document.getElementById(`line-${id}`)
  if (field instanceof HTMLInputElement) field.select()
}
const addTrace = (text: string, trace: Trace): void => void begin(text, trace)

/** A click on the free paper below goes on writing. */
function writeOn(): void {
  const last = plan.value.lines.at(-1)
  if (last?.text === '') void focusLine(last.id)
  else insert(plan.value.lines.length)
}
</script>

<template>
  <section
    class="on-paper flex min-h-0 flex-col overflow-hidden max-[899px]:max-h-[max(24rem,calc(100dvh-15.5rem))] rounded-lg bg-pad font-mono text-[13px] text-paper-ink shadow-lg shadow-black/30"
    aria-label="Pad"
  >
    <div ref="scroller" class="relative min-h-0 flex-1 overflow-y-auto pt-[9px]">
      <div class="ruled flex min-h-full flex-col" @click.self="writeOn">
        <div ref="list" class="pad-lines" :data-can-drag="canDrag">
          <PadBlocks
            :blocks="padded.above"
            :readings="readings"
            :own-volts="ownVolts"
            :noted="noted"
          />
          <PadLine
            v-for="{ line, at } in padded.near"
            :key="line.id"
            v-memo="shownIn(line, at)"
            :line="line"
            :number="at + 1"
            :reading="readings.get(line.id)"
            :units="plan.units"
            :own-volts="ownVolts(line)"
            :is-lit="spotlight.lit.has(line.id)"
            :is-chosen="spotlight.chosen === line.id"
            :is-only="plan.lines.length === 1"
            is-near
            :is-noted="noted.has(line.id)"
            @text="(text) => setText(line, text)"
            @enter="addBelow(at)"
            @paste-lines="(text) => paste(at, line, text)"
            @remove="remove(at, line)"
            @move="(by) => move(line, at + by)"
            @go="(by) => focusLine(plan.lines[at + by]?.id)"
            @choose="spotlight.choose(line.id)"
            @notes="openNotes(line.id)"
            @point="(isOn) => (isOn ? spotlight.light([line.id]) : spotlight.dim())"
          />
          <PadBlocks
            :blocks="padded.below"
            :readings="readings"
            :own-volts="ownVolts"
            :noted="noted"
          />
        </div>
        <button
          class="to-press h-(--pad-row) shrink-0 pl-8 text-left text-paper-soft opacity-0 pointer-coarse:opacity-100 hover:opacity-100 focus-visible:opacity-100"
          @click="writeOn"
        >
          + another line
        </button>
        <EmptyGuide v-if="measured.runs.length === 0" class="bg-pad min-[900px]:hidden" />
        <div v-else class="min-h-4 flex-1 cursor-text" @click="writeOn" />
      </div>
    </div>
    <div
      class="mx-4 flex min-h-11 items-center justify-between gap-2 border-t-2 border-paper-ink py-1.5 font-semibold"
      data-testid="to-light"
    >
      <span>to light</span><LineMenu /><span>{{ total }}</span>
    </div>
    <!-- As high as they are: what stands above must not move when they come. -->
    <div class="min-h-24"><ShapeTiles @begin="begin" @trace="addTrace" /></div>
  </section>
</template>
