<script setup lang="ts">
import { Check } from '@lucide/vue'
import { computed } from 'vue'
import { startOf, type UpkeepTask } from '../../core/mend/upkeep'
import { plural } from '../../core/quantity/format'
import { usePart } from '../stores/use-parts'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { daysUntil, dayText, dueText } from './due'
import { fieldText } from '../ui/field-text'

const plan = useOpenPlan()
const store = usePlanStore()
const notices = useNotices()
const tasks = usePart('upkeep')

const start = computed(() => startOf(plan.value))
/** A day as a field of a date has it. */
const fieldDay = (day: Date): string => day.toLocaleDateString('sv')
const startDay = computed(() => (start.value === undefined ? '' : fieldDay(new Date(start.value))))

const did = (task: string, at: string, label: string): void => {
  store.commit([{ do: 'note-upkeep', task, at }], { label })
}
/** Noon of that day: no zone of the clock makes another day of it. */
const noonOf = (day: string): string => new Date(`${day}T12:00:00`).toISOString()
function setStart(event: Event): void {
  const day = fieldText(event)
  if (day !== '') store.commit([{ do: 'set-in-use', at: noonOf(day) }], { label: 'in use since' })
}
function done({ id, title }: UpkeepTask): void {
  did(id, new Date().toISOString(), `done: ${title}`)
  notices.done(`Noted as done today: ${title}.`, store.undo)
}

const isLate = ({ dueAt }: UpkeepTask): boolean => dueAt !== undefined && daysUntil(dueAt) < 0
function rhythm({ everyDays, isOnce }: UpkeepTask): string {
  if (isOnce) return `once, ${plural(everyDays, 'day')} after it was built`
  if (everyDays >= 360) return 'every year'
  return everyDays >= 60
    ? `every ${plural(Math.round(everyDays / 30), 'month')}`
    : `every ${plural(everyDays, 'day')}`
}
const lastOf = ({ id }: UpkeepTask): string[] =>
  plan.value.upkeep
    .filter(({ task }) => task === id)
    .map(({ at }) => dayText(at))
    .toReversed()
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-3">
    <label class="flex flex-wrap items-center gap-2 text-[13px] text-bench-soft">
      In use since
      <input
        v-shown="startDay"
        class="field w-auto max-sm:min-h-11"
        type="date"
        :max="fieldDay(new Date())"
        @change="setStart"
      />
      <span v-if="start === undefined"
        >The last step of the build sets this; put the day in where it was built before.</span
      >
    </label>
    <p
      v-if="tasks?.length === 0"
      class="grid flex-1 place-items-center rounded-lg bg-bench-raised p-6 text-center text-bench-soft"
    >
      Nothing here needs upkeep: no screws, no batteries, no covers, nothing outdoors.
    </p>
    <ul v-else class="min-h-0 flex-1 space-y-3 overflow-y-auto">
      <li
        v-for="task in tasks"
        :key="task.id"
        class="flex flex-wrap items-start gap-3 rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
      >
        <div class="min-w-0 flex-1 basis-64">
          <h2 class="text-[15px] font-semibold">{{ task.title }}</h2>
          <p class="mt-0.5 text-[14px] text-bench-soft">{{ task.how }}</p>
          <p class="mt-1 text-[13px] text-bench-soft">
            {{ rhythm(task)
            }}<template v-if="lastOf(task).length > 0">
              · done {{ lastOf(task).slice(0, 3).join(', ') }}</template
            >
          </p>
        </div>
        <p
          class="min-h-6 text-[14px] font-semibold whitespace-nowrap"
          :class="isLate(task) && 'text-warning'"
        >
          {{ dueText(task, start !== undefined) }}
        </p>
        <button
          v-if="task.isDated"
          type="button"
          class="button-quiet min-h-9 max-sm:min-h-11"
          :aria-label="`Done today: ${task.title}`"
          @click="done(task)"
        >
          <Check :size="15" /> Done today
        </button>
      </li>
    </ul>
  </div>
</template>
