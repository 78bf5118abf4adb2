<script setup lang="ts">
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { measuredStrip, type MeasuredStrip } from '../../core/build/as-measured'
import { pacesIn } from '../../core/build/progress'
import type { Step } from '../../core/build/step'
import { swapStrip } from '../../core/plan/swap-strip'
import { formatQuantity, plural, significant } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePart } from '../stores/use-parts'
import { kindNames } from './words'

const { steps } = defineProps<{ steps: readonly Step[] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const measured = usePart('measured')

/** Takes the strip as it was measured into the plan: everything else follows. */
function take(found: MeasuredStrip): void {
  store.commit(swapStrip(plan.value, found.strip.id, measuredStrip(found, `own-${nanoid(8)}`)), {
    label: 'the strip as measured',
  })
}

const paces = computed(() => {
  const used = new Map(plan.value.build.paces.map(({ kind, share }) => [kind, share]))
  return pacesIn(plan.value, steps).map((pace) => ({ ...pace, used: used.get(pace.kind) ?? 1 }))
})
const isNew = computed(() => paces.value.some(({ share, used }) => Math.abs(share - used) > 0.005))
function takePaces(): void {
  const kinds = new Set(paces.value.map(({ kind }) => kind))
  store.commit(
    [
      {
        do: 'set-build',
        build: {
          paces: [
            ...plan.value.build.paces.filter(({ kind }) => !kinds.has(kind)),
            ...paces.value.map(({ kind, share }) => ({ kind, share })),
          ],
        },
      },
    ],
    { label: 'my own minutes' },
  )
}
function forgetPaces(): void {
  store.commit([{ do: 'set-build', build: { paces: [] } }], { label: 'typical minutes' })
}
const nameOf = (what: string): string => (what === 'rail' ? 'rail, each' : what)
</script>

<template>
  <div class="grid gap-3 lg:grid-cols-2">
    <section
      v-for="found in measured ?? []"
      :key="found.strip.id"
      class="rounded-lg bg-bench-raised px-4 py-3"
      data-testid="as-measured"
    >
      <h2 class="font-semibold">As measured: {{ found.strip.name }}</h2>
      <table class="mt-1 text-[13px]">
        <thead class="text-left text-bench-soft">
          <tr>
            <th class="pr-5 font-normal">a pixel</th>
            <th class="pr-5 text-right font-normal">typical</th>
            <th class="pr-5 text-right font-normal">measured</th>
            <th class="font-normal">from</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="value in found.values" :key="value.what">
            <td class="pr-5">{{ nameOf(value.what) }}</td>
            <td class="pr-5 text-right text-bench-soft">
              {{ significant(value.typical) }} {{ value.unit }}
            </td>
            <td class="pr-5 text-right font-semibold">
              {{ significant(value.value) }} {{ value.unit }}
              <span v-if="value.error !== null" class="font-normal text-bench-soft"
                >± {{ significant(value.error, 2) }}</span
              >
            </td>
            <td class="text-bench-soft">{{ plural(value.count, 'reading') }}</td>
          </tr>
        </tbody>
      </table>
      <button class="button-quiet mt-2" @click="take(found)">Take into the plan</button>
    </section>
    <section v-if="paces.length > 0" class="rounded-lg bg-bench-raised px-4 py-3">
      <h2 class="font-semibold">Your minutes against typical ones</h2>
      <p class="mt-1 text-[13px] text-bench-soft">
        <template v-for="({ kind, share, count }, at) in paces" :key="kind"
          ><template v-if="at > 0"> · </template
          ><span class="whitespace-nowrap"
            >{{ kindNames[kind] }} <b class="text-bench-ink">{{ formatQuantity(share, '%') }}</b> of
            {{ count }}</span
          ></template
        >
      </p>
      <button v-if="isNew" class="button-quiet mt-2" @click="takePaces">
        Plan with my minutes
      </button>
      <button
        v-if="plan.build.paces.length > 0"
        class="button-quiet mt-2 ml-2"
        @click="forgetPaces"
      >
        Typical minutes again
      </button>
    </section>
  </div>
</template>
