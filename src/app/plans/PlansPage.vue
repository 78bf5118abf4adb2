<script setup lang="ts">
import { Copy, FileDown, FolderInput, Pencil, Plus, Trash2 } from '@lucide/vue'
import { computed, nextTick, ref } from 'vue'
import { RouterLink, useRouter } from 'vue-router'
import { formatQuantity, plural } from '../../core/quantity/format'
import { readPlan } from '../../formats/plan-file'
import type { PlanFacts } from '../engine/plan-facts'
import { usePlanFiles } from '../shell/plan-files'
import type { StoredPlan } from '../storage/db'
import { useLiveQuery } from '../storage/use-live-query'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { typeAhead } from '../stores/type-ahead'
import PlanPicture from './PlanPicture.vue'
import { freshFacts, useMissingFacts } from './use-facts'

const shelf = useShelf()
const notices = useNotices()
const router = useRouter()
const { chooseFile, savePlanFile } = usePlanFiles()

usePlanStore().close()

const renaming = ref<string>()
const draft = ref('')
const showsDeleted = ref(false)

const plans = useLiveQuery(() => shelf.shelf.list(), shelf.fail)
const deleted = useLiveQuery(() => shelf.shelf.listDeleted(), shelf.fail)
useMissingFacts(plans)
const cards = computed(() =>
  plans.value?.map((stored) => ({ ...stored, known: freshFacts(stored) ?? stored.facts })),
)
const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' })

function factsText(facts: PlanFacts | undefined): string {
  if (facts === undefined) return '…'
  if (facts.places === 0) return 'nothing to light yet'
  return [
    plural(facts.places, 'place'),
    ...(facts.lightLengthMm > 0 ? [formatQuantity(facts.lightLengthMm / 1000, 'm')] : []),
    ...(facts.singleLights > 0 ? [plural(facts.singleLights, 'light')] : []),
    ...(facts.pixels > 0 ? [formatQuantity(facts.pixels, 'px')] : []),
    formatQuantity(facts.peakCurrentA, 'A'),
  ].join(' · ')
}

function startNew(): void {
  typeAhead.begin()
  void shelf.shelf.addEmpty().then(open)
}
const open = (id: string): Promise<unknown> => router.push({ name: 'measure', params: { id } })

async function startRenaming({ id, name }: StoredPlan): Promise<void> {
  renaming.value = id
  draft.value = name
  await nextTick()
  const field = document.getElementById(`rename-${id}`)
  if (field instanceof HTMLInputElement) field.select()
}
async function finishRenaming({ id, name }: StoredPlan): Promise<void> {
  if (renaming.value !== id) return
  renaming.value = undefined
  const next = draft.value.trim().slice(0, 120)
  if (next !== '' && next !== name) await shelf.shelf.rename(id, next)
}

async function remove({ id, name }: StoredPlan): Promise<void> {
  await shelf.shelf.delete(id)
  notices.show({
    kind: 'done',
    text: `“${name}” is deleted.`,
    action: { label: 'Undo', run: () => void shelf.shelf.restore(id) },
  })
}

async function exportStored({ document }: StoredPlan): Promise<void> {
  const read = readPlan(document)
  if (read.ok) await savePlanFile(read.plan)
}

const actions = [
  { label: 'Rename', icon: Pencil, run: startRenaming },
  { label: 'Duplicate', icon: Copy, run: ({ id }: StoredPlan) => shelf.shelf.duplicate(id) },
  { label: 'Export', icon: FileDown, run: exportStored },
  { label: 'Delete', icon: Trash2, run: remove },
]
</script>

<template>
  <main class="overflow-y-auto px-4 py-6 sm:px-8">
    <div class="mx-auto max-w-4xl">
      <div class="mb-5 flex flex-wrap items-center gap-3">
        <h1 class="mr-auto text-xl font-bold">Plans</h1>
        <button class="button-quiet py-1.5" @click="chooseFile">
          <FolderInput :size="15" /> Import a file
        </button>
        <button class="button-main" @click="startNew"><Plus :size="15" /> New plan</button>
      </div>

      <p v-if="shelf.problem" role="alert" class="mb-4 rounded-lg border border-stop p-4">
        This browser does not let the shelf keep plans ({{ shelf.problem }}). In a private window or
        with storage switched off, nothing is saved.
      </p>
      <p v-else-if="cards === undefined" class="text-bench-soft">Looking on the shelf …</p>
      <div
        v-else-if="cards.length === 0"
        class="rounded-xl border border-dashed border-bench-line p-10 text-center text-bench-soft"
      >
        <p class="mb-1 text-base text-bench-ink">The shelf is empty</p>
        <p>Start a new plan, or drop a plan file anywhere on this window.</p>
      </div>

      <ul class="grid gap-2.5">
        <li
          v-for="card in cards"
          :key="card.id"
          class="flex flex-wrap items-center gap-x-4 gap-y-1 rounded-xl border border-bench-line bg-bench-raised py-3 pr-3 pl-4 hover:border-bench-soft"
        >
          <PlanPicture class="h-16 w-24 shrink-0" :drawing="card.known?.drawing" />
          <div class="min-w-0 flex-1 basis-48">
            <input
              v-if="renaming === card.id"
              :id="`rename-${card.id}`"
              v-model="draft"
              class="field py-0.5 font-semibold"
              aria-label="Name of the plan"
              maxlength="120"
              @keydown.enter="finishRenaming(card)"
              @keydown.esc="renaming = undefined"
              @blur="finishRenaming(card)"
            />
            <RouterLink
              v-else
              :to="{ name: 'measure', params: { id: card.id } }"
              class="block truncate font-semibold hover:text-glow"
              >{{ card.name }}</RouterLink
            >
            <p class="text-[13px] text-bench-soft">{{ factsText(card.known) }}</p>
            <p v-if="card.known && card.known.stops + card.known.warnings > 0" class="text-[13px]">
              <span v-if="card.known.stops > 0" class="mr-3 text-stop">{{
                plural(card.known.stops, 'stop')
              }}</span>
              <span v-if="card.known.warnings > 0" class="text-warning">{{
                plural(card.known.warnings, 'warning')
              }}</span>
            </p>
          </div>
          <p class="text-[12px] text-bench-soft">{{ when.format(card.changedAt) }}</p>
          <div class="flex">
            <button
              v-for="action in actions"
              :key="action.label"
              class="rounded-md p-2 text-bench-soft hover:bg-bench-high hover:text-bench-ink"
              :aria-label="`${action.label} ${card.name}`"
              :title="action.label"
              @click="action.run(card)"
            >
              <component :is="action.icon" :size="16" />
            </button>
          </div>
        </li>
      </ul>

      <section v-if="deleted?.length" class="mt-8">
        <button
          class="link-quiet text-[13px]"
          :aria-expanded="showsDeleted"
          @click="showsDeleted = !showsDeleted"
        >
          {{ deleted.length }} deleted, kept for 30 days
        </button>
        <ul v-if="showsDeleted" class="mt-3 grid gap-1.5">
          <li
            v-for="plan in deleted"
            :key="plan.id"
            class="flex items-center gap-3 rounded-lg border border-bench-line px-4 py-2 text-bench-soft"
          >
            <span class="mr-auto truncate">{{ plan.name }}</span>
            <button class="button-quiet" @click="shelf.shelf.restore(plan.id)">Bring back</button>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>
