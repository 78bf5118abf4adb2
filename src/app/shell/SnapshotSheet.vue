<script setup lang="ts">
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { formatQuantity, plural } from '../../core/quantity/format'
import { messageOf } from '../../core/quantity/message-of'
import { isSame } from '../../core/quantity/same'
import type { Plan } from '../../core/plan/plan'
import { endJobs, startJobs } from '../engine/jobs'
import type { PlanFacts } from '../engine/plan-facts'
import type { StoredSnapshot } from '../storage/db'
import { forgetSnapshot, readSnapshot, snapshotsOf, takeSnapshot } from '../storage/snapshots'
import { useLiveQuery } from '../storage/use-live-query'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import SheetDialog from '../ui/SheetDialog.vue'
import { money } from './price'

const emit = defineEmits<{ close: [] }>()
const store = usePlanStore()
const { db, fail } = useShelf()
const notices = useNotices()

const id = store.id ?? ''
const snapshots = useLiveQuery(() => snapshotsOf(db, id), fail)
const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

const name = ref('')
async function keepSnapshot(): Promise<void> {
  const { plan } = store
  if (plan === undefined) return
  const title = name.value.trim() || `As of ${when.format(Date.now())}`
  try {
    await takeSnapshot(db, id, { name: title.slice(0, 120), plan })
    name.value = ''
  } catch (error) {
    notices.show({
      kind: 'problem',
      text: `The snapshot was not kept: ${messageOf(error)}. The plan is as it was.`,
    })
  }
}

const jobs = startJobs()
onScopeDispose(() => {
  endJobs(jobs)
})
const compared = shallowRef<{
  readonly id: string
  readonly lines: readonly string[]
  readonly figures: readonly (readonly [name: string, then: string, now: string])[]
}>()

function figuresOf(facts: PlanFacts, plan: Plan): readonly (readonly [string, string])[] {
  const { places, lightLengthMm, pixels, peakCurrentA, stops, warnings, work } = facts
  return [
    ['places', String(places)],
    ['strip', formatQuantity(lightLengthMm / 1000, 'm', plan.units)],
    ['pixels', String(pixels)],
    ['full white', formatQuantity(peakCurrentA, 'A')],
    ['stops', String(stops)],
    ['warnings', String(warnings)],
    ['cost', work === undefined ? '–' : money(work.cost, work.currency)],
    ['steps', work === undefined ? '–' : String(work.steps)],
  ]
}
/** What is on the pad then and is not now, and the other way round. */
function changedLines(then: Plan, now: Plan): string[] {
  const own = new Map(now.lines.map((line) => [line.id, line]))
  const before = new Map(then.lines.map((line) => [line.id, line]))
  return [
    ...then.lines
      .filter((line) => !isSame(own.get(line.id), line))
      .map(({ id: line, text }) => {
        const other = own.get(line)
        if (other === undefined) return `gone since: ${text}`
        return other.text === text
          ? `${text}: placed, lit or fed otherwise`
          : `${text} is now ${other.text}`
      }),
    ...now.lines.filter((line) => !before.has(line.id)).map(({ text }) => `new since: ${text}`),
  ]
}
function read(snapshot: StoredSnapshot): Plan | undefined {
  const result = readSnapshot(snapshot)
  if (result.ok) return result.plan
  notices.show({
    kind: 'problem',
    text: `“${snapshot.name}” cannot be read.`,
    details: result.issues.map(({ path, message }) => `${path} ${message}`),
  })
  return undefined
}
async function compare(snapshot: StoredSnapshot): Promise<void> {
  const [then, now] = [read(snapshot), store.plan]
  if (then === undefined || now === undefined) return
  const [before, after] = await Promise.all([jobs.service.facts(then), jobs.service.facts(now)])
  const present = new Map(figuresOf(after, now))
  compared.value = {
    id: snapshot.id,
    lines: changedLines(then, now),
    figures: figuresOf(before, then).map(([of, value]) => [of, value, present.get(of) ?? '–']),
  }
}
function takeBack(snapshot: StoredSnapshot): void {
  const plan = read(snapshot)
  if (plan === undefined) return
  store.commit([{ do: 'take-back', plan }], { label: `take back “${snapshot.name}”` })
  emit('close')
  notices.done(
    `The plan is as in “${snapshot.name}”. What was built, bought and mended stays noted.`,
    store.undo,
  )
}
const isMine = computed(() => store.access === 'mine')
</script>

<template>
  <SheetDialog title="Snapshots" width="max-w-2xl" @close="emit('close')">
    <form class="flex flex-wrap items-end gap-2" @submit.prevent="keepSnapshot">
      <label class="min-w-0 flex-1 basis-52 text-bench-soft">
        Keep the plan as it is now, as
        <input
          v-model="name"
          class="field mt-1"
          maxlength="120"
          placeholder="before the second shelf"
        />
      </label>
      <button class="button-main min-h-9 max-sm:min-h-11">Keep it</button>
    </form>
    <p v-if="snapshots?.length === 0" class="mt-4 text-bench-soft">
      No snapshot yet. One is worth it before a change that you may regret.
    </p>
    <ul
      class="mt-4 grid max-h-[52vh] gap-2 overflow-y-auto"
      tabindex="0"
      aria-label="Snapshots kept"
    >
      <li
        v-for="snapshot in snapshots"
        :key="snapshot.id"
        class="rounded-lg border border-bench-line px-3 py-2"
      >
        <div class="flex flex-wrap items-center gap-2">
          <p class="min-w-0 flex-1 basis-40">
            <span class="font-semibold">{{ snapshot.name }}</span>
            <span class="block text-[12.5px] text-bench-soft">{{ when.format(snapshot.at) }}</span>
          </p>
          <button type="button" class="button-quiet max-sm:min-h-11" @click="compare(snapshot)">
            Compare
          </button>
          <button
            type="button"
            class="button-quiet max-sm:min-h-11"
            :disabled="!isMine"
            @click="takeBack(snapshot)"
          >
            Take it back
          </button>
          <button
            type="button"
            class="button-quiet max-sm:min-h-11"
            :aria-label="`Delete ${snapshot.name}`"
            @click="forgetSnapshot(db, snapshot.id)"
          >
            Delete
          </button>
        </div>
        <div v-if="compared?.id === snapshot.id" class="mt-2" role="status">
          <table class="w-full text-left">
            <thead class="text-bench-soft">
              <tr>
                <th class="font-normal"></th>
                <th class="font-normal">then</th>
                <th class="font-normal">now</th>
              </tr>
            </thead>
            <tbody>
              <tr
                v-for="[of, then, now] in compared.figures"
                :key="of"
                :class="then !== now && 'font-semibold'"
              >
                <th class="font-normal text-bench-soft">{{ of }}</th>
                <td>{{ then }}</td>
                <td>{{ now }}</td>
              </tr>
            </tbody>
          </table>
          <p class="mt-2">{{ plural(compared.lines.length, 'line') }} of the pad differ.</p>
          <ul class="text-bench-soft">
            <li v-for="text in compared.lines.slice(0, 20)" :key="text">{{ text }}</li>
          </ul>
        </div>
      </li>
    </ul>
  </SheetDialog>
</template>
