<script setup lang="ts">
import { ArrowRight } from '@lucide/vue'
import { computed, onMounted } from 'vue'
import { formatQuantity, plural } from '../../core/quantity/format'
import { useJob } from '../engine/use-job'
import { useNotices } from '../stores/notices'
import { usePrice } from './price'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import SheetDialog from '../ui/SheetDialog.vue'
import JobProblem from '../ui/JobProblem.vue'

const emit = defineEmits<{ close: [] }>()
const plan = useOpenPlan()
const store = usePlanStore()
const notices = useNotices()
const { result, progress, problem, start } = useJob(
  () => plan.value,
  (service, job, tell) => service.putRight(job, tell),
)
onMounted(() => {
  start()
})

const price = usePrice()
/** What changes, as it is and as it would be. */
const differences = computed(() => {
  if (result.value === undefined) return []
  const { before, after } = result.value
  const rows = [
    { name: 'stops', was: String(before.stops), is: String(after.stops) },
    { name: 'warnings', was: String(before.warnings), is: String(after.warnings) },
    { name: 'joints', was: String(before.joints), is: String(after.joints) },
    { name: 'everything on the bill', was: price(before.price), is: price(after.price) },
    {
      name: 'power at full white',
      was: formatQuantity(before.peakW, 'W'),
      is: formatQuantity(after.peakW, 'W'),
    },
    { name: 'pixels', was: String(before.pixels), is: String(after.pixels) },
  ]
  return rows.filter(({ was, is }, index) => index < 2 || was !== is)
})

function apply(): void {
  const found = result.value
  if (found === undefined) return
  store.commit(found.commands, { label: 'put right' })
  notices.done(`Put right: ${plural(found.steps.length, 'change')}.`, store.undo)
  emit('close')
}
</script>

<template>
  <SheetDialog title="Put it right" width="max-w-2xl" @close="emit('close')">
    <p class="text-bench-soft">
      The cheapest remedies that were found: first until no stop is left, then for the warnings.
      Each was tried on the whole plan. Nothing changes until you apply it, and it can be undone.
    </p>
    <JobProblem
      v-if="problem !== undefined"
      class="mt-3"
      what="It could not be worked out"
      :problem="problem"
      @again="start"
    />
    <p v-else-if="result === undefined" class="mt-4" role="status">
      Trying remedies on the plan …
      <span v-if="progress">{{ plural(progress, 'verdict') }} left</span>
    </p>
    <template v-else>
      <p v-if="result.steps.length === 0" class="mt-4">
        {{
          result.left.length === 0
            ? 'There is no stop and no warning in this plan.'
            : 'No remedy that is known clears what is left.'
        }}
      </p>
      <template v-else>
        <dl class="mt-4 grid grid-cols-[auto_auto_1.25rem_1fr] items-center gap-x-3 gap-y-0.5">
          <template v-for="{ name, was, is } in differences" :key="name">
            <dt class="text-bench-soft">{{ name }}</dt>
            <dd class="text-right tabular-nums">{{ was }}</dd>
            <dd><ArrowRight :size="13" class="text-bench-soft" aria-label="becomes" /></dd>
            <dd class="font-semibold tabular-nums">{{ is }}</dd>
          </template>
        </dl>
        <ol
          class="mt-4 max-h-[44vh] space-y-2 overflow-y-auto"
          tabindex="0"
          aria-label="Changes"
          data-testid="put-right-steps"
        >
          <li
            v-for="({ label, cause }, index) in result.steps"
            :key="index"
            class="flex gap-3 rounded-md border border-bench-line px-3 py-2"
          >
            <span class="text-bench-soft tabular-nums">{{ index + 1 }}</span>
            <span>
              <b class="block first-letter:uppercase">{{ label }}</b>
              <span class="text-[12px] text-bench-soft">{{ cause }}</span>
            </span>
          </li>
        </ol>
      </template>
      <details v-if="result.left.length > 0" class="mt-3">
        <summary class="cursor-pointer text-bench-soft">
          {{ plural(result.left.length, 'verdict') }} for you to decide
        </summary>
        <ul class="mt-1 list-disc space-y-0.5 pl-5 text-[12px]">
          <li v-for="text in result.left" :key="text">{{ text }}</li>
        </ul>
      </details>
      <div class="mt-5 flex justify-end gap-2">
        <button type="button" class="button-quiet" @click="emit('close')">Leave it as it is</button>
        <button v-if="result.steps.length > 0" type="button" class="button-main" @click="apply">
          Apply {{ plural(result.steps.length, 'change') }}
        </button>
      </div>
    </template>
  </SheetDialog>
</template>
