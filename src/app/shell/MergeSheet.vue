<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import {
  takeOverWork,
  workElsewhere,
  workGroups,
  type WorkElsewhere,
} from '../../core/plan/merge-work'
import type { Plan } from '../../core/plan/plan'
import { isSame } from '../../core/quantity/same'
import { plural } from '../../core/quantity/format'
import { issueText } from '../../core/quantity/message-of'
import { readPlanLink } from '../../formats/plan-link'
import type { PlanPhoto } from '../../formats/plan-zip'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { usePart } from '../stores/use-parts'
import SheetDialog from '../ui/SheetDialog.vue'
import { readPlanUpload } from './read-plan-upload'
import { fileOf } from '../ui/field-text'
import TickField from '../ui/TickField.vue'

const emit = defineEmits<{ close: [] }>()
const store = usePlanStore()
const { shelf } = useShelf()
const notices = useNotices()
const receipt = usePart('receipt')

const groupTitles: Readonly<Record<(typeof workGroups)[number], string>> = {
  steps: 'Steps of the build',
  joints: 'Joints',
  bought: 'Bought',
  prices: 'Your prices',
  wires: 'Wires as built',
  mends: 'Mended',
  notes: 'Notes',
  upkeep: 'Upkeep',
}

const there = shallowRef<{ readonly plan: Plan; readonly photos: readonly PlanPhoto[] }>()
const problems = ref<readonly string[]>([])
const chosen = ref<ReadonlySet<string>>(new Set())
const items = computed(() =>
  store.plan === undefined || there.value === undefined
    ? []
    : workElsewhere(store.plan, there.value.plan),
)
const groups = computed(() =>
  workGroups
    .map((group) => ({ group, items: items.value.filter((one) => one.group === group) }))
    .filter((one) => one.items.length > 0),
)
/** Lines of the pad that differ: the plan itself is not taken over. */
const otherLines = computed(() => {
  const own = new Map(store.plan?.lines.map((line) => [line.id, line]))
  return (there.value?.plan.lines ?? []).filter((line) => !isSame(own.get(line.id), line)).length
})
const nameOf = ({ group, title }: WorkElsewhere): string =>
  group === 'bought' || group === 'prices'
    ? (receipt.value?.lines.find(({ id }) => id === title)?.name ?? title)
    : title

function show(plan: Plan, photos: readonly PlanPhoto[] = []): void {
  problems.value = []
  there.value = { plan, photos }
  // What differs is for a person to say.
  chosen.value = new Set(items.value.filter(({ here }) => here === undefined).map(({ id }) => id))
}
async function choose(event: Event): Promise<void> {
  const file = fileOf(event)
  if (file === undefined) return
  const read = await readPlanUpload(file)
  if (read.ok) show(read.plan, read.photos)
  else problems.value = [`${file.name} was not read.`, ...read.issues.map(issueText)]
}
const link = ref('')
function readLink(): void {
  if (link.value === '') return
  const read = readPlanLink(link.value.slice(link.value.indexOf('#') + 1).trim())
  if (read.ok) show(read.plan)
  else problems.value = read.issues.map(issueText)
}

function toggle(id: string): void {
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}

async function takeOver(): Promise<void> {
  const [{ plan }, other] = [store, there.value]
  if (plan === undefined || other === undefined || store.id === undefined) return
  const wanted = new Set(
    items.value.filter(({ id }) => chosen.value.has(id)).flatMap(({ photos }) => photos),
  )
  const photos = other.photos.filter(({ id }) => wanted.has(id))
  const count = chosen.value.size
  await shelf.addPhotos(store.id, photos).catch(() => undefined)
  store.commit(takeOverWork(plan, other.plan, chosen.value), { label: 'take over what was done' })
  emit('close')
  const missing = wanted.size - photos.length
  notices.done(
    `${plural(count, 'entry', 'entries')} taken over.${missing > 0 ? ` ${plural(missing, 'photo')} did not come along: a zip has them, a link has not.` : ''}`,
    store.undo,
  )
}
</script>

<template>
  <SheetDialog title="Take over what was done elsewhere" width="max-w-2xl" @close="emit('close')">
    <p class="text-[14px] text-bench-soft">
      Ticks, prices, readings, photos and mends of this plan from another device. The plan itself
      stays as it is here.
    </p>
    <div class="mt-3 grid gap-3 sm:grid-cols-2">
      <label class="text-bench-soft">
        Its file
        <input
          type="file"
          class="field mt-1"
          accept=".json,application/json,.zip,application/zip"
          @change="choose"
        />
      </label>
      <label class="text-bench-soft">
        Or its link
        <input v-model="link" class="field mt-1" type="url" @change="readLink" />
      </label>
    </div>
    <ul v-if="problems.length > 0" class="mt-3 text-stop" role="alert">
      <li v-for="problem in problems" :key="problem">{{ problem }}</li>
    </ul>
    <template v-else-if="there">
      <p v-if="there.plan.name !== store.plan?.name" class="mt-3 text-warning">
        It is called “{{ there.plan.name }}” there: is it the same plan?
      </p>
      <p v-if="otherLines > 0" class="mt-3 text-warning">
        {{ plural(otherLines, 'line') }} of its pad differ from here; they are not taken over.
      </p>
      <p v-if="items.length === 0" class="mt-4">Nothing was done there that is not here.</p>
      <div v-else class="mt-3 max-h-[46vh] overflow-y-auto" tabindex="0" aria-label="What differs">
        <section v-for="group in groups" :key="group.group" class="mb-3">
          <h3 class="font-semibold">{{ groupTitles[group.group] }}</h3>
          <TickField
            v-for="one in group.items"
            :key="one.id"
            class="min-h-9 py-1 max-sm:min-h-11"
            :label="nameOf(one)"
            :is-on="chosen.has(one.id)"
            @set="toggle(one.id)"
          >
            {{ nameOf(one) }}: {{ one.there }}
            <span v-if="one.here !== undefined" class="block text-warning">
              here: {{ one.here }}
            </span>
          </TickField>
        </section>
      </div>
      <p v-if="items.length > 0" class="mt-3 text-right">
        <button
          type="button"
          class="button-main min-h-9 max-sm:min-h-11"
          :disabled="chosen.size === 0"
          @click="takeOver"
        >
          Take over {{ chosen.size }}
        </button>
      </p>
    </template>
  </SheetDialog>
</template>
