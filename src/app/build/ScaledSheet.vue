<script setup lang="ts">
import { Printer } from '@lucide/vue'
import { computed, watch } from 'vue'
import { templatePapers, type TemplatePaper } from '../../core/build/template-paper'
import { useJob } from '../engine/use-job'
import { svgUrl } from '../ui/svg-url'
import PickField from '../ui/PickField.vue'
import JobProblem from '../ui/JobProblem.vue'
import { useOpenPlan } from '../stores/use-open-plan'

const { paper } = defineProps<{ paper: TemplatePaper }>()
const plan = useOpenPlan()

const job = useJob(
  () => plan.value,
  (service, own, _tell, sheet: TemplatePaper, scale?: number) =>
    service.scaledDrawing(own, { ...templatePapers[sheet] }, scale),
)
watch(
  [() => plan.value, () => paper],
  () => {
    job.start(paper, job.result.value?.scale)
  },
  { immediate: true },
)
const picture = computed(() => svgUrl(job.result.value?.svg ?? ''))
const pictureName = computed(
  () => `${plan.value.name} at 1 : ${String(job.result.value?.scale ?? '')}`,
)
const scales = computed(() =>
  (job.result.value?.scales ?? []).map((value) => ({ value, label: `1 : ${String(value)}` })),
)
function print(): void {
  window.print()
}
</script>

<!-- The whole drawing on one sheet, at a scale that is usual. -->
<template>
  <div
    v-if="!job.result.value"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
  >
    <JobProblem
      what="It could not be drawn to scale"
      :problem="job.problem.value"
      @again="job.start(paper)"
    />
    <p v-if="job.problem.value === undefined" role="status">Drawing to scale …</p>
  </div>
  <template v-else>
    <div class="flex flex-wrap items-center gap-3 text-[13px] text-bench-soft">
      <PickField
        label="Scale"
        layout="beside"
        :options="scales"
        :value="job.result.value.scale"
        @pick="job.start(paper, $event)"
      />
      <span>One sheet · print at 100 %, not “fit to page”, and measure the ruler</span>
      <button class="button-main ml-auto" @click="print"><Printer :size="15" /> Print it</button>
    </div>
    <div
      class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised p-3"
      tabindex="0"
      role="group"
      aria-label="Sheets"
    >
      <img class="max-w-none bg-white" :src="picture" :alt="pictureName" />
    </div>
    <div class="print-only whole-sheets" :data-paper="paper">
      <img class="max-w-none" :src="picture" alt="" />
    </div>
  </template>
</template>
