<script setup lang="ts">
import { Check } from '@lucide/vue'
import { computed } from 'vue'
import { diodes } from '../../core/parts/diodes'
import { supplyOfLine } from '../../core/plan/supply-of'
import { fixed, formatQuantity } from '../../core/quantity/format'
import { goodMarginV } from '../../core/signal/level'
import type { LevelWay } from '../../core/signal/levels'
import type { TallySignal } from '../../core/signal/tally-signal'
import { usePrice } from '../shell/price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import type { Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import LevelGauge from './LevelGauge.vue'

const { signal } = defineProps<{ signal: TallySignal }>()
const plan = useOpenPlan()

const store = usePlanStore()
const price = usePrice()

/** The lane whose first pixel has the least margin. */
const worst = computed(
  () =>
    signal.lanes
      .flatMap(({ name, level }) => (level === null ? [] : [{ name, level }]))
      .toSorted((a, b) => a.level.marginV - b.level.marginV)[0],
)
const words = { fail: 'too low', marginal: 'thin', good: 'good' } as const
const tones = { fail: 'text-stop', marginal: 'text-warning', good: 'text-ok' } as const
const margin = (volts: number | null): string =>
  volts === null ? '–' : `${volts < 0 ? '−' : '+'}${fixed(Math.abs(volts), 2)} V`
const toneOf = (volts: number | null): string =>
  volts === null
    ? 'text-bench-soft'
    : volts < 0
      ? 'text-stop'
      : volts < goodMarginV
        ? 'text-warning'
        : 'text-ok'

const costText = ({ marginV, cost }: LevelWay): string => (marginV === null ? '' : price(cost))
const butText = ({ drawback, hops }: LevelWay): string =>
  hops.length > 1
    ? `${hops.map((hop) => margin(hop.marginV)).join(' and ')}; ${drawback}`
    : drawback

function take(way: LevelWay): void {
  store.commit(way.commands, { label: way.name })
}
/** What was built is taken away again. */
function drop(way: LevelWay): void {
  const [lane] = signal.lanes
  const [first] = lane?.runs ?? []
  const supply = supplyOfLine(
    plan.value,
    plan.value.lines.find(({ id }) => id === first?.id),
  )
  store.commit(
    way.id === 'shorter-lead'
      ? [{ do: 'set-signal', signal: { boardFrom: 'supply' } }]
      : way.id === 'lower-supply'
        ? [{ do: 'trim-supply', supply, volts: undefined }]
        : [{ do: 'set-signal', signal: { fix: 'none' } }],
    { label: `without ${way.name}` },
  )
}
const resistors: readonly Option<number | null>[] = [
  ...[220, 330, 390, 470].map((value) => ({ value, label: formatQuantity(value, 'Ω') })),
  { value: null, label: 'no resistor' },
]
const setResistor = (resistorOhm: number | null): void => {
  store.commit([{ do: 'set-signal', signal: { resistorOhm } }], { label: 'data resistor' })
}
const diodeOptions = diodes.map(({ id, name, dropV }) => ({
  value: id,
  label: `${name}, ${formatQuantity(dropV, 'V')}`,
}))
const setDiode = (diode: string): void => {
  store.commit([{ do: 'set-signal', signal: { diode } }], { label: 'diode' })
}
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Level"
  >
    <div class="flex flex-wrap items-center gap-x-6 gap-y-1">
      <h2 class="font-semibold">
        Level<br />
        <span
          v-if="worst"
          class="text-[17px]"
          :class="tones[worst.level.grade]"
          data-testid="level-word"
          >{{ words[worst.level.grade] }}</span
        >
      </h2>
      <template v-if="worst">
        <div v-for="hop in worst.level.hops" :key="hop.name">
          <p class="text-[12px] text-bench-soft">
            {{ worst.name }}, {{ hop.name
            }}<template v-if="Math.abs(hop.riseV) > 0.0005">
              · ground offset {{ formatQuantity(hop.riseV, 'V') }}</template
            >
          </p>
          <LevelGauge :hop="hop" />
        </div>
        <p class="text-[12px] text-bench-soft">
          while dark<br />
          <span class="text-[13px] font-semibold" :class="toneOf(worst.level.darkMarginV)">{{
            margin(worst.level.darkMarginV)
          }}</span>
        </p>
      </template>
      <p v-else class="text-[12.5px] text-bench-soft">
        No first pixel is fed yet: give the first run of a lane a lead.
      </p>
      <PickField
        class="ml-auto text-[12px] text-bench-soft"
        label="In each data line"
        :options="resistors"
        :value="plan.signal.resistorOhm"
        @pick="setResistor"
      />
      <PickField
        v-if="plan.signal.fix === 'diode'"
        class="text-[12px] text-bench-soft"
        label="Diode"
        :options="diodeOptions"
        :value="plan.signal.diode"
        @pick="setDiode"
      />
    </div>
    <table
      v-if="signal.ways.length > 0"
      class="mt-1.5 w-full table-fixed text-left text-[12.5px]"
      aria-label="Ways of getting the level right"
    >
      <thead class="text-[12px] text-bench-soft">
        <tr>
          <th class="pb-1 font-normal sm:w-[236px]">Possible fixes</th>
          <th class="w-[62px] pb-1 text-right font-normal">lit</th>
          <th class="w-[62px] pb-1 text-right font-normal">dark</th>
          <th class="w-[52px] pb-1 text-right font-normal max-sm:hidden">costs</th>
          <th class="w-[84px] pb-1"><span class="sr-only">Take it</span></th>
          <th class="pb-1 font-normal max-sm:hidden">but</th>
        </tr>
      </thead>
      <tbody>
        <template v-for="way in signal.ways" :key="way.id">
          <tr class="border-t border-bench-line" :data-way="way.id">
            <td class="py-1 pr-2 font-semibold">{{ way.name }}</td>
            <td class="py-1 text-right whitespace-nowrap" :class="toneOf(way.marginV)">
              {{ margin(way.marginV) }}
            </td>
            <td class="py-1 text-right whitespace-nowrap" :class="toneOf(way.darkMarginV)">
              {{ margin(way.darkMarginV) }}
            </td>
            <td class="py-1 text-right max-sm:hidden">
              {{ costText(way) }}
            </td>
            <td class="py-1 text-center">
              <button
                v-if="way.isBuilt && way.id !== '5v-board'"
                class="link-quiet"
                :aria-label="`Take away: ${way.name}`"
                @click="drop(way)"
              >
                take away
              </button>
              <span v-else-if="way.isBuilt" class="inline-flex items-center gap-1 text-ok"
                ><Check :size="13" /> built</span
              >
              <button
                v-else-if="way.commands.length > 0"
                class="to-press rounded border border-bench-line px-2.5 py-px text-[12.5px] hover:bg-bench-high"
                :aria-label="`Take: ${way.name}`"
                @click="take(way)"
              >
                take
              </button>
            </td>
            <td class="py-1 text-[12px] leading-4 text-bench-soft max-sm:hidden">
              {{ butText(way) }}
            </td>
          </tr>
          <tr class="sm:hidden">
            <td colspan="4" class="pb-1.5 text-[12px] leading-4 text-bench-soft">
              {{ [costText(way), butText(way)].filter((text) => text !== '').join(' · ') }}
            </td>
          </tr>
        </template>
      </tbody>
    </table>
  </section>
</template>
