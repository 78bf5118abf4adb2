<script setup lang="ts">
import type { HaveUse } from '../../core/choose/what-i-have'
import { useFinds } from '../engine/use-finds'
import { usePrice } from '../shell/price'
import { itemWith, type DrawerEntry } from '../stores/use-drawer'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import JobProblem from '../ui/JobProblem.vue'

const { entries } = defineProps<{ entries: readonly DrawerEntry[] }>()
const emit = defineEmits<{ close: [] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const price = usePrice()
const job = useFinds<HaveUse>(
  () => plan.value,
  (service, own, tell) =>
    service.haveUses(
      own,
      entries.filter(({ free }) => free > 0).map((entry) => itemWith(entry, entry.free)),
      tell,
    ),
)
const { found } = job
const kinds = { supply: 'Supply', board: 'Board', strip: 'Strip' } as const
const saving = ({ costMore }: HaveUse): string =>
  Math.abs(costMore) < 0.005
    ? 'costs the same'
    : `${price(Math.abs(costMore))} ${costMore < 0 ? 'saved' : 'more'}`
function use({ name, commands }: HaveUse): void {
  store.commit(commands, { label: `use ${name} from the drawer` })
}
</script>

<template>
  <section
    class="max-h-[45%] shrink-0 overflow-y-auto rounded-lg border border-bench-line bg-bench-raised px-4 py-3 text-[13px]"
    aria-label="With what I have"
    role="group"
    tabindex="0"
  >
    <div class="mb-1 flex items-baseline gap-3">
      <h2 class="font-semibold">With what I have</h2>
      <span v-if="job.progress.value !== undefined" class="text-bench-soft" role="status">
        trying what is in the drawer …
        <button class="link-quiet ml-1" @click="job.stop">stop</button>
      </span>
      <JobProblem
        what="What the drawer could do was not worked out"
        :problem="job.problem.value"
        @again="job.start"
      />
      <button class="link-quiet ml-auto" @click="emit('close')">close</button>
    </div>
    <p
      v-if="
        found.length === 0 && job.progress.value === undefined && job.problem.value === undefined
      "
      class="text-bench-soft"
    >
      Nothing in the drawer could take the place of what this plan buys: no supply of its volts, no
      other board, no offcut of a strip that fits.
    </p>
    <div
      v-for="one in found"
      :key="`${one.kind} ${one.name}`"
      class="flex items-start gap-3 border-t border-bench-line py-1.5"
      :data-have="one.name"
    >
      <span class="w-14 shrink-0 text-bench-soft">{{ kinds[one.kind] }}</span>
      <span class="min-w-0 flex-1">
        {{ one.name }}
        <span v-if="one.stops.length > 0" class="block text-stop">
          will not do: {{ one.stops.join('; ') }}
        </span>
        <span v-else-if="one.needs.length > 0" class="block text-warning">
          does, if you {{ one.needs.join(', and ') }}
        </span>
        <span v-else class="block text-ok">does as it is</span>
      </span>
      <span class="shrink-0 text-bench-soft">{{ saving(one) }}</span>
      <button class="button-quiet shrink-0" :disabled="one.stops.length > 0" @click="use(one)">
        Use it
      </button>
    </div>
  </section>
</template>
