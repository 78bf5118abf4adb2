<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { LinkPlan } from '../../../core/glow/link/lanes'
import type { BenchLink } from './bench-link'
import TickField from '../../ui/TickField.vue'

const { link, bench } = defineProps<{ link: LinkPlan; bench: BenchLink }>()

/** How often each input is read, ms. */
const everyMs = 400
const values = ref<readonly (number | undefined)[]>([])
const isOpen = computed(() => bench.status.value === 'open')
let isReading = false
async function readAll(): Promise<void> {
  if (isReading || !isOpen.value || document.hidden) return
  isReading = true
  try {
    const next: (number | undefined)[] = []
    for (const index of link.inputs.keys()) next.push(await bench.read(index))
    values.value = next
  } finally {
    isReading = false
  }
}
const isFollowed = ref(false)
const { pause, resume } = useIntervalFn(() => void readAll(), everyMs, { immediate: false })
watch([isFollowed, isOpen], ([follows, open]) => {
  if (follows && open) resume()
  else pause()
})
const percent = (value: number): string => String(Math.round((100 * value) / 65_535))
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3 text-[14px]"
    aria-label="Inputs"
  >
    <h2 class="text-[15px] font-semibold">Sensors and knobs</h2>
    <table class="mt-1 w-full text-left">
      <caption class="sr-only">
        What each input says
      </caption>
      <tbody>
        <tr v-for="(input, index) in link.inputs" :key="input.id">
          <th class="pr-4 font-normal">{{ input.name }}</th>
          <td class="w-24 text-right font-mono" :data-testid="`input-${input.id}`">
            {{ values[index] === undefined ? '–' : `${percent(values[index] ?? 0)} %` }}
          </td>
          <td class="w-1/2 pl-3">
            <div class="h-2 rounded-full bg-bench" aria-hidden="true">
              <div
                class="h-full rounded-full bg-glow"
                :style="{ width: `${percent(values[index] ?? 0)}%` }"
              ></div>
            </div>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="mt-2 flex flex-wrap items-center gap-3">
      <button class="button-quiet" :disabled="!isOpen" @click="readAll">Read them</button>
      <TickField
        label="keep reading"
        :is-on="isFollowed"
        :disabled="!isOpen"
        @set="isFollowed = $event"
      />
    </p>
  </section>
</template>
