<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Image, Maximize, Minus, Plus, Shapes } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { defineAsyncComponent, ref, useTemplateRef } from 'vue'
import type { Point } from '../../core/measure/geometry'
import { onDropped } from '../stores/dropped'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { fileOf } from '../ui/field-text'
import SliderField from '../ui/SliderField.vue'
import { toBench, type View } from './view'

const { view, size } = defineProps<{
  isFitted: boolean
  view: View
  size: Point
}>()
const emit = defineEmits<{
  fit: []
  zoom: [factor: number]
  add: [kind: 'box' | 'circle' | 'wall', id: string]
}>()
const plan = useOpenPlan()

const PhotoScale = defineAsyncComponent(() => import('./PhotoScale.vue'))

const store = usePlanStore()
const notices = useNotices()
const file = useTemplateRef<HTMLInputElement>('file')
const isScaling = ref(false)

function choosePhoto(event: Event): void {
  const picked = fileOf(event)
  if (picked !== undefined) void takePhoto(picked)
}
// One that was dropped on the window.
onDropped('photo', (own) => void takePhoto(own))
async function takePhoto(picked: File): Promise<void> {
  const { readPhoto } = await import('./photo')
  const read = await readPhoto(picked)
  if (!read.ok) {
    notices.show({ kind: 'problem', text: read.message })
    return
  }
  const [left, top] = toBench(view, [20, 20])
  const [right] = toBench(view, [size[0] - 20, 20])
  store.commit(
    [
      {
        do: 'set-photo',
        photo: {
          ...read.picture,
          at: [Math.round(left), Math.round(top)],
          mmPerPx: (right - left) / read.picture.widthPx,
          opacity: 0.45,
        },
      },
    ],
    { label: 'a photo under the drawing' },
  )
  isScaling.value = true
}
function setOpacity(percent: number): void {
  if (plan.value.bench.photo === undefined) return
  const opacity = percent / 100
  store.commit([{ do: 'set-photo', photo: { ...plan.value.bench.photo, opacity } }], {
    label: 'how strong the photo is',
    key: 'opacity',
  })
}
function removePhoto(): void {
  isScaling.value = false
  store.commit([{ do: 'set-photo', photo: undefined }], { label: 'remove the photo' })
}
const kinds = ['box', 'circle', 'wall'] as const
</script>

<template>
  <div class="absolute top-2 right-2 z-20 flex gap-1" role="toolbar" aria-label="Drawing tools">
    <Menu as="div" class="relative">
      <MenuButton class="button-quiet bg-bench-raised px-2" title="Furniture, to know the place by">
        <Shapes :size="15" /><span class="sr-only">Add furniture</span>
      </MenuButton>
      <MenuItems
        class="absolute right-0 mt-1 w-32 rounded-lg border border-bench-line bg-bench-high p-1 shadow-xl shadow-black/50"
      >
        <MenuItem v-for="kind in kinds" :key="kind" v-slot="{ active }">
          <button
            class="w-full rounded px-3 py-1.5 text-left text-[13px]"
            :class="active && 'bg-bench-line'"
            @click="emit('add', kind, nanoid(8))"
          >
            a {{ kind }}
          </button>
        </MenuItem>
      </MenuItems>
    </Menu>
    <button
      class="button-quiet bg-bench-raised px-2"
      title="A photo or sketch under the drawing"
      @click="file?.click()"
    >
      <Image :size="15" /><span class="sr-only">A photo or sketch under the drawing</span>
    </button>
    <input
      ref="file"
      type="file"
      accept="image/*"
      class="hidden"
      aria-label="Photo"
      @change="choosePhoto"
    />
    <span class="w-1" />
    <button
      class="button-quiet bg-bench-raised px-2"
      title="Smaller"
      aria-label="Smaller"
      @click="emit('zoom', 1 / 1.3)"
    >
      <Minus :size="15" />
    </button>
    <button
      class="button-quiet bg-bench-raised px-2"
      title="Larger"
      aria-label="Larger"
      @click="emit('zoom', 1.3)"
    >
      <Plus :size="15" />
    </button>
    <button
      class="button-quiet bg-bench-raised px-2"
      title="All of it"
      :disabled="isFitted"
      @click="emit('fit')"
    >
      <Maximize :size="15" /><span class="sr-only">All of it</span>
    </button>
  </div>
  <div
    v-if="plan.bench.photo"
    class="absolute right-2 bottom-2 z-20 flex items-center gap-2 rounded-lg border border-bench-line bg-bench-high/90 px-2.5 py-1.5 text-[12px]"
  >
    <SliderField
      class="text-bench-soft"
      label="photo"
      :value="Math.round(plan.bench.photo.opacity * 100)"
      :least="0"
      :most="100"
      @set="setOpacity"
    />
    <button class="link-quiet" @click="isScaling = true">scale</button>
    <button class="link-quiet" @click="removePhoto">remove</button>
  </div>
  <PhotoScale
    v-if="isScaling && plan.bench.photo"
    :photo="plan.bench.photo"
    :view="view"
    @close="isScaling = false"
  />
</template>
