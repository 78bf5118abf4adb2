<script setup lang="ts">
import { nextTick, ref, useTemplateRef } from 'vue'
import type { Box } from '../../core/measure/geometry'
import type { Show } from '../../core/plan/plan'
import { saveBlob } from '../shell/save-text'
import { useNotices } from '../stores/notices'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import DuskStage from './DuskStage.vue'
import EyeRow from './EyeRow.vue'
import TapeStage from './TapeStage.vue'
import { useFilm } from './use-film'
import type { Eye, ShowPlayer } from './use-show'
import { useOpenPlan } from '../stores/use-open-plan'

const { show, player } = defineProps<{
  show: Show
  player: ShowPlayer
  /** A scene is edited: only the room is shown, in less space. */
  isEditing: boolean
  zone: Box | undefined
}>()
const emit = defineEmits<{
  zone: [zone: Box]
  /** The picture's width by its height. */
  shape: [aspect: number]
}>()
const plan = useOpenPlan()
/** How the picture is looked at. */
const eye = defineModel<Eye>('eye', { required: true })

const { frame, values } = player
const stages = [
  { value: 'room', label: 'Room' },
  { value: 'tapes', label: 'Tapes' },
  { value: 'grid', label: 'Grid' },
] as const
const stage = ref<(typeof stages)[number]['value']>('room')
/** 0 at night to 1 at noon. */
const daylight = ref(0)
const areLightsOff = ref(false)

const notices = useNotices()
const room = useTemplateRef<{ picture: () => HTMLCanvasElement | null }>('room')
const filming = useFilm(player, {
  picture: () => room.value?.picture() ?? undefined,
  failed: (text) => {
    notices.show({ kind: 'problem', text })
  },
})
const { filmed } = filming
defineExpose({
  savePicture: () => {
    room.value?.picture()?.toBlob((blob) => {
      if (blob !== null) saveBlob(`${plan.value.name} at dusk.png`, blob)
    })
  },
  saveFilm: async () => {
    stage.value = 'room'
    await nextTick()
    const blob = await filming.make()
    if (blob !== undefined) saveBlob(`${show.name}.gif`, blob)
  },
})
</script>

<!-- Where the show is seen: the room at dusk, the tapes or the grid; and how it is looked at. -->
<template>
  <div
    class="relative flex min-h-0 flex-col max-[899px]:gap-2"
    :class="isEditing ? 'h-[30%] shrink-0 max-[899px]:h-auto' : 'flex-1 max-[899px]:flex-none'"
  >
    <SegmentedChoice
      v-if="!isEditing"
      v-model="stage"
      class="self-start min-[900px]:absolute min-[900px]:top-2 min-[900px]:left-2 min-[900px]:z-10"
      label="Shown as"
      :options="stages"
    />
    <p
      v-if="filmed !== undefined"
      class="night flex items-center gap-3 rounded-lg bg-bench-raised px-3 py-1 text-[13px] text-bench-ink min-[900px]:absolute min-[900px]:top-2 min-[900px]:right-2 min-[900px]:z-10"
      role="status"
    >
      Moving picture … {{ Math.round(100 * filmed) }} %
      <button class="button-quiet" @click="filming.cancel">Cancel</button>
    </p>
    <TapeStage
      v-if="!isEditing && stage !== 'room'"
      class="min-h-0 flex-1"
      :values="values"
      :frame="frame"
      :as="stage"
      @touch="player.touch"
    />
    <DuskStage
      v-show="isEditing || stage === 'room'"
      ref="room"
      class="relative min-h-0 flex-1 max-[899px]:h-auto"
      :frame="frame"
      :daylight="daylight"
      :values="values"
      :are-lights-off="areLightsOff"
      :zone="zone"
      @zone="emit('zone', $event)"
      @touch="player.touch"
      @shape="emit('shape', $event)"
    />
  </div>
  <EyeRow
    v-show="!isEditing"
    v-model:daylight="daylight"
    v-model:eye="eye"
    v-model:are-lights-off="areLightsOff"
    :is-room="stage === 'room'"
  >
    <slot />
  </EyeRow>
</template>
