<script setup lang="ts">
import { computed } from 'vue'
import { gaugesFor } from '../../core/parts/wires'
import { wireColours, wireRoles, type WireColour, type WireRole } from '../../core/plan/choices'
import { workingText } from '../../core/quantity/figure'
import { formatLength, formatQuantity, formatSold, plural } from '../../core/quantity/format'
import { bareTexts, sleeveText } from '../../core/wire/ends-text'
import type { Tally } from '../../core/tally'
import { cableGroups, wireGroups } from '../../core/wire/spools'
import { blocksById, placeText } from '../../formats/csv-wires'
import { wireTint } from '../../formats/svg-diagram'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import type { WireChoice } from './wire-choice'
import { byName, named } from '../ui/option'
import PickField from '../ui/PickField.vue'
import NothingYet from '../shell/NothingYet.vue'

const { wiring, lit } = defineProps<{
  wiring: Tally['wiring']
  lit: ReadonlySet<string>
}>()
const emit = defineEmits<{ choose: [choice: WireChoice] }>()
const plan = useOpenPlan()

const store = usePlanStore()
/** Rows of one group that are shown; the files have all. */
const mostRows = 200
const blocks = computed(() => blocksById(wiring))
const groups = computed(() => wireGroups(wiring.wires, plan.value.buy))
/** Single wires by gauge and colour, then cables: each with what to buy. */
const tables = computed(() => [
  ...groups.value.map((group) => ({
    key: `${group.gauge.id} ${group.colour}`,
    tint: wireTint[group.colour],
    title: `${group.gauge.name} ${group.colour}`,
    detail: `${plural(group.wires.length, 'wire')}, ${formatQuantity(group.totalMm / 1000, 'm', plan.value.units)} · buy ${spoolText(group)}`,
    spools: group.wires.length > 1 ? group.spools.slice(0, 6) : [],
    wires: group.wires,
  })),
  ...cableGroups(wiring).map(({ cable, wires }) => ({
    key: cable.name,
    tint: undefined,
    title: `Cable ${cable.name}`,
    detail: `${plural(cable.cores, 'core')}, ${formatQuantity(cable.lengthMm / 1000, 'm', plan.value.units)}`,
    spools: [],
    wires,
  })),
])

function setColour(role: WireRole, colour: WireColour): void {
  store.commit(
    [{ do: 'set-wiring', wiring: { colours: { ...plan.value.wiring.colours, [role]: colour } } }],
    { label: `colour of ${role}` },
  )
}
const gauges = computed(() => byName(gaugesFor(plan.value.units)))
const setDataWire = (dataWire: string): void => {
  store.commit([{ do: 'set-wiring', wiring: { dataWire } }], { label: 'gauge of data wires' })
}
const spoolText = ({ spools }: (typeof groups.value)[number]): string => {
  const byLength = new Map<number, number>()
  for (const { lengthM } of spools) byLength.set(lengthM, (byLength.get(lengthM) ?? 0) + 1)
  return [...byLength]
    .map(([metres, count]) => `${String(count)} × ${formatSold(metres, plan.value.units)}`)
    .join(' and ')
}
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-2">
    <div class="flex flex-wrap items-end gap-x-4 gap-y-1.5 text-[12px] text-bench-soft">
      <span v-for="role in wireRoles" :key="role" class="flex items-center gap-1.5">
        <span
          class="h-2.5 w-4 rounded-sm border border-bench-soft"
          :style="{ background: wireTint[plan.wiring.colours[role]] }"
        />
        <PickField
          :label="role"
          layout="beside"
          :options="named(wireColours)"
          :value="plan.wiring.colours[role]"
          @pick="setColour(role, $event)"
        />
      </span>
      <PickField
        label="data wire"
        layout="beside"
        :options="gauges"
        :value="plan.wiring.dataWire"
        @pick="setDataWire"
      />
    </div>
    <div
      class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised px-3.5 py-2"
      tabindex="0"
      role="group"
      aria-label="Wires"
    >
      <NothingYet v-if="tables.length === 0" what="No wires yet" />
      <table
        v-for="group in tables"
        :key="group.key"
        class="mb-3 w-full table-fixed text-left text-[12.5px]"
      >
        <caption class="pb-1 text-left">
          <span class="inline-flex items-center gap-2 font-semibold">
            <span
              class="h-2.5 w-5 rounded-sm border border-bench-soft"
              :style="{ background: group.tint }"
            />
            {{ group.title }}
          </span>
          <span class="ml-2 text-bench-soft">
            {{ group.detail }}
          </span>
          <span
            v-for="(spool, index) in group.spools"
            :key="index"
            class="block text-[12px] text-bench-soft"
          >
            from {{ formatSold(spool.lengthM, plan.units) }} cut
            {{
              spool.cuts
                .slice(0, 24)
                .map(({ name }) => name)
                .join(' ')
            }}, {{ formatQuantity(spool.leftMm / 1000, 'm', plan.units) }} left
          </span>
        </caption>
        <colgroup>
          <col class="w-12" />
          <col />
          <col />
          <col class="w-[88px]" />
          <col class="w-[140px] max-lg:hidden" />
          <col class="w-[176px] max-lg:hidden" />
        </colgroup>
        <thead class="sr-only">
          <tr>
            <th>wire</th>
            <th>from</th>
            <th>to</th>
            <th>length</th>
            <th>why</th>
            <th>ends</th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="wire in group.wires.slice(0, mostRows)"
            :key="wire.name"
            class="cursor-pointer border-t border-bench-line hover:bg-bench-high"
            :class="lit.has(wire.name) && 'bg-bench-high'"
            :data-wire-row="wire.name"
            @click="emit('choose', { kind: 'wire', name: wire.name })"
          >
            <td class="w-12 py-1">
              <button
                class="font-semibold"
                :class="lit.has(wire.name) && 'text-glow'"
                :aria-pressed="lit.has(wire.name)"
              >
                {{ wire.name }}
              </button>
            </td>
            <td class="truncate py-1 pr-2">{{ placeText(blocks, wire.from) }}</td>
            <td class="truncate py-1 pr-2">{{ placeText(blocks, wire.to) }}</td>
            <td class="w-[88px] py-1 pr-3 text-right font-semibold whitespace-nowrap">
              {{ formatLength(wire.lengthMm, plan.units) }}
            </td>
            <td
              class="w-[140px] truncate py-1 pr-2 text-bench-soft max-lg:hidden"
              :title="wire.rule"
            >
              {{ workingText(wire.working, plan.units) }}
            </td>
            <td class="w-[196px] py-1 whitespace-nowrap text-bench-soft max-lg:hidden">
              bare {{ bareTexts(wire, plan.units).join(', ') }}
              {{ wire.sleeveMm === null ? '' : `· sleeve ${sleeveText(wire, plan.units)}` }}
            </td>
          </tr>
          <tr v-if="group.wires.length > mostRows" class="border-t border-bench-line">
            <td colspan="6" class="py-1 text-bench-soft">
              and {{ group.wires.length - mostRows }} shorter ones: Save, Wires as CSV has all
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>
