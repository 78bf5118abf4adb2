<script setup lang="ts">
import { computed } from 'vue'
import { boardFps } from '../../core/glow/board-needs'
import type { Show } from '../../core/plan/plan'
import { fixed, formatQuantity } from '../../core/quantity/format'
import type { ProgramData } from '../../core/signal/program'
import { slowFps } from '../../core/lanes/timing'
import type { ShowResults } from '../engine/jobs.worker'
import { useJob } from '../engine/use-job'
import { saveText } from '../shell/save-text'
import { usePart } from '../stores/use-parts'
import { useOpenPlan } from '../stores/use-open-plan'

const { show, results } = defineProps<{
  show: Show
  results: Pick<ShowResults, 'board'> | undefined
}>()
const plan = useOpenPlan()

/** A show as it is kept in a file. */
const files = {
  c: ['.c', 'text/x-c'],
  frames: [' frames.csv', 'text/csv'],
} as const
const job = useJob(
  () => plan.value,
  async (service, current, _tell, kind: keyof typeof files) => {
    const text =
      kind === 'c'
        ? await service.showC(current, show)
        : await service.showFrames(current, show, { framesPerSecond: 25 })
    const [ending, type] = files[kind]
    if (text !== undefined) saveText(`${show.name}${ending}`, text, type)
    return text === undefined ? 'nothing' : 'saved'
  },
)
const { result, problem, progress } = job
const texts = usePart('program')
/** What a ready-made box is set to. */
const settings = computed(() =>
  texts.value === undefined ? undefined : (JSON.parse(texts.value.json) as ProgramData),
)
const board = computed(() => results?.board)
const framesPerSecond = computed(() => board.value && boardFps(board.value))
const kilobytes = (bytes: number): string =>
  bytes < 1024 ? `${String(bytes)} B` : `${fixed(bytes / 1024, 1)} KB`
</script>

<template>
  <section
    class="min-h-0 flex-1 overflow-y-auto rounded-lg border border-bench-line bg-bench-raised px-4 py-3.5 text-[13.5px] leading-relaxed"
    aria-label="For the board"
  >
    <h2 class="text-[15px] font-semibold">For the board</h2>
    <p class="mt-1 max-w-[65ch] text-bench-soft">
      “{{ show.name }}” as C99 without any library. It sends just the bytes that are played here:
      whole numbers on both sides, the brightness limit of {{ Math.round(100 * plan.limit) }} %
      included.
    </p>
    <p class="mt-3 flex flex-wrap items-center gap-3">
      <button class="button-main" :disabled="progress !== undefined" @click="job.start('c')">
        Save the C
      </button>
      <button class="button-quiet" :disabled="progress !== undefined" @click="job.start('frames')">
        Save its frames as CSV
      </button>
      <span v-if="result === 'nothing'" class="text-warning" role="status">
        Nothing in the plan can be dimmed by a program: there is no C to write.
      </span>
      <span v-else-if="problem" class="text-stop" role="alert">{{ problem }}</span>
      <span v-else-if="result === 'saved'" class="text-ok" role="status">Saved.</span>
    </p>
    <dl v-if="board" class="mt-4 grid grid-cols-[max-content_1fr] gap-x-4 gap-y-1">
      <dt class="text-bench-soft">Working memory</dt>
      <dd>
        {{ kilobytes(board.needs.ramBytes) }} of {{ kilobytes(board.memoryBytes) }} on the
        {{ board.name }}
        <b v-if="board.needs.ramBytes > board.memoryBytes" class="text-stop">
          · too much: fewer layers, or a larger board
        </b>
      </dd>
      <dt class="text-bench-soft">Program memory, about</dt>
      <dd>{{ kilobytes(board.needs.flashBytes) }}</dd>
      <template v-if="board.needs.workMs !== null && framesPerSecond !== undefined">
        <dt class="text-bench-soft">A frame, about</dt>
        <dd>
          {{ formatQuantity(board.needs.workMs, 'ms') }} to work out and
          {{ formatQuantity(board.sendMs, 'ms') }} to send: {{ Math.floor(framesPerSecond) }} a
          second
          <b v-if="framesPerSecond < slowFps" class="text-warning">
            · motion jerks: fewer layers, or a faster board
          </b>
        </dd>
      </template>
    </dl>
    <ol class="mt-4 grid max-w-[68ch] list-decimal gap-2 pl-5">
      <li>Put the file beside your program and include it.</li>
      <li>
        Write the three functions that only you can: <code class="font-mono">glow_send</code> sends
        the bytes of a lane, in the order of its chips (<code class="font-mono">glow_order</code>);
        <code class="font-mono">glow_read</code> reads a sensor, 0 to 65535;
        <code class="font-mono">glow_ms</code> tells the milliseconds since the start.
      </li>
      <li>
        Call <code class="font-mono">glow_run()</code> once a frame from your main loop. Lanes, pins
        and inputs are results at the top of the file.
      </li>
    </ol>
    <template v-if="settings && settings.lanes.length > 0">
      <h3 class="mt-5 font-semibold">Settings of a ready-made pixel box</h3>
      <p class="max-w-[65ch] text-bench-soft">
        It takes no C: set its outputs like this, and its brightness to no more than
        {{ Math.round(100 * settings.brightnessLimit) }} %, or its current limit to
        {{ settings.limitMa }} mA.
      </p>
      <table class="mt-2 text-left">
        <thead class="text-bench-soft">
          <tr>
            <th class="pr-6 font-normal">Output</th>
            <th class="pr-6 font-normal">Pixels</th>
            <th class="pr-6 font-normal">Colour order</th>
            <th class="pr-6 font-normal">Limit</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="lane in settings.lanes" :key="lane.name">
            <td class="pr-6">{{ lane.name }}</td>
            <td class="pr-6">{{ lane.pixels }}</td>
            <td class="pr-6">{{ lane.order }}</td>
            <td class="pr-6">{{ lane.limitMa }} mA</td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>
