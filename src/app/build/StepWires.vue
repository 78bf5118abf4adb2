<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from '../../core/build/step'
import { wireColours, type WireColour } from '../../core/plan/choices'
import { formatLength } from '../../core/quantity/format'
import { leadWithId, type SettableLead } from '../../core/route/lead-settings'
import type { Tally } from '../../core/tally'
import type { PlanWire } from '../../core/wire/wires'
import { wireTint } from '../../formats/svg-diagram'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import { named } from '../ui/option'
import PickField from '../ui/PickField.vue'

const { step, wiring } = defineProps<{
  step: Step
  wiring: Tally['wiring']
}>()
const plan = useOpenPlan()

const store = usePlanStore()
/** Wires that are listed; the Wire page has all. */
const most = 40
const wires = computed(() => wiring.wires.filter(({ name }) => step.about.includes(name)))

function setColour(wire: PlanWire, colour: WireColour): void {
  const others = (plan.value.wiring.asBuilt ?? []).filter(
    ({ from, to }) => from !== wire.from.id || to !== wire.to.id,
  )
  const isAsPlanned = colour === plan.value.wiring.colours[wire.role]
  store.commit(
    [
      {
        do: 'set-wiring',
        wiring: {
          asBuilt: isAsPlanned
            ? others
            : [...others, { from: wire.from.id, to: wire.to.id, colour }],
        },
      },
    ],
    { label: `${wire.name} is ${colour}` },
  )
}

const leadOf = ({ fusedLead }: PlanWire): SettableLead | undefined =>
  fusedLead === undefined ? undefined : leadWithId(plan.value, fusedLead)

function setLength(wire: PlanWire, lengthMm: number | undefined): void {
  const lead = leadOf(wire)
  if (lead !== undefined) store.commit([lead.set({ lengthMm })], { label: `${wire.name} as cut` })
}
const measuredMm = (wire: PlanWire): number | undefined => leadOf(wire)?.settings.lengthMm
</script>

<template>
  <div>
    <table class="w-full max-w-[34rem] text-[15px]">
      <thead class="sr-only">
        <tr>
          <th>Wire</th>
          <th>Colour</th>
          <th>Length in the plan</th>
          <th>As cut</th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="wire in wires.slice(0, most)"
          :key="wire.name"
          class="border-b border-bench-line last:border-0"
        >
          <td class="py-1.5 pr-3 whitespace-nowrap">
            <b>{{ wire.name }}</b> <span class="text-bench-soft">{{ wire.role }}</span>
          </td>
          <td class="py-1.5 pr-3">
            <span class="flex items-center gap-1.5">
              <span
                class="h-3 w-6 shrink-0 rounded-sm border border-bench-soft"
                :style="{ background: wireTint[wire.colour] }"
                aria-hidden="true"
              ></span>
              <PickField
                :label="`Colour of ${wire.name} as it is`"
                layout="unseen"
                :options="named(wireColours)"
                :value="wire.colour"
                @pick="setColour(wire, $event)"
              />
            </span>
          </td>
          <td class="py-1.5 pr-3 text-right whitespace-nowrap">
            {{ formatLength(Math.round(wire.lengthMm), plan.units) }}
          </td>
          <td class="py-1.5">
            <LengthField
              v-if="leadOf(wire)"
              :label="`Length of ${wire.name} as it was cut`"
              layout="unseen"
              width="w-24"
              :mm="measuredMm(wire)"
              :least="1"
              :most="1_000_000"
              :units="plan.units"
              placeholder="as cut"
              @set="setLength(wire, $event)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="wires.length > most" class="text-[13px] text-bench-soft">
      and {{ wires.length - most }} more: the Wire page lists them all.
    </p>
  </div>
</template>
