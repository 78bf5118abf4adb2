<script setup lang="ts">
import { plural } from '../../core/quantity/format'
import { issueText, messageOf } from '../../core/quantity/message-of'
import { FolderInput, Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { readPlan } from '../../formats/plan-file'
import { useAddress } from '../shell/address'
import { usePlanFiles } from '../shell/plan-files'
import { useNewPlan } from '../shell/use-new-plan'
import { savePlanFile, saveRawPlan } from '../shell/save-plan-file'
import type { StoredPlan } from '../storage/db'
import { lockPlan } from '../storage/plan-lock'
import { askTabs, tellTabs } from '../storage/tab-talk'
import { useLiveQuery } from '../storage/use-live-query'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import ListRest from '../ui/ListRest.vue'
import { useScrolled } from '../ui/use-gradual'
import BackupBar from './BackupBar.vue'
import PlanCard from './PlanCard.vue'
import { onShelf, orders, tagsOf, type ShelfCard, type ShelfOrder } from './shelf-order'
import { freshFacts, useMissingFacts } from './use-facts'
import PickField from '../ui/PickField.vue'

const shelf = useShelf()
const notices = useNotices()
const { chooseFile } = usePlanFiles()

usePlanStore().close()

const showsDeleted = ref(false)

const lists = useLiveQuery(() => shelf.shelf.lists(), shelf.fail)
const plans = computed(() => lists.value?.plans)
const deleted = computed(() => lists.value?.deleted)
const problems = useMissingFacts(plans)
const cards = computed(() =>
  plans.value?.map((stored): ShelfCard => ({
    stored,
    facts: freshFacts(stored) ?? stored.facts,
    problem: freshFacts(stored) === undefined ? problems.value.get(stored.id) : undefined,
  })),
)
const query = ref('')
const tag = useAddress<string | undefined>('tag', undefined)
const order = useAddress<ShelfOrder>('order', 'changed', {
  among: orders.map(({ value }) => value),
})
const tags = computed(() => tagsOf(cards.value ?? []))
const shown = computed(() =>
  onShelf(cards.value ?? [], { query: query.value, tag: tag.value, order: order.value }),
)
// A card is much to draw, and a shelf may hold hundreds.
const { shown: drawn, rest: cardsLeft, isNear: areCardsNear } = useScrolled(() => shown.value, 6)
const groups = computed(() =>
  [
    { isExample: false, title: 'Your plans' },
    { isExample: true, title: 'Examples' },
  ]
    .map(({ isExample, title }) => ({
      title,
      isExample,
      cards: drawn.value.filter(({ stored }) => (stored.isExample === true) === isExample),
    }))
    .filter((group) => group.cards.length > 0),
)
const ownPlans = computed(
  () => plans.value?.filter(({ isExample }) => isExample !== true).length ?? 0,
)

const setTags = ({ id }: StoredPlan, next: readonly string[]): Promise<void> =>
  tried('Tagging', () => shelf.shelf.tag(id, next))

const removeExamples = (): Promise<void> =>
  tried('Removing the examples', async () => {
    const ids = await shelf.shelf.removeExamples()
    for (const id of ids) tellTabs({ kind: 'deleted', id })
    notices.show({
      kind: 'done',
      text: `${plural(ids.length, 'example')} removed. They do not come again.`,
      actions: [
        {
          label: 'Undo',
          run: () => {
            for (const id of ids) void restore(id)
          },
        },
      ],
    })
  })

/** Does something with the store, and says so where it does not let itself be changed. */
async function tried(what: string, work: () => Promise<unknown>): Promise<void> {
  try {
    await work()
  } catch (error) {
    notices.show({
      kind: 'problem',
      text: `${what} did not work: the browser did not keep it. Nothing was changed.`,
      details: [messageOf(error)],
    })
  }
}

const newPlan = useNewPlan()
const startNew = (): void => void tried('A new plan', newPlan)

/** A plan that another tab has open is renamed there, so that none overwrites the other. */
const rename = ({ id }: StoredPlan, name: string): Promise<void> =>
  tried('Renaming', async () => {
    const lock = await lockPlan(id, { how: 'free', onLost: () => undefined })
    if (lock !== undefined) {
      try {
        await shelf.shelf.rename(id, name)
      } finally {
        lock.release()
      }
    } else if (!(await askTabs({ kind: 'rename', id, name })))
      notices.show({
        kind: 'problem',
        text: 'This plan is open in another tab, which does not answer: rename it there.',
      })
  })

const duplicate = ({ id, name }: StoredPlan): Promise<void> =>
  tried('Duplicating', async () => {
    if ((await shelf.shelf.duplicate(id)) === undefined)
      notices.show({
        kind: 'problem',
        text: `“${name}” cannot be read, so there is no copy of it. Export it, mend it and import it.`,
      })
  })

const remove = ({ id, name }: StoredPlan): Promise<void> =>
  tried('Deleting', async () => {
    await shelf.shelf.delete(id)
    tellTabs({ kind: 'deleted', id })
    notices.show({
      kind: 'done',
      text: `“${name}” is deleted.`,
      actions: [{ label: 'Undo', run: () => void restore(id) }],
    })
  })

const restore = (id: string): Promise<void> =>
  tried('Bringing back', async () => {
    await shelf.shelf.restore(id)
    tellTabs({ kind: 'restored', id })
  })

async function exportStored({ name, document }: StoredPlan): Promise<void> {
  const read = readPlan(document)
  if (read.ok) {
    await savePlanFile(read.plan, shelf.shelf)
    return
  }
  saveRawPlan(name, document)
  notices.show({
    kind: 'problem',
    text: `“${name}” is saved as it is stored. It cannot be imported before this is mended:`,
    details: read.issues.map(issueText),
  })
}
</script>

<template>
  <main class="overflow-y-auto px-4 py-6 sm:px-8">
    <div class="mx-auto max-w-4xl">
      <div class="mb-5 flex flex-wrap items-center gap-3">
        <h1 class="mr-auto text-xl font-bold">Plans</h1>
        <RouterLink class="button-quiet py-1.5" :to="{ name: 'trouble' }">
          Something is wrong?
        </RouterLink>
        <button class="button-quiet py-1.5" @click="chooseFile">
          <FolderInput :size="15" /> Import a file
        </button>
        <button class="button-main" @click="startNew"><Plus :size="15" /> New plan</button>
      </div>

      <p v-if="cards === undefined && !shelf.problem" class="text-bench-soft">
        Looking on the shelf …
      </p>
      <div
        v-else-if="cards?.length === 0"
        class="rounded-xl border border-dashed border-bench-line p-10 text-center text-bench-soft"
      >
        <p class="mb-1 text-base text-bench-ink">The shelf is empty</p>
        <p>Start a new plan, or drop a plan file anywhere on this window.</p>
      </div>

      <div v-if="cards && cards.length > 1" class="mb-4 flex flex-wrap items-center gap-2">
        <input
          v-model="query"
          type="search"
          class="field w-64! max-sm:w-full! max-sm:min-h-11"
          aria-label="Find a plan by name or tag"
          placeholder="Name or tag"
        />
        <PickField
          label="Order of the plans"
          layout="unseen"
          width="w-auto max-sm:min-h-11"
          :options="orders"
          :value="order"
          @pick="order = $event"
        />
        <button
          v-for="one in tags"
          :key="one"
          type="button"
          class="min-h-7 rounded-full border px-2.5 text-[12.5px] max-sm:min-h-11"
          :class="tag === one ? 'border-glow bg-bench-high' : 'border-bench-line text-bench-soft'"
          :aria-pressed="tag === one"
          @click="tag = tag === one ? undefined : one"
        >
          {{ one }}
        </button>
      </div>
      <p v-if="cards && cards.length > 0 && shown.length === 0" class="text-bench-soft">
        No plan with that name or tag.
        <button type="button" class="link-quiet min-h-6" @click="((query = ''), (tag = undefined))">
          Show all
        </button>
      </p>
      <section v-for="group in groups" :key="group.title" class="mb-6" :aria-label="group.title">
        <div v-if="group.isExample || groups.length > 1" class="mb-2 flex items-center gap-3">
          <h2 class="text-[14px] font-semibold">{{ group.title }}</h2>
          <button
            v-if="group.isExample"
            type="button"
            class="link-quiet min-h-6 text-[13px]"
            @click="removeExamples"
          >
            Remove all examples
          </button>
        </div>
        <ul class="grid gap-2.5">
          <PlanCard
            v-for="card in group.cards"
            :key="card.stored.id"
            v-bind="card"
            @rename="(name) => rename(card.stored, name)"
            @duplicate="duplicate(card.stored)"
            @export="exportStored(card.stored)"
            @delete="remove(card.stored)"
            @tags="(next) => setTags(card.stored, next)"
          />
        </ul>
      </section>
      <ListRest v-model="areCardsNear" :rows="cardsLeft" :row-px="130" />
      <BackupBar :own-plans="ownPlans" />

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
            <button class="button-quiet" @click="restore(plan.id)">Bring back</button>
          </li>
        </ul>
      </section>
    </div>
  </main>
</template>
