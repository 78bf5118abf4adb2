<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Step } from '../../core/build/step'
import { wireColours, type WireColour } from '../../core/plan/choices'
import type { Plan } from '../../core/plan/plan'
import { formatJotted, formatLength } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'
import { leadWithId, type SettableLead } from '../../core/route/lead-settings'
import type { Tally } from '../../core/tally'
import type { PlanWire } from '../../core/wire/wires'
import { wireTint } from '../../formats/svg-diagram'
import { usePlanStore } from '../stores/plan'

const { plan, step, wiring } = defineProps<{
  plan: Plan
  step: Step
  wiring: Tally['wiring']
}>()

const store = usePlanStore()
/** Wires that are listed; the Wire page has all. */
const most = 40
const wires = computed(() => wiring.wires.filter(({ name }) => step.about.includes(name)))
const problem = ref('')

function setColour(wire: PlanWire, event: Event): void {
  if (!(event.target instanceof HTMLSelectElement)) return
  const colour = event.target.value as WireColour
  const others = (plan.wiring.asBuilt ?? []).filter(
    ({ from, to }) => from !== wire.from.id || to !== wire.to.id,
  )
  const isAsPlanned = colour === plan.wiring.colours[wire.role]
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
  fusedLead === undefined ? undefined : leadWithId(plan, fusedLead)

function setLength(wire: PlanWire, event: Event): void {
  if (!(event.target instanceof HTMLInputElement)) return
  const text = event.target.value.trim()
  problem.value = ''
  const read = text === '' ? undefined : readLength(text)
  if (read?.ok === false || (read !== undefined && read.mm <= 0)) {
    problem.value = `“${text}”: a length such as ${formatJotted(480, plan.units)}`
    return
  }
  const lead = leadOf(wire)
  if (lead !== undefined)
    store.commit([lead.set({ lengthMm: read?.mm })], { label: `${wire.name} as cut` })
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
              <select
                class="field w-auto py-1"
                :aria-label="`Colour of ${wire.name} as it is`"
                :value="wire.colour"
                @change="setColour(wire, $event)"
              >
                <option v-for="colour in wireColours" :key="colour">{{ colour }}</option>
              </select>
            </span>
          </td>
          <td class="py-1.5 pr-3 text-right whitespace-nowrap">
            {{ formatLength(Math.round(wire.lengthMm), plan.units) }}
          </td>
          <td class="py-1.5">
            <input
              v-if="leadOf(wire)"
              v-shown="
                measuredMm(wire) === undefined
                  ? ''
                  : formatJotted(Math.round(measuredMm(wire) ?? 0), plan.units)
              "
              class="field w-24"
              inputmode="text"
              placeholder="as cut"
              :aria-label="`Length of ${wire.name} as it was cut`"
              @change="setLength(wire, $event)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="wires.length > most" class="text-[13px] text-bench-soft">
      and {{ wires.length - most }} more: the Wire page lists them all.
    </p>
    <p v-if="problem" class="mt-1 text-[14px] text-stop" role="alert">{{ problem }}</p>
  </div>
</template>
