<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import type { PackedBox, PlacedItem, PlanBoxes } from '../../core/buy/boxes'
import { boxParts, warmAirMm } from '../../core/parts/sizes'
import type { PlanBox } from '../../core/plan/plan'
import { fewNames } from '../../core/quantity/few-names'
import { formatLength } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import { byName, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import TextField from '../ui/TextField.vue'
import TickField from '../ui/TickField.vue'

const { boxes } = defineProps<{ boxes: PlanBoxes }>()
const plan = useOpenPlan()

const store = usePlanStore()
const length = (mm: number): string => formatLength(mm, plan.value.units)
const own = computed(() => plan.value.buy.boxes ?? [])
function put(next: readonly PlanBox[], label: string): void {
  store.commit([{ do: 'set-buy', buy: { boxes: [...next] } }], { label })
}
function set(id: string, change: Partial<PlanBox>, label: string): void {
  put(
    own.value.map((box) => (box.id === id ? { ...box, ...change } : box)),
    label,
  )
}

/** What can hide, by its id: what comes with it is told beside it. */
const things = computed(() => {
  const names = new Map<string, string[]>()
  for (const { of, name } of boxes.items) names.set(of, [...(names.get(of) ?? []), name])
  return [...names].map(([id, [first = '', ...rest]]) => ({
    id,
    name: rest.length < 2 ? [first, ...rest].join(' and ') : `${first} and what sits in its leads`,
  }))
})
const elsewhere = (box: string, thing: string): PlanBox | undefined =>
  own.value.find(({ id, holds }) => id !== box && holds.includes(thing))

function add(): void {
  const taken = new Set(own.value.flatMap(({ holds }) => holds))
  const holds = things.value.map(({ id }) => id).filter((id) => !taken.has(id))
  const number = own.value.length + 1
  const [{ lengthMm, widthMm, tallMm } = { lengthMm: 155, widthMm: 110, tallMm: 70 }] =
    boxParts.slice(2)
  const box: PlanBox = {
    id: nanoid(8),
    name: number === 1 ? 'Box' : `Box ${String(number)}`,
    lengthMm,
    widthMm,
    tallMm,
    holds,
  }
  put([...own.value, box], 'add a box')
}
function hold(box: PlanBox, thing: string): void {
  const isIn = box.holds.includes(thing)
  put(
    own.value.map((one) =>
      one.id === box.id && !isIn
        ? { ...one, holds: [...one.holds, thing] }
        : { ...one, holds: one.holds.filter((id) => id !== thing) },
    ),
    `what hides in ${box.name}`,
  )
}
const sides = [
  { key: 'lengthMm', label: 'Length inside' },
  { key: 'widthMm', label: 'Width inside' },
  { key: 'tallMm', label: 'Height inside' },
] as const
const soldOptions: readonly Option<string | undefined>[] = [
  { value: undefined, label: 'another size, below' },
  ...byName(boxParts),
]
function take(box: PlanBox, id: string | undefined): void {
  const part = boxParts.find((one) => one.id === id)
  if (part === undefined) return
  const { lengthMm, widthMm, tallMm } = part
  set(box.id, { lengthMm, widthMm, tallMm }, `size of ${box.name}`)
}
const partOf = (box: PlanBox): string | undefined =>
  boxParts.find(
    ({ lengthMm, widthMm, tallMm }) =>
      lengthMm === box.lengthMm && widthMm === box.widthMm && tallMm === box.tallMm,
  )?.id
const across = (one: PlacedItem): [number, number] =>
  one.isTurned ? [one.widthMm, one.lengthMm] : [one.lengthMm, one.widthMm]
const itemText = (one: PlacedItem): string =>
  `${one.name}: ${length(one.lengthMm)} × ${length(one.widthMm)} × ${length(one.tallMm)}`
const pictureText = ({ placed }: PackedBox): string =>
  placed.length === 0 ? 'Nothing stands in it' : placed.map(itemText).join('; ')
</script>

<template>
  <section class="mb-6" aria-label="Boxes">
    <h2 class="mb-1 flex flex-wrap items-center gap-x-3 gap-y-1 font-semibold">
      Boxes
      <span class="font-normal text-bench-soft">
        for what hides: sizes of supplies and boards are typical, with {{ length(warmAirMm) }} of
        air round a supply
      </span>
    </h2>
    <article
      v-for="packed in boxes.boxes"
      :key="packed.box.id"
      class="mb-4 grid gap-x-6 gap-y-3 rounded-lg border border-bench-line p-3 lg:grid-cols-[minmax(0,20rem)_minmax(0,1fr)]"
      :data-box="packed.box.name"
    >
      <div class="flex min-w-0 flex-col gap-2">
        <div class="flex items-end gap-2">
          <TextField
            class="min-w-0 flex-1 text-bench-soft"
            label="Name"
            :value="packed.box.name"
            :most="60"
            is-required
            @set="(name) => set(packed.box.id, { name }, 'name of a box')"
          />
          <button
            class="button-quiet"
            :aria-label="`Remove ${packed.box.name}`"
            @click="
              put(
                own.filter(({ id }) => id !== packed.box.id),
                `remove ${packed.box.name}`,
              )
            "
          >
            <Trash2 :size="15" />
          </button>
        </div>
        <PickField
          class="text-bench-soft"
          label="As sold"
          width="w-full"
          :options="soldOptions"
          :value="partOf(packed.box)"
          @pick="take(packed.box, $event)"
        />
        <div class="grid grid-cols-3 gap-2">
          <LengthField
            v-for="{ key, label } in sides"
            :key="key"
            class="text-bench-soft"
            :label="label"
            :mm="packed.box[key]"
            :least="10"
            :most="5_000"
            :units="plan.units"
            is-required
            @set="(mm) => set(packed.box.id, { [key]: mm }, `size of ${packed.box.name}`)"
          />
        </div>
        <fieldset class="flex flex-wrap gap-x-4">
          <legend class="text-bench-soft">What hides in it</legend>
          <TickField
            v-for="thing in things"
            :key="thing.id"
            class="finger"
            :label="thing.name"
            :is-on="packed.box.holds.includes(thing.id)"
            @set="hold(packed.box, thing.id)"
          >
            {{ thing.name }}
            <span v-if="elsewhere(packed.box.id, thing.id)" class="text-bench-soft">
              · now in {{ elsewhere(packed.box.id, thing.id)?.name }}
            </span>
          </TickField>
        </fieldset>
      </div>
      <div class="min-w-0">
        <p
          role="status"
          :class="packed.lacking.length > 0 ? 'text-warning' : 'text-ok'"
          data-testid="box-fit"
        >
          <template v-if="packed.lacking.length > 0">
            No room for {{ fewNames(packed.lacking.map(({ name }) => name)) }}.
            <template v-if="packed.fitting"> The {{ packed.fitting.name }} holds all. </template>
            <template v-else> No box that is sold holds all of it: use two. </template>
          </template>
          <template v-else-if="packed.placed.length === 0">Nothing hides in it yet.</template>
          <template v-else>All of it fits, with air round what gets warm.</template>
        </p>
        <svg
          class="mt-2 max-h-56 w-full max-w-md rounded bg-bench-line"
          :viewBox="`0 0 ${packed.box.lengthMm} ${packed.box.widthMm}`"
          role="img"
          :aria-label="pictureText(packed)"
        >
          <g v-for="(item, index) in packed.placed" :key="index">
            <rect
              v-if="item.airMm >= warmAirMm"
              :x="item.x - item.airMm"
              :y="item.y - item.airMm"
              :width="across(item)[0] + 2 * item.airMm"
              :height="across(item)[1] + 2 * item.airMm"
              class="fill-glow/15"
            />
            <rect
              :x="item.x"
              :y="item.y"
              :width="across(item)[0]"
              :height="across(item)[1]"
              class="fill-pad stroke-bench"
              :stroke-width="packed.box.lengthMm / 250"
            />
            <text
              :x="item.x + across(item)[0] / 2"
              :y="item.y + across(item)[1] / 2"
              text-anchor="middle"
              dominant-baseline="middle"
              class="fill-paper-ink"
              :font-size="packed.box.lengthMm / 14"
            >
              {{ index + 1 }}
            </text>
          </g>
        </svg>
        <ol v-if="packed.placed.length > 0" class="mt-1 list-decimal pl-5 text-bench-soft">
          <li v-for="(item, index) in packed.placed" :key="index">{{ itemText(item) }}</li>
        </ol>
        <table v-if="packed.holes.length > 0" class="mt-3 w-full text-left">
          <caption class="text-left text-bench-soft">
            Holes to drill, on the side where the wires go
          </caption>
          <thead class="text-bench-soft">
            <tr>
              <th class="pr-4 font-normal">Hole</th>
              <th class="pr-4 font-normal">With a gland</th>
              <th class="pr-4 font-normal">Side</th>
              <th class="pr-4 font-normal">For</th>
              <th class="font-normal">Wires</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(hole, index) in packed.holes" :key="index">
              <td class="pr-4 font-semibold whitespace-nowrap">{{ length(hole.diameterMm) }}</td>
              <td class="pr-4 whitespace-nowrap">{{ length(hole.glandMm) }}</td>
              <td class="pr-4">{{ hole.side }}</td>
              <td class="pr-4">{{ hole.to }}</td>
              <td>{{ hole.wires.join(', ') }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </article>
    <button class="button-quiet" :disabled="things.length === 0" @click="add">
      <Plus :size="15" /> Add a box
    </button>
    <p v-if="things.length === 0" class="mt-1 text-bench-soft">
      Nothing of this plan hides in a box: its supply sits in a socket, and there is no board.
    </p>
  </section>
</template>
