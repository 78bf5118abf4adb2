<script setup lang="ts">
import { Cable, CircuitBoard, Power } from '@lucide/vue'
import { computed } from 'vue'
import { plural } from '../../../core/quantity/format'
import { useJob } from '../../engine/use-job'
import { saveText } from '../../shell/save-text'
import { usePart } from '../../stores/use-parts'
import { useBenchLink } from './bench-link'
import LinkInputs from './LinkInputs.vue'
import LinkLight from './LinkLight.vue'
import { whyNoSerial } from './serial-port'
import SimulatedFaults from './SimulatedFaults.vue'
import { useOpenPlan } from '../../stores/use-open-plan'

const plan = useOpenPlan()

const link = usePart('link')
const bench = useBenchLink(() => link.value)
const { status, problem, boardName, repeated, said, isOther, simulated, lit } = bench
const noSerial = whyNoSerial()
const isOpen = computed(() => status.value === 'open')

const job = useJob(
  () => plan.value,
  async (service, current) => {
    const text = await service.linkC(current)
    if (text !== undefined) saveText(`${current.name} bench link.c`, text, 'text/x-c')
    return text !== undefined
  },
)
const { progress, problem: saveProblem } = job
</script>

<template>
  <p
    v-if="!link"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
    role="status"
  >
    Looking up the lanes …
  </p>
  <p
    v-else-if="link.lanes.length + link.inputs.length === 0"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised px-6 text-center text-bench-soft"
  >
    Nothing here is lit or read by a board: there is nothing to try over a link.
  </p>
  <div
    v-else
    class="relative flex min-h-0 flex-1 flex-col gap-3 overflow-y-auto"
    data-testid="bench-link"
  >
    <section
      class="rounded-lg border border-bench-line bg-bench-raised px-4 py-3"
      aria-label="The board"
    >
      <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
        <p class="min-w-[14rem] flex-1 text-[14px]" role="status" data-testid="link-status">
          <template v-if="isOpen">
            <b class="text-ok">Connected to {{ boardName }}.</b>
            {{ plural(link.lanes.length, 'lane') }}, {{ plural(link.inputs.length, 'input')
            }}<template v-if="repeated > 0">
              · {{ plural(repeated, 'line') }} came damaged and
              {{ repeated === 1 ? 'was' : 'were' }} sent again</template
            >
          </template>
          <template v-else-if="status === 'opening'">Waiting for the board …</template>
          <template v-else>
            <b>No board is connected.</b>
            Light single pixels of the real strip from here: count them, find their colour order and
            the dead ones, before anything is glued.
          </template>
        </p>
        <template v-if="isOpen">
          <button
            class="button-quiet"
            :disabled="lit.word === 'off'"
            @click="bench.light({ word: 'off' })"
          >
            <Power :size="15" /> All off
          </button>
          <button class="button-quiet" @click="bench.close()">Disconnect</button>
        </template>
        <template v-else>
          <button
            class="button-main"
            :disabled="noSerial !== undefined || status === 'opening'"
            @click="bench.connect()"
          >
            <Cable :size="15" /> Connect a board
          </button>
          <button class="button-quiet" :disabled="status === 'opening'" @click="bench.simulate()">
            <CircuitBoard :size="15" /> Use a simulated board
          </button>
        </template>
      </div>
      <p v-if="problem" class="mt-2 text-[14px] text-stop" role="alert">{{ problem }}</p>
      <p v-else-if="isOther" class="mt-2 text-[14px] text-warning" role="alert">
        The program on the board was made from another state of this plan: its lanes or counts are
        not these. Save the C again and load it.
      </p>
      <p v-if="!isOpen && noSerial" class="mt-2 text-[13px] text-bench-soft">{{ noSerial }}</p>
      <div class="mt-2 flex flex-wrap items-center gap-x-3 gap-y-2">
        <p class="min-w-[14rem] flex-1 text-[13px] text-bench-soft">
          The board needs its side of the link: C that takes the functions of a show’s C, and one
          that writes a character to the serial port. At most
          {{ Math.round(100 * link.limit) }} % is sent, the brightness limit of the plan.
        </p>
        <button class="button-quiet" :disabled="progress !== undefined" @click="job.start()">
          Save the C
        </button>
        <span v-if="saveProblem" class="text-[13px] text-stop" role="alert">
          {{ saveProblem }}
        </span>
      </div>
      <details v-if="said.length > 0" class="mt-2 text-[13px] text-bench-soft">
        <summary class="cursor-pointer">The board also said</summary>
        <p v-for="(line, index) in said" :key="index" class="font-mono break-all">{{ line }}</p>
      </details>
    </section>
    <LinkLight v-if="link.lanes.length > 0" :link="link" :bench="bench" />
    <div class="grid gap-3 lg:grid-cols-2">
      <LinkInputs v-if="link.inputs.length > 0" :link="link" :bench="bench" />
      <SimulatedFaults v-if="simulated" :link="link" :bench="bench" :port="simulated" />
    </div>
  </div>
</template>
