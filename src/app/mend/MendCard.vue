<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { ShownFault, ShownSuspect } from '../engine/mend.worker'
import NumberField from '../ui/NumberField.vue'
import PickField from '../ui/PickField.vue'
import { percent } from './looks'

const { suspect, minutes } = defineProps<{
  suspect: ShownSuspect
  /** Since it was looked for. */
  minutes: number
}>()
const emit = defineEmits<{
  /** It was this one: what was done, and how long it took in all. */
  mended: [fault: ShownFault, did: string, minutes: number]
  /** It is not this one. */
  clear: [ids: readonly string[]]
  close: []
}>()

const did = ref('')
const spent = ref(0)
/** Which of those that look the same it was. */
const chosenId = ref('')
watch(
  () => suspect.id,
  (id) => {
    did.value = ''
    chosenId.value = id
  },
  { immediate: true },
)
const alike = computed(() =>
  [suspect, ...suspect.same].map(({ id, title, where }) => ({
    value: id,
    label: `${title}, ${where}`,
  })),
)
const fault = computed(
  (): ShownFault => suspect.same.find(({ id }) => id === chosenId.value) ?? suspect,
)
watch(
  () => fault.value.id,
  () => {
    spent.value = Math.max(1, Math.round(minutes + fault.value.mend.minutes))
  },
  { immediate: true },
)
</script>

<template>
  <section
    class="flex min-h-0 flex-col gap-3 overflow-y-auto rounded-lg border border-glow/60 bg-bench-raised p-4 sm:p-5"
    aria-label="Mend"
  >
    <div class="flex items-start gap-3">
      <div class="min-w-0 flex-1">
        <p class="text-[13px] text-bench-soft">
          How it is mended · {{ percent(suspect.probability) }} sure
        </p>
        <h2 class="text-[20px] leading-7 font-bold">{{ fault.title }}</h2>
        <p class="text-[14px] text-bench-soft">{{ fault.where }}</p>
      </div>
      <button type="button" class="button-quiet max-[899px]:min-h-11" @click="emit('close')">
        Back to the test
      </button>
    </div>
    <ul class="text-[13px] text-bench-soft">
      <li v-for="reason in suspect.why" :key="reason">{{ reason }}</li>
    </ul>
    <ul class="rounded-md border border-warning/50 px-3 py-2 text-[13px]">
      <li v-for="caution in fault.mend.cautions" :key="caution">⚠ {{ caution }}</li>
      <li>⚠ Extra-low voltage only. Mains wiring is for a licensed electrician.</li>
    </ul>
    <ol class="list-decimal space-y-1 pl-5 text-[15px]">
      <li v-for="step in fault.mend.steps" :key="step">{{ step }}</li>
    </ol>
    <p class="border-l-2 border-ok pl-3 text-[14px]">
      <span class="font-semibold">Proof:</span> {{ fault.mend.proof }}
    </p>
    <form
      class="grid gap-2 text-[13px] sm:grid-cols-[1fr_90px]"
      @submit.prevent="emit('mended', fault, did, spent)"
    >
      <PickField
        v-if="suspect.same.length > 0"
        class="text-bench-soft sm:col-span-2"
        label="Which it was"
        width="w-full"
        :options="alike"
        :value="chosenId"
        @pick="chosenId = $event"
      />
      <label class="text-bench-soft">
        What you did
        <input
          v-model="did"
          class="field mt-1 w-full"
          maxlength="1000"
          :placeholder="fault.mend.steps[1] ?? fault.mend.steps[0]"
        />
      </label>
      <NumberField
        class="text-bench-soft"
        label="Minutes"
        width="w-full"
        :value="spent"
        :least="0"
        :most="10_000"
        is-whole
        @set="spent = $event"
      />
      <div class="flex flex-wrap gap-2 sm:col-span-2">
        <button class="button-main min-h-9 max-[899px]:min-h-11">
          It works: note it in the log
        </button>
        <button
          type="button"
          class="button-quiet max-[899px]:min-h-11"
          @click="emit('clear', [suspect.id, ...suspect.same.map(({ id }) => id)])"
        >
          It is none of these
        </button>
      </div>
    </form>
  </section>
</template>
