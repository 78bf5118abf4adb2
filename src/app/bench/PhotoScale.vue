<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, useTemplateRef } from 'vue'
import type { Point } from '../../core/measure/geometry'
import type { Photo } from '../../core/plan/plan'
import { readLength } from '../../core/quantity/length'
import { usePlanStore } from '../stores/plan'
import { scaledTo } from './photo'
import { toBench, toScreen, type View } from './view'

const { photo, view } = defineProps<{ photo: Photo; view: View }>()
const emit = defineEmits<{ close: [] }>()

const store = usePlanStore()
const field = useTemplateRef<HTMLInputElement>('field')
const marks = shallowRef<readonly Point[]>([])
const text = ref('')
const error = ref<string>()
const shown = computed(() => marks.value.map((mark) => toScreen(view, mark)))

async function mark(event: MouseEvent): Promise<void> {
  if (marks.value.length >= 2) return
  marks.value = [...marks.value, toBench(view, [event.offsetX, event.offsetY])]
  if (marks.value.length < 2) return
  await nextTick()
  field.value?.focus()
}
function finish(): void {
  const [a, b] = marks.value
  const read = readLength(text.value)
  if (!read.ok) {
    error.value = read.message
    return
  }
  if (a === undefined || b === undefined || (a[0] === b[0] && a[1] === b[1])) {
    error.value = 'Two places that are apart'
    return
  }
  store.commit([{ do: 'set-photo', photo: scaledTo(photo, a, b, read.mm) }], {
    label: 'scale of the photo',
  })
  emit('close')
}
</script>

<template>
  <div class="absolute inset-0 z-30 cursor-crosshair" @click="mark" @keydown.esc="emit('close')">
    <svg class="pointer-events-none absolute inset-0 size-full">
      <line
        v-if="shown[0] && shown[1]"
        class="stroke-glow"
        stroke-width="1.5"
        :x1="shown[0][0]"
        :y1="shown[0][1]"
        :x2="shown[1][0]"
        :y2="shown[1][1]"
      />
      <circle
        v-for="([x, y], index) in shown"
        :key="index"
        :cx="x"
        :cy="y"
        r="5"
        class="fill-none stroke-glow"
        stroke-width="2"
      />
    </svg>
    <form
      class="absolute top-2 left-2 flex items-center gap-2 rounded-lg border border-glow bg-bench px-3 py-2 text-[13px]"
      @click.stop
      @submit.prevent="finish"
    >
      <span v-if="marks.length < 2">
        Click {{ marks.length === 0 ? 'one end' : 'the other end' }} of a length that you know
      </span>
      <template v-else>
        <label class="flex items-center gap-2">
          It is
          <input
            ref="field"
            v-model="text"
            class="field w-28 font-mono"
            placeholder="1200"
            :aria-invalid="error !== undefined"
          />
        </label>
        <button class="button-main" type="submit">Set the scale</button>
      </template>
      <button class="link-quiet" type="button" @click="emit('close')">leave it</button>
      <span v-if="error" role="alert" class="text-stop">{{ error }}</span>
    </form>
  </div>
</template>
