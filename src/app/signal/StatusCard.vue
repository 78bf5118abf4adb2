<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import type { StatusColour } from '../../core/plan/plan'
import { alikePairs, safeColours, seenAs, visions } from '../../core/signal/status'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import TextField from '../ui/TextField.vue'
import TintField from '../ui/TintField.vue'

const plan = useOpenPlan()

const store = usePlanStore()
const status = computed(() => plan.value.signal.status)
const alike = computed(
  () => new Set(alikePairs(status.value).flatMap(({ one, other }) => [one.id, other.id])),
)
function commit(next: readonly StatusColour[], label: string): void {
  store.commit([{ do: 'set-signal', signal: { status: [...next] } }], {
    label,
    key: `status.${label}`,
  })
}
function add(): void {
  const colour = safeColours[status.value.length % safeColours.length] ?? '#ffffff'
  const meaning = `state ${String(status.value.length + 1)}`
  commit([...status.value, { id: nanoid(6), meaning, colour }], 'a status colour')
}
function change(one: StatusColour, set: Partial<StatusColour>): void {
  commit(
    status.value.map((other) => (other.id === one.id ? { ...other, ...set } : other)),
    `status “${one.meaning}”`,
  )
}
const eyes = {
  normal: 'most',
  protan: 'no red cones',
  deutan: 'no green',
  tritan: 'no blue',
} as const
</script>

<template>
  <section
    class="rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Status light"
  >
    <div class="flex items-baseline gap-3">
      <h2 class="font-semibold">Status light</h2>
      <button class="button-quiet ml-auto" :disabled="status.length >= 12" @click="add">
        <Plus :size="13" /> colour
      </button>
    </div>
    <p v-if="status.length === 0" class="text-[12.5px] text-bench-soft">
      A light of three colours on pins of its own: say what each colour means, and see who can tell
      them apart.
    </p>
    <table v-else class="mt-1 w-full text-left text-[12.5px]">
      <thead class="text-[12px] text-bench-soft">
        <tr>
          <th class="py-1 font-normal">Means</th>
          <th class="py-1 font-normal">Colour</th>
          <th v-for="vision in visions" :key="vision" class="py-1 font-normal">
            {{ eyes[vision] }}
          </th>
          <th class="py-1"><span class="sr-only">Alike, remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in status" :key="one.id" class="border-t border-bench-line">
          <td class="py-1 pr-2">
            <TextField
              :label="`Meaning of ${one.colour}`"
              layout="unseen"
              width="max-w-56"
              :value="one.meaning"
              :most="60"
              is-required
              @set="(meaning) => change(one, { meaning })"
            />
          </td>
          <td class="py-1 pr-2">
            <TintField
              :label="`Colour of ${one.meaning}`"
              :value="one.colour"
              @set="(colour) => change(one, { colour })"
            />
          </td>
          <td v-for="vision in visions" :key="vision" class="py-1 pr-2">
            <svg width="26" height="18" role="img" :aria-label="seenAs(one.colour, vision)">
              <rect width="26" height="18" rx="4" :fill="seenAs(one.colour, vision)" />
            </svg>
          </td>
          <td class="py-1 text-right whitespace-nowrap">
            <span v-if="alike.has(one.id)" class="mr-2 text-warning">alike</span>
            <button
              class="rounded p-1 hover:bg-bench-high"
              :aria-label="`Remove ${one.meaning}`"
              @click="
                commit(
                  status.filter((other) => other !== one),
                  'without a status colour',
                )
              "
            >
              <Trash2 :size="14" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
