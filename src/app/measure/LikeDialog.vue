<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import type { Command, LineSettings } from '../../core/plan/commands'
import { plural } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import FormDialog from '../ui/FormDialog.vue'
import TickField from '../ui/TickField.vue'

const { run } = defineProps<{ run: MeasuredRun }>()
const emit = defineEmits<{ close: [] }>()

const store = usePlanStore()

/** Runs of strip take after runs of strip, single lights after single lights. */
const isSingle = run.lights.length > 0
const others = computed(() =>
  store.measured.runs.filter(({ id, lights }) => id !== run.id && lights.length > 0 === isSingle),
)
const chosen = ref(new Set(others.value.map(({ id }) => id)))
const hasLight = ref(true)
const hasMount = ref(true)

const problem = computed(() =>
  others.value.length === 0
    ? undefined
    : chosen.value.size === 0
      ? 'no line is ticked.'
      : hasLight.value || hasMount.value
        ? undefined
        : 'tick its light, its mount or both.',
)
function toggle(id: string): void {
  const next = new Set(chosen.value)
  if (!next.delete(id)) next.add(id)
  chosen.value = next
}
function take(): void {
  if (problem.value !== undefined) return
  const ids = others.value.flatMap(({ id }) => (chosen.value.has(id) ? [id] : []))
  const { stripId, lights, mount, endMm } = run.line
  const set: LineSettings = {
    ...(hasLight.value && isSingle && { lights }),
    ...(hasMount.value && { mount, endMm }),
  }
  const strips =
    hasLight.value && !isSingle
      ? ids.map((line): Command => ({ do: 'set-strip', line, strip: stripId }))
      : []
  store.commit([...strips, { do: 'set-lines', lines: ids, set }], {
    label: `${plural(ids.length, 'line')} like ${run.name}`,
  })
  emit('close')
}
</script>

<template>
  <FormDialog
    :title="`As ${run.name} has it`"
    action="Take it over"
    :problem="problem"
    @close="emit('close')"
    @submit="take"
  >
    <fieldset class="col-span-2 flex flex-wrap gap-x-4 gap-y-1.5">
      <legend class="mb-1 font-semibold">What</legend>
      <TickField label="its light" :is-on="hasLight" @set="hasLight = $event" />
      <TickField label="how it is mounted" :is-on="hasMount" @set="hasMount = $event" />
    </fieldset>
    <fieldset class="col-span-2">
      <legend class="mb-1 font-semibold">For which lines</legend>
      <p v-if="others.length === 0" class="text-bench-soft">
        There is no other line of {{ isSingle ? 'single lights' : 'strip' }}.
      </p>
      <template v-else>
        <TickField
          class="mb-1 text-bench-soft"
          :label="`all ${others.length}`"
          :is-on="chosen.size === others.length"
          :indeterminate="chosen.size > 0 && chosen.size < others.length"
          @set="chosen = new Set($event ? others.map(({ id }) => id) : [])"
        />
        <div class="max-h-64 overflow-y-auto">
          <TickField
            v-for="one in others"
            :key="one.id"
            class="py-0.5"
            :label="one.name"
            :is-on="chosen.has(one.id)"
            @set="toggle(one.id)"
          />
        </div>
      </template>
    </fieldset>
  </FormDialog>
</template>
