<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import type { Command, LineSettings } from '../../core/plan/commands'
import { plural } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import FormDialog from '../ui/FormDialog.vue'

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
      <label class="flex items-center gap-2">
        <input v-model="hasLight" type="checkbox" class="accent-glow" /> its light
      </label>
      <label class="flex items-center gap-2">
        <input v-model="hasMount" type="checkbox" class="accent-glow" /> how it is mounted
      </label>
    </fieldset>
    <fieldset class="col-span-2">
      <legend class="mb-1 font-semibold">For which lines</legend>
      <p v-if="others.length === 0" class="text-bench-soft">
        There is no other line of {{ isSingle ? 'single lights' : 'strip' }}.
      </p>
      <template v-else>
        <label class="mb-1 flex items-center gap-2 text-bench-soft">
          <input
            type="checkbox"
            class="accent-glow"
            :checked="chosen.size === others.length"
            :indeterminate="chosen.size > 0 && chosen.size < others.length"
            @change="
              chosen =
                chosen.size === others.length ? new Set() : new Set(others.map(({ id }) => id))
            "
          />
          all {{ others.length }}
        </label>
        <div class="max-h-64 overflow-y-auto">
          <label v-for="one in others" :key="one.id" class="flex items-center gap-2 py-0.5">
            <input
              type="checkbox"
              class="accent-glow"
              :checked="chosen.has(one.id)"
              @change="toggle(one.id)"
            />
            {{ one.name }}
          </label>
        </div>
      </template>
    </fieldset>
  </FormDialog>
</template>
