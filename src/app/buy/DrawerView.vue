<script setup lang="ts">
import { Download, Plus, Trash2, Upload } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed, defineAsyncComponent, ref, useTemplateRef } from 'vue'
import type { Receipt } from '../../core/buy/receipt'
import { plural } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'
import { messageOf } from '../../core/quantity/message-of'
import { readDrawerText, writeDrawerFile } from '../../formats/drawer-file'
import { numberOf } from '../../formats/csv-read'
import { saveText } from '../shell/save-text'
import { offcutItem } from '../storage/db'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePlanParts } from '../stores/plan-parts'
import { useShelf } from '../stores/shelf'
import { itemWith, useDrawer, type DrawerEntry } from '../stores/use-drawer'
import NumberField from '../ui/NumberField.vue'
import { fileOf } from '../ui/field-text'
import { amountText } from './amount-text'

const { receipt } = defineProps<{ receipt: Receipt | undefined }>()
const plan = useOpenPlan()

const HaveUses = defineAsyncComponent(() => import('./HaveUses.vue'))
const BookDialog = defineAsyncComponent(() => import('./BookDialog.vue'))

const [store, shelf, notices] = [usePlanStore(), useShelf(), useNotices()]
const parts = usePlanParts()
const entries = useDrawer(() => plan.value)
const isTrying = ref(false)
const picker = useTemplateRef<HTMLInputElement>('picker')

const stripName = (id: string | undefined): string | undefined =>
  store.parts.strips.find((strip) => strip.id === id)?.name
const kinds = computed(() =>
  [
    {
      title: 'Offcuts of strip',
      own: entries.value.filter(({ offcutMm }) => offcutMm !== undefined),
    },
    {
      title: 'Wire and cable',
      own: entries.value.filter(({ offcutMm, unit }) => offcutMm === undefined && unit === 'm'),
    },
    {
      title: 'Parts',
      own: entries.value.filter(({ offcutMm, unit }) => offcutMm === undefined && unit !== 'm'),
    },
  ].filter(({ own }) => own.length > 0),
)
const nameOf = ({ name, part, offcutMm }: DrawerEntry): string =>
  offcutMm === undefined ? name : (stripName(part) ?? name)

/** What the plan needs or knows, to choose from by name. */
const known = computed(() => [
  ...store.parts.strips.map(({ id, name }) => ({ part: id, name, unit: 'mm' as const })),
  ...(receipt?.lines ?? [])
    .filter(({ group, part }) => group !== 'own' && stripName(part) === undefined)
    .map(({ id, name, unit }) => ({ part: id, name, unit })),
  ...parts.value.supplies.map(({ id, name }) => ({ part: id, name, unit: 'piece' as const })),
  ...parts.value.boards.map(({ id, name }) => ({ part: id, name, unit: 'piece' as const })),
])
const newName = ref('')
const newAmount = ref('')
const problem = ref('')
const match = computed(() => {
  const name = newName.value.trim().toLowerCase()
  return known.value.find((one) => one.name.toLowerCase() === name)
})
const amountHint = computed(() =>
  match.value?.unit === 'mm'
    ? 'its length, such as 1240'
    : match.value?.unit === 'm'
      ? 'metres, such as 3.5'
      : 'how many',
)
async function add(): Promise<void> {
  problem.value = ''
  const name = newName.value.trim()
  if (name === '') {
    problem.value = 'What is it? Choose from the list, or give it a name.'
    return
  }
  const { part, unit = 'piece' } = match.value ?? {}
  if (unit === 'mm' && part !== undefined) {
    const length = readLength(newAmount.value)
    if (!length.ok || length.mm <= 0) {
      problem.value = `“${newAmount.value}” is no length of strip: 1240, 1.24 m or 4' 1" are.`
      return
    }
    await shelf.putInDrawer([offcutItem(nanoid(8), { id: part, name }, length.mm)])
  } else {
    const amount = numberOf(newAmount.value === '' ? '1' : newAmount.value)
    if (amount === undefined || amount <= 0 || amount > 1_000_000) {
      problem.value = `“${newAmount.value}” is no number above 0.`
      return
    }
    await shelf.putInDrawer([
      {
        id: nanoid(8),
        name: name.slice(0, 120),
        unit,
        amount,
        ...(part !== undefined && { part }),
      },
    ])
  }
  newName.value = ''
  newAmount.value = ''
}
async function recount(entry: DrawerEntry, amount: number): Promise<void> {
  if (amount === 0) await shelf.takeOutOfDrawer([entry.id])
  else await shelf.putInDrawer([itemWith(entry, amount)])
}
async function remove(entry: DrawerEntry): Promise<void> {
  await shelf.takeOutOfDrawer([entry.id])
  notices.show({
    kind: 'done',
    text: `${entry.name} is out of the drawer.`,
    actions: [
      {
        label: 'Put it back',
        run: () => {
          void shelf.putInDrawer([itemWith(entry, entry.amount)])
        },
      },
    ],
  })
}

