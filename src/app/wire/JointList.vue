<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatQuantity, plural } from '../../core/quantity/format'
import type { PlanJoint } from '../../core/wire/joints'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import TickField from '../ui/TickField.vue'
import NothingYet from '../shell/NothingYet.vue'

const { joints } = defineProps<{ joints: readonly PlanJoint[] }>()
const plan = useOpenPlan()

const store = usePlanStore()
/** Joints that are listed; more when asked for. */
const shown = ref(200)
const done = computed(() => new Set(plan.value.wiring.ticks))
const left = computed(() => joints.filter(({ id }) => !done.value.has(id)))
const leftMin = computed(() => left.value.reduce((sum, { minutes }) => sum + minutes, 0))
const allMin = computed(() => joints.at(-1)?.soFarMin ?? 0)

function tick({ id, where }: PlanJoint, isDone: boolean): void {
  store.commit([{ do: 'tick', joint: id, isDone }], {
    label: `${isDone ? 'joint done' : 'joint not done'}: ${where}`,
  })
}
const kinds = {
  screw: 'screw',
  solder: 'solder',
  'in-line': 'in line',
  pad: 'pad on pad',
  plug: 'plug',
} as const
</script>

<template>
  <div class="flex min-h-0 flex-1 flex-col gap-2">
    <p class="text-[12.5px] text-bench-soft" data-testid="joints-left">
      {{ joints.length - left.length }} of {{ plural(joints.length, 'joint') }} done ·
      {{ formatQuantity(leftMin, 'min') }} of {{ formatQuantity(allMin, 'min') }} left
    </p>
    <div class="h-1.5 rounded bg-bench-line" aria-hidden="true">
      <div
        class="h-1.5 rounded bg-ok"
        :style="{ width: `${allMin === 0 ? 0 : (1 - leftMin / allMin) * 100}%` }"
      />
    </div>
    <div
      class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised px-3.5 py-2"
      tabindex="0"
      role="group"
      aria-label="Joints"
    >
      <NothingYet v-if="joints.length === 0" what="No joints yet" />
      <ol>
        <li
          v-for="(joint, index) in joints.slice(0, shown)"
          :key="joint.id"
          class="flex gap-3 border-b border-bench-line py-1.5 text-[12.5px] last:border-0"
          :class="done.has(joint.id) && 'text-bench-soft [&_.text-warning]:text-bench-soft'"
        >
          <TickField
            class="min-w-0 flex-1"
            :label="joint.where"
            :is-on="done.has(joint.id)"
            @set="tick(joint, $event)"
          >
            <span class="flex gap-3">
              <span class="w-7 shrink-0 pt-px text-right text-bench-soft">{{ index + 1 }}</span>
              <span class="min-w-0">
                <span class="font-semibold" :class="done.has(joint.id) && 'line-through'">{{
                  joint.where
                }}</span>
                <span class="text-bench-soft"> · {{ kinds[joint.kind] }}</span>
                <span class="block text-bench-soft">
                  <span v-if="joint.threadFirst.length > 0" class="text-warning">
                    first thread {{ joint.threadFirst.join(', ') }} ·
                  </span>
                  {{ joint.meets.join(' · ') }}
                </span>
              </span>
            </span>
          </TickField>
          <span class="w-28 shrink-0 text-right whitespace-nowrap">
            {{ formatQuantity(joint.minutes, 'min') }}
            <span class="block text-[12px] text-bench-soft">
              so far {{ formatQuantity(joint.soFarMin, 'min') }}
            </span>
          </span>
        </li>
      </ol>
      <button v-if="joints.length > shown" class="button-quiet mt-2" @click="shown += 200">
        {{ joints.length - shown }} more
      </button>
    </div>
  </div>
</template>
