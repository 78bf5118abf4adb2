<script setup lang="ts">
import { messageOf } from '../../core/quantity/message-of'
import { releaseProxy, wrap } from 'comlink'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { boxAround, courseMm } from '../../core/measure/geometry'
import type { Trace } from '../../core/plan/plan'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import { readLength } from '../../core/quantity/length'
import { simplified, traceOf, type Outline, type OutlineResult } from '../../formats/outline'
import type { OutlineService } from '../engine/outline.worker'
import { within } from '../engine/within'
import { pathOf } from '../bench/view'
import { usePlanStore } from '../stores/plan'
import FormDialog from '../ui/FormDialog.vue'
import PickField from '../ui/PickField.vue'

const { file } = defineProps<{ file: File }>()
const emit = defineEmits<{ close: []; add: [text: string, trace: Trace] }>()

const outline = shallowRef<Outline>()
const problem = ref<string>()
const store = usePlanStore()
const shownIn = computed(() => store.plan?.units)
const unit = ref('file')
const width = ref('')
const widthError = ref<string>()

/** Larger than any outline, bytes. */
const mostBytes = 30_000_000

onMounted(async () => {
  if (file.size > mostBytes) {
    problem.value = `${file.name} is larger than ${String(mostBytes / 1e6)} MB: leave in it what is to be lit.`
    return
  }
  try {
    const result = await read(await file.text())
    if (!result.ok) problem.value = `${file.name}: ${result.message}.`
    else {
      outline.value = result.outline
      unit.value = result.outline.mmPerUnit === undefined ? 'mm' : 'file'
    }
  } catch (error) {
    problem.value = `${file.name} could not be read: ${messageOf(error)}.`
  } finally {
    stopReading()
  }
})

/** Longer than any outline takes to read, ms. */
const patienceMs = 20_000
let stopReading = (): void => undefined
onBeforeUnmount(() => {
  stopReading()
})

/** Reads in a worker, which is ended after `patienceMs`, when the dialog is closed, or when it fails. */
async function read(text: string): Promise<OutlineResult> {
  const worker = new Worker(new URL('../engine/outline.worker.ts', import.meta.url), {
    type: 'module',
    name: 'outline',
  })
  const service = wrap<OutlineService>(worker)
  stopReading = () => {
    stopReading = () => undefined
    service[releaseProxy]()
    worker.terminate()
  }
  const failed = new Promise<never>((_resolve, reject) => {
    worker.addEventListener('error', ({ message }) => {
      reject(new Error(message || 'the reader could not be started; reload the page and try again'))
    })
  })
  return within(Promise.race([service.read(text), failed]), {
    ms: patienceMs,
    message: 'it takes too long. Simplify it in the program that drew it, and save it anew',
  })
}

const units = computed(() => [
  ...(outline.value?.mmPerUnit === undefined ? [] : [{ value: 'file', label: 'as the file says' }]),
  { value: 'mm', label: 'a unit is 1 mm' },
  { value: 'cm', label: 'a unit is 1 cm' },
  { value: 'in', label: 'a unit is 1 inch' },
  { value: 'px', label: 'pixels, 96 to an inch' },
])
const mmPerUnit = computed(() =>
  unit.value === 'file'
    ? (outline.value?.mmPerUnit ?? 1)
    : ({ mm: 1, cm: 10, in: 25.4, px: 25.4 / 96 }[unit.value] ?? 1),
)
const box = computed(() => boxAround(outline.value?.courses.flat() ?? []))
const asked = computed(() => (width.value.trim() === '' ? undefined : readLength(width.value)))
/** mm a unit, after the width that was asked for. */
const scale = computed(() =>
  asked.value?.ok === true && box.value.width > 0
    ? asked.value.mm / box.value.width
    : mmPerUnit.value,
)
const lengthMm = computed(
  () =>
    (outline.value?.courses ?? []).reduce((sum, course) => sum + courseMm(course), 0) * scale.value,
)
const preview = computed(() => {
  const { x, y, width: w, height: h } = box.value
  const most = Math.max(w, h, 1e-9)
  const shown = outline.value?.courses.map((course) =>
    pathOf(
      simplified(course, most / 600).map(([px, py]) => [
        ((px - x) / most) * 200,
        ((py - y) / most) * 200,
      ]),
    ),
  )
  return { path: shown?.join('') ?? '', width: (w / most) * 200, height: (h / most) * 200 }
})

function add(): void {
  if (outline.value === undefined) return
  if (asked.value?.ok === false) {
    widthError.value = asked.value.message
    return
  }
  const name =
    file.name
      .replace(/\.[^.]*$/, '')
      .replaceAll(/["#]/g, '')
      .trim() || 'outline'
  const widthMm = Math.round(box.value.width * scale.value * 10) / 10
  const size = widthMm > 0 ? ` ${String(widthMm)}` : ''
  emit(
    'add',
    `"${name.slice(0, 60)}" traced${size}`,
    traceOf(outline.value, scale.value, file.name),
  )
}
</script>

<template>
  <FormDialog
    title="Trace an outline"
    :action="problem ? 'Close' : 'Put it on the pad'"
    @close="emit('close')"
    @submit="problem ? emit('close') : add()"
  >
    <p v-if="problem" role="alert" class="col-span-2 text-stop">{{ problem }}</p>
    <p v-else-if="!outline" class="col-span-2 text-bench-soft">Reading {{ file.name }} …</p>
    <template v-else>
      <svg
        class="row-span-4 w-full rounded-md bg-bench p-2"
        :viewBox="`-4 -4 ${preview.width + 8} ${preview.height + 8}`"
        role="img"
        :aria-label="`The outline in ${file.name}`"
      >
        <path :d="preview.path" fill="none" class="stroke-glow" stroke-width="2" />
      </svg>
      <PickField
        class="text-[13px] text-bench-soft"
        label="Units of the file"
        width="w-full"
        :options="units"
        :value="unit"
        @pick="unit = $event"
      />
      <label class="text-[13px] text-bench-soft">
        Or so wide in all
        <input
          v-model="width"
          class="field mt-1 font-mono"
          :placeholder="formatLength(box.width * mmPerUnit, shownIn)"
          :aria-invalid="widthError !== undefined"
          @input="widthError = undefined"
        />
        <span v-if="widthError" role="alert" class="mt-1 block text-[12px] text-stop">{{
          widthError
        }}</span>
      </label>
      <p class="text-[13px]">
        {{ formatLength(box.width * scale, shownIn) }} ×
        {{ formatLength(box.height * scale, shownIn) }}<br />
        <b>{{ formatQuantity(lengthMm / 1000, 'm', shownIn) }}</b> to light in
        {{ outline.courses.length }}
        {{ outline.courses.length === 1 ? 'part' : 'parts' }}
      </p>
    </template>
  </FormDialog>
</template>