const saveDrawer = (): void => {
  const items = (shelf.drawer ?? []).map(({ part, name, unit, amount }) => ({
    ...(part !== undefined && { part }),
    name,
    unit,
    amount,
  }))
  saveText('drawer.json', writeDrawerFile(items), 'application/json')
}
async function readFile(event: Event): Promise<void> {
  const file = fileOf(event)
  if (file === undefined) return
  try {
    const read = readDrawerText(await file.text())
    if (!read.ok) {
      notices.show({
        kind: 'problem',
        text: `“${file.name}” was not read: the drawer has not changed.`,
        details: read.problems.slice(0, 12),
      })
      return
    }
    await shelf.putInDrawer(read.items.map((item) => ({ ...item, id: nanoid(8) })))
    notices.show({
      kind: 'done',
      text: `${plural(read.items.length, 'thing')} from “${file.name}” ${read.items.length === 1 ? 'is' : 'are'} in the drawer.`,
    })
  } catch (error) {
    notices.show({ kind: 'problem', text: `“${file.name}” was not read: ${messageOf(error)}` })
  }
}

const isBooking = ref(false)
</script>

<template>
  <div class="flex flex-wrap items-center gap-2">
    <p class="text-[13px] text-bench-soft">
      What you have, for all your plans. A plan takes what it can use from the bill.
    </p>
    <div class="ml-auto flex flex-wrap gap-2">
      <button class="button-quiet" @click="picker?.click()"><Upload :size="14" /> Read</button>
      <button class="button-quiet" :disabled="entries.length === 0" @click="saveDrawer">
        <Download :size="14" /> Save
      </button>
      <button class="button-quiet" :disabled="entries.length === 0" @click="isTrying = !isTrying">
        With what I have
      </button>
      <button v-if="plan.buy.isBooked !== true" class="button-quiet" @click="isBooking = true">
        It is built …
      </button>
      <span v-else class="self-center text-[13px] text-ok">built and settled</span>
    </div>
    <input
      ref="picker"
      type="file"
      accept=".json,.csv,.txt"
      class="hidden"
      aria-label="Drawer file"
      @change="readFile"
    />
  </div>
  <HaveUses v-if="isTrying" :entries="entries" @close="isTrying = false" />
  <form class="flex flex-wrap items-end gap-2" novalidate @submit.prevent="add">
    <label class="min-w-0 grow text-[12.5px] text-bench-soft">
      What
      <input
        v-model="newName"
        class="field mt-0.5"
        list="known-things"
        maxlength="120"
        placeholder="choose a strip, wire or part, or name your own"
      />
      <datalist id="known-things">
        <option v-for="one in known" :key="one.part" :value="one.name" />
      </datalist>
    </label>
    <label class="w-48 text-[12.5px] text-bench-soft">
      {{ amountHint }}
      <input v-model="newAmount" class="field mt-0.5" />
    </label>
    <button class="button-main" type="submit"><Plus :size="15" /> Put in</button>
  </form>
  <p v-if="problem" class="text-[13px] text-stop" role="alert">{{ problem }}</p>
  <div
    class="min-h-0 flex-1 overflow-y-auto rounded-lg bg-bench-raised px-4 py-3"
    tabindex="0"
    role="group"
    aria-label="The drawer"
  >
    <p
      v-if="entries.length === 0"
      class="grid h-full place-items-center text-center text-bench-soft"
    >
      The drawer is empty. Put in what lies around: offcuts of strip with their length, wire by the
      metre, supplies, boards.
    </p>
    <section v-for="{ title, own } in kinds" :key="title" class="mb-4">
      <h2 class="mb-1 font-semibold">{{ title }}</h2>
      <div
        v-for="entry in own"
        :key="entry.id"
        class="flex items-center gap-3 border-b border-bench-line py-1 text-[13px]"
      >
        <span class="min-w-0 flex-1">
          {{ nameOf(entry) }}
          <span v-if="entry.takenHere > 0 && plan.buy.isBooked !== true" class="text-ok">
            · this plan takes {{ amountText({ ...entry, amount: entry.takenHere }, plan.units) }}
          </span>
          <span v-if="entry.free < entry.amount - 1e-6" class="text-warning">
            · another plan takes
            {{ amountText({ ...entry, amount: entry.amount - entry.free }, plan.units) }}
          </span>
        </span>
        <span v-if="entry.offcutMm !== undefined" class="w-32 text-right">
          {{ amountText(entry, plan.units) }}
        </span>
        <NumberField
          v-else
          class="w-32"
          :label="`How much: ${entry.name}`"
          layout="unseen"
          width="ml-auto w-20 text-right"
          :value="entry.amount"
          :least="0"
          :most="1_000_000"
          @set="recount(entry, $event)"
        >
          <span class="w-6 text-bench-soft">{{ entry.unit === 'm' ? 'm' : '' }}</span>
        </NumberField>
        <button
          class="button-quiet px-2"
          :aria-label="`Out of the drawer: ${nameOf(entry)}`"
          @click="remove(entry)"
        >
          <Trash2 :size="14" />
        </button>
      </div>
    </section>
  </div>
  <BookDialog v-if="isBooking" @close="isBooking = false" />
</template>
