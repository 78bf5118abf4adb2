<script setup lang="ts">
import { Pause, Play, Repeat, RotateCcw } from '@lucide/vue'
import { computed, useTemplateRef } from 'vue'
import type { Played } from '../../core/glow/play'
import { clockText } from '../../core/roll/show'
import type { Show } from '../../core/plan/plan'
import { layerTint, patternName, placeText } from './layer-words'
import type { ShowPlayer } from './use-show'
import PickField from '../ui/PickField.vue'

const { show, player, played, runs, waiting, isTouched } = defineProps<{
  show: Show
  player: ShowPlayer
  played: Played | undefined
  runs: ReadonlyMap<string, string>
  /** Why it may not be played yet. */
  waiting: string | undefined
  isTouched: boolean
}>()
const emit = defineEmits<{ play: []; forget: []; edit: [scene: string, layer: string] }>()

const { ms, lengthMs, isPlaying, isLooping, speed, rate, frame } = player
const speeds = [
  { value: 0.1, label: '1/10 speed' },
  { value: 0.25, label: '1/4 speed' },
  { value: 0.5, label: '1/2 speed' },
  { value: 1, label: 'full speed' },
  { value: 2, label: 'twice as fast' },
] as const

/** From when to when a scene plays, as shares of the show: as it was played, or as it is planned. */
const spans = computed((): readonly (readonly (readonly [from: number, to: number])[])[] => {
  const bySpan = show.scenes.map((): [number, number][] => [])
  if (played !== undefined) {
    const frames = played.scenes.length
    for (let at = 0; at < frames; at += 1) {
      const own = bySpan[played.scenes[at] ?? 0]
      const last = own?.at(-1)
      if (last !== undefined && Math.round(last[1] * frames) === at) last[1] = (at + 1) / frames
      else own?.push([at / frames, (at + 1) / frames])
    }
    return bySpan
  }
  let from = 0
  for (const [index, { start, seconds }] of show.scenes.entries()) {
    if (start !== undefined) continue
    const to = from + (seconds * 1000) / lengthMs.value
    bySpan[index]?.push([from, Math.min(1, to)])
    from = to
  }
  return bySpan
})
const rows = computed(() =>
  show.scenes.flatMap((scene, index) =>
    scene.layers.map((layer) => ({
      key: `${scene.id} ${layer.id}`,
      scene,
      layer,
      name: patternName(layer),
      place: placeText(layer, runs),
      tint: layerTint(layer),
      spans: spans.value[index] ?? [],
    })),
  ),
)
const head = computed(() => `${String((100 * ms.value) / lengthMs.value)}%`)

const bands = useTemplateRef<HTMLElement>('bands')
function scrub(event: PointerEvent): void {
  const box = bands.value?.getBoundingClientRect()
  if (box === undefined || (event.type === 'pointermove' && event.buttons !== 1)) return
  if (event.type === 'pointerdown') bands.value?.setPointerCapture(event.pointerId)
  player.seek(((event.clientX - box.left) / box.width) * lengthMs.value)
}
function nudge(event: KeyboardEvent): void {
  const by = { ArrowLeft: -100, ArrowRight: 100, PageDown: 1000, PageUp: -1000 }[event.key]
  if (event.key === 'Home') player.seek(0)
  else if (event.key === 'End') player.seek(lengthMs.value)
  else if (by === undefined) return
  else player.seek(ms.value + by)
  event.preventDefault()
}
</script>

<template>
  <section
    class="night rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Time"
  >
    <div class="flex min-h-[38px] flex-wrap items-center gap-x-3 gap-y-2">
      <button
        class="button-main w-24 justify-center py-2"
        :disabled="waiting !== undefined"
        @click="emit('play')"
      >
        <component :is="isPlaying ? Pause : Play" :size="15" />
        {{ isPlaying ? 'Pause' : 'Play' }}
      </button>
      <span class="w-14 font-mono text-[15px] font-semibold">{{ clockText(ms / 1000) }}</span>
      <span class="w-36 text-[12.5px] text-bench-soft">
        of {{ clockText(lengthMs / 1000) }}
        <template v-if="waiting">· {{ waiting }}</template>
        <template v-else-if="isPlaying">· {{ rate }} frames/s</template>
      </span>
      <span class="text-[12.5px] max-[899px]:order-last max-[899px]:w-full"><slot /></span>
      <PickField
        class="ml-auto"
        label="How fast"
        layout="unseen"
        :options="speeds"
        :value="speed"
        @pick="speed = $event"
      />
      <button
        class="button-quiet"
        :aria-pressed="isLooping"
        :class="isLooping && 'bg-bench-line'"
        aria-label="Again and again"
        title="Again and again"
        @click="isLooping = !isLooping"
      >
        <Repeat :size="14" />
      </button>
      <button class="button-quiet" :disabled="!isTouched" @click="emit('forget')">
        <RotateCcw :size="14" /> <span class="max-[599px]:sr-only">Forget touches</span>
      </button>
    </div>
    <div
      class="mt-2.5 grid max-h-[84px] grid-cols-[minmax(0,2fr)_minmax(0,5fr)] gap-x-3 overflow-y-auto"
    >
      <ul>
        <li v-for="{ key, scene, layer, name, place } in rows" :key="key" class="h-6">
          <button
            class="block w-full truncate text-left text-[12.5px] leading-6 hover:text-glow"
            :class="[
              layer.isOff && 'line-through opacity-60',
              frame?.scene === scene.name ? 'text-bench-ink' : 'text-bench-soft',
            ]"
            :title="`${scene.name}: ${name} on ${place}`"
            @click="emit('edit', scene.id, layer.id)"
          >
            {{ name }} · {{ place }}
          </button>
        </li>
      </ul>
      <div
        ref="bands"
        class="relative cursor-ew-resize touch-none focus-visible:-outline-offset-2"
        role="slider"
        tabindex="0"
        aria-label="Time in the show"
        aria-valuemin="0"
        :aria-valuemax="lengthMs / 1000"
        :aria-valuenow="Math.round(ms / 100) / 10"
        :aria-valuetext="`${clockText(ms / 1000)}, ${frame?.scene ?? ''}`"
        @pointerdown="scrub"
        @pointermove="scrub"
        @keydown="nudge"
      >
        <div v-for="row in rows" :key="row.key" class="flex h-6 items-center">
          <span class="relative block h-4 w-full overflow-hidden rounded-[3px] bg-bench">
            <span
              v-for="[from, to] in row.spans"
              :key="from"
              class="absolute inset-y-0 rounded-[3px]"
              :class="row.layer.isOff && 'opacity-25'"
              :style="{
                left: `${100 * from}%`,
                width: `${100 * (to - from)}%`,
                background: `color-mix(in srgb, ${row.tint} 62%, #15161c)`,
              }"
            />
          </span>
        </div>
        <span
          class="pointer-events-none absolute inset-y-0 w-0.5 bg-glow"
          :style="{ left: head }"
          aria-hidden="true"
        />
      </div>
    </div>
  </section>
</template>
