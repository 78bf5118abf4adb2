<script setup lang="ts">
import { computed, ref } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { containers, type Container } from '../../core/plan/build-choices'
import type { Into } from '../../core/plan/plan'
import { readAmount } from '../../core/quantity/amount'
import { useRunSettings } from './run-settings'

const { run } = defineProps<{ run: MeasuredRun }>()

const { set } = useRunSettings(() => run)
const into = computed(() => run.line.into)
const ends = [
  { at: 'start', label: 'Hole where the wire enters, mm' },
  { at: 'end', label: 'Hole at the far end, mm' },
] as const
const problem = ref('')

const holeAt = (at: Into['holes'][number]['at']): number | undefined =>
  into.value?.holes.find((hole) => hole.at === at)?.mm
function setWhat(event: Event): void {
  if (!(event.target instanceof HTMLSelectElement)) return
  problem.value = ''
  const what = event.target.value
  set(
    {
      into:
        what === ''
          ? undefined
          : {
              what: what as Container,
              holes: into.value?.holes ?? [{ at: 'start', mm: 8 }],
            },
    },
    'what it goes into',
  )
}
function setHole(at: Into['holes'][number]['at'], event: Event): void {
  if (!(event.target instanceof HTMLInputElement) || into.value === undefined) return
  const text = event.target.value.trim()
  const others = into.value.holes.filter((hole) => hole.at !== at)
  problem.value = ''
  if (text === '') {
    set({ into: { ...into.value, holes: others } }, 'hole')
    return
  }
  const read = readAmount(text, 'mm')
  if (!read.ok || read.value < 0.1 || read.value > 1000) {
    problem.value = `“${text}”: a hole of 0.1 to 1000 mm, such as 8.`
    return
  }
  set({ into: { ...into.value, holes: [...others, { at, mm: read.value }] } }, 'hole')
}
</script>

<template>
  <h4 class="mt-4 mb-1.5 font-semibold">What does it go into?</h4>
  <div class="grid grid-cols-2 gap-x-4 gap-y-2">
    <label class="col-span-2 text-bench-soft">
      Its wires are threaded through before they are soldered
      <select class="field mt-0.5" name="into" :value="into?.what ?? ''" @change="setWhat">
        <option value="">nothing</option>
        <option v-for="what in containers" :key="what" :value="what">a {{ what }}</option>
      </select>
    </label>
    <template v-if="into">
      <label v-for="{ at, label } in ends" :key="at" class="text-bench-soft">
        {{ label }}
        <input
          v-shown="holeAt(at) === undefined ? '' : String(holeAt(at))"
          class="field mt-0.5 font-mono"
          inputmode="decimal"
          placeholder="none"
          @change="setHole(at, $event)"
        />
      </label>
    </template>
  </div>
  <p v-if="problem" class="mt-1 text-stop" role="alert">{{ problem }}</p>
</template>
