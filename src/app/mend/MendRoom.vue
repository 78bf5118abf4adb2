<script setup lang="ts">
import { Pause, Play } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import type { FaultyRuns } from '../../core/mend/in-show'
import type { Painted } from '../../core/mend/seen'
import { showsOf } from '../../core/glow/usual-show'
import type { Plan } from '../../core/plan/plan'
import { fixed } from '../../core/quantity/format'
import type { PaintRun } from '../engine/mend.worker'
import { useJob } from '../engine/use-job'
import DuskStage from '../glow/DuskStage.vue'
import FlashConsent from '../glow/FlashConsent.vue'
import { useFlashConsent } from '../glow/use-flash-consent'
import { framesPerSecond, usualEye, useShow } from '../glow/use-show'
import JobProblem from '../ui/JobProblem.vue'
import PickField from '../ui/PickField.vue'
import SliderField from '../ui/SliderField.vue'
import { byName } from '../ui/option'

const { plan, runs, look } = defineProps<{
  plan: Plan
  runs: readonly PaintRun[]
  /** What looks wrong, by run. */
  look: Readonly<Record<string, readonly Painted[] | undefined>>
}>()

const shows = computed(() => showsOf(plan))
const chosen = ref<string>()
const show = computed(() => shows.value.find(({ id }) => id === chosen.value) ?? shows.value[0])
const faulty = computed((): FaultyRuns =>
  Object.fromEntries(
    runs.map(({ id, count }) => [id, { count, stretches: look[id] ?? [] }] as const),
  ),
)
const aspect = ref(2)
const player = useShow(
  () => plan,
  () => show.value,
  () => usualEye,
  aspect,
  { fault: () => faulty.value },
)
const { open, frame, problem, isPlaying, ms, lengthMs, values } = player

const job = useJob(
  () => plan,
  (service, own) =>
    show.value === undefined
      ? Promise.resolve(undefined)
      : service.flashing(own, show.value, { framesPerSecond, events: [] }),
)
watch(
  [() => plan, show],
  () => {
    job.start()
  },
  { immediate: true },
)
/** Whether it flashes is not known yet. */
const isLooking = computed(() => job.result.value === undefined || job.progress.value !== undefined)
const consent = useFlashConsent(player, show, job.result)
const { asked } = consent
function play(): void {
  if (isPlaying.value) isPlaying.value = false
  else if (consent.mayPlay()) isPlaying.value = true
}
const seconds = computed(() => ms.value / 1000)
</script>

<template>
  <div class="flex flex-col gap-2">
    <p v-if="problem" class="text-[14px] text-stop" role="alert">
      The show cannot be played: {{ problem }}
    </p>
    <p v-else-if="open?.canPlay === false" class="py-4 text-[14px] text-bench-soft">
      Nothing in this plan is lit by a program, so that no show plays. The tapes tell what is wrong.
    </p>
    <template v-else>
      <DuskStage
        class="relative min-[900px]:h-[34vh] min-[900px]:min-h-[230px]"
        :plan="plan"
        :frame="frame"
        :daylight="0.12"
        :values="values"
        :are-lights-off="false"
        @shape="aspect = $event"
        @touch="player.touch"
      />
      <JobProblem
        what="Whether the show flashes could not be worked out"
        :problem="job.problem.value"
        @again="job.start"
      />
      <div class="flex flex-wrap items-center gap-3">
        <button
          type="button"
          class="button-main min-h-9 max-[899px]:min-h-11"
          :disabled="frame === undefined || isLooking"
          @click="play"
        >
          <component :is="isPlaying ? Pause : Play" :size="14" />
          {{ isPlaying ? 'Pause' : 'Play' }}
        </button>
        <PickField
          v-if="shows.length > 1"
          label="Show"
          layout="beside"
          class="text-[13px]"
          :options="byName(shows)"
          :value="show?.id ?? ''"
          @pick="chosen = $event"
        />
        <SliderField
          class="min-w-[120px] flex-1"
          label="Where the show is"
          layout="unseen"
          width="min-h-6 w-full max-[899px]:min-h-11"
          :value="seconds"
          :least="0"
          :most="lengthMs / 1000"
          :step="0.1"
          :aria-valuetext="`${fixed(seconds, 1)} s`"
          @set="player.seek($event * 1000)"
        />
        <span class="font-mono text-[13px] text-data">{{ fixed(seconds, 1) }} s</span>
      </div>
    </template>
    <FlashConsent
      v-if="asked"
      :flashing="asked.flashing"
      :is-live="asked.isLive"
      @close="consent.close"
      @agree="consent.agree"
    />
  </div>
</template>
