<script setup lang="ts">
import { ArrowDown, ArrowUp, Plus } from '@lucide/vue'
import { computed } from 'vue'
import { clockOf } from '../../core/glow/compile'
import { patterns } from '../../core/glow/patterns'
import type { Box } from '../../core/measure/geometry'
import type { Scene, Show, ShowLayer } from '../../core/plan/plan'
import { withSet } from '../../core/plan/with-set'
import NumberField from '../ui/NumberField.vue'
import PickField from '../ui/PickField.vue'
import LayerForm from './LayerForm.vue'
import { freeId, layerTint, patternName, placeText } from './layer-words'
import { openIn, withLayer, withScene } from './show-edit'
import TextField from '../ui/TextField.vue'
import TimeField from '../ui/TimeField.vue'
import { byName } from '../ui/option'
import { useOpenPlan } from '../stores/use-open-plan'

const { show, runs, lanes, room } = defineProps<{
  show: Show
  runs: ReadonlyMap<string, string>
  lanes: ReadonlyMap<string, string>
  /** What the picture shows, mm. */
  room: Box
}>()
const emit = defineEmits<{ put: [show: Show, label: string] }>()
const plan = useOpenPlan()
/** Ids of the scene and the layer that are open. */
const sceneId = defineModel<string | undefined>('scene')
const layerId = defineModel<string | undefined>('layer')

const scene = computed(() => openIn(show, sceneId.value, layerId.value).scene)
const layer = computed(() => openIn(show, sceneId.value, layerId.value).layer)
const put = (scenes: Scene[], label: string): void => {
  emit('put', { ...show, scenes }, label)
}
const putScene = (next: Scene, label: string): void => {
  emit('put', withScene(show, next), label)
}
function putLayer(next: ShowLayer, label: string): void {
  if (scene.value !== undefined) putScene(withLayer(scene.value, next), label)
}
function addScene(): void {
  const id = freeId('scene', show.scenes)
  const name = `Scene ${String(show.scenes.length + 1)}`
  put([...show.scenes, { id, name, seconds: 10, fade: 1, layers: [] }], 'add a scene')
  sceneId.value = id
}
function removeScene(): void {
  if (show.scenes.length < 2) return
  put(
    show.scenes.filter((one) => one !== scene.value),
    `remove ${scene.value?.name ?? ''}`,
  )
}
function addLayer(pattern: string): void {
  if (scene.value === undefined) return
  const { layers } = scene.value
  const id = freeId('layer', layers)
  const added: ShowLayer = {
    id,
    pattern,
    on: 'all',
    axis: 'joined',
    blend: 'add',
    opacity: 1,
    set: {},
  }
  putScene({ ...scene.value, layers: [...layers, added] }, 'add a layer')
  layerId.value = id
}
function removeLayer(): void {
  if (scene.value === undefined) return
  putScene(
    { ...scene.value, layers: scene.value.layers.filter((one) => one !== layer.value) },
    'remove a layer',
  )
}
function moveLayer(by: number): void {
  if (scene.value === undefined || layer.value === undefined) return
  const layers = [...scene.value.layers]
  const at = layers.indexOf(layer.value)
  if (at + by < 0 || at + by >= layers.length) return
  layers.splice(at, 1)
  layers.splice(at + by, 0, layer.value)
  putScene({ ...scene.value, layers }, 'move a layer')
}
function setSeconds(seconds: number): void {
  if (scene.value !== undefined) putScene({ ...scene.value, seconds }, 'how long it plays')
}
function setFade(fade: number): void {
  if (scene.value !== undefined) putScene({ ...scene.value, fade }, 'its fade')
}
/** What starts the scene, where an input does. */
const byInput = computed(() => {
  const own = scene.value?.start
  return own !== undefined && 'input' in own ? own : undefined
})
function setPerDay(perDay: number): void {
  const own = byInput.value
  if (own !== undefined && scene.value !== undefined)
    putScene({ ...scene.value, start: { ...own, perDay } }, 'how often a day')
}
/** The minute of the day at which the scene starts. */
const clock = computed(() => scene.value && clockOf(scene.value))
function setClock(minute: number): void {
  if (scene.value !== undefined)
    putScene({ ...scene.value, start: { clock: minute } }, 'when it starts')
}
function rename(name: string): void {
  if (scene.value !== undefined) putScene({ ...scene.value, name }, 'rename the scene')
}
const layerOptions = [{ value: '', label: 'Add a layer …' }, ...byName(patterns)]
const keys = [1, 2, 3, 4, 5, 6, 7, 8, 9] as const
const usualClock = 18 * 60
/** Everything that can start a scene. */
const starts = computed((): { label: string; start: Scene['start'] }[] => [
  { label: 'in its turn', start: undefined },
  { label: 'by the clock', start: { clock: usualClock } },
  ...plan.value.signal.inputs.flatMap(({ id: input, name, kind }) =>
    kind === 'remote'
      ? keys.map((key) => ({
          label: `key ${String(key)} of ${name}`,
          start: { input, when: 'on' as const, key },
        }))
      : [
          { label: `when ${name} goes on`, start: { input, when: 'on' as const } },
          { label: `when ${name} goes off`, start: { input, when: 'off' as const } },
        ],
  ),
])
/** Whether two scenes are started by the same, however late or often. */
function isSameStart(a: Scene['start'], b: Scene['start']): boolean {
  if (a === undefined || b === undefined) return a === b
  if ('clock' in a || 'clock' in b) return 'clock' in a && 'clock' in b
  return a.input === b.input && a.when === b.when && a.key === b.key
}
/** Which of them starts the scene; -1 where its input is gone. */
const started = computed(() =>
  starts.value.findIndex(({ start }) => isSameStart(start, scene.value?.start)),
)
function setStart(index: number): void {
  const start = starts.value[index]?.start
  if (scene.value === undefined) return
  const perDay = byInput.value?.perDay
  const isByClock = start !== undefined && 'clock' in start
  putScene(
    {
      ...withSet(scene.value, {
        start: start && (isByClock || perDay === undefined ? start : { ...start, perDay }),
      }),
      // A scene that was to play for seconds plays for the evening now.
      seconds: isByClock ? Math.max(scene.value.seconds, 3600) : scene.value.seconds,
    },
    'what starts it',
  )
}
</script>

<template>
  <section
    class="min-h-0 flex-1 overflow-y-auto rounded-lg border border-bench-line bg-bench-raised px-3.5 py-3"
    aria-label="Scenes and layers"
  >
    <div class="flex flex-wrap items-center gap-1.5" role="group" aria-label="Scenes">
      <button
        v-for="one in show.scenes"
        :key="one.id"
        class="button-quiet"
        :class="one === scene && 'border-glow text-glow'"
        :aria-pressed="one === scene"
        @click="sceneId = one.id"
      >
        {{ one.name }}
      </button>
      <button class="button-quiet" :disabled="show.scenes.length >= 40" @click="addScene">
        <Plus :size="13" /> Scene
      </button>
    </div>
    <template v-if="scene">
      <div class="mt-3 flex flex-wrap items-end gap-x-4 gap-y-2 text-[13px]">
        <TextField
          label="Name"
          width="w-44"
          :value="scene.name"
          :most="120"
          is-required
          @set="rename"
        />
        <PickField
          label="Starts"
          :options="starts.map(({ label }, index) => ({ value: index, label }))"
          :value="started"
          @pick="setStart"
        />
        <TimeField v-if="clock !== undefined" label="At" :minute="clock" @set="setClock" />
        <NumberField
          v-if="clock !== undefined"
          label="For"
          :value="scene.seconds / 3600"
          :least="0.01"
          :most="24"
          @set="setSeconds($event * 3600)"
        >
          h
        </NumberField>
        <NumberField
          v-else
          :label="scene.start ? 'Goes on for' : 'Plays for'"
          unit="s"
          :value="scene.seconds"
          :least="0.1"
          :most="86_400"
          @set="setSeconds"
        />
        <NumberField
          label="Fades in within"
          unit="s"
          :value="scene.fade"
          :least="0"
          :most="600"
          @set="setFade"
        />
        <NumberField
          v-if="byInput"
          label="Times a day in the dark"
          width="w-24"
          :value="byInput.perDay ?? 0"
          :least="0"
          :most="10_000"
          @set="setPerDay"
        />
        <button
          class="button-quiet ml-auto"
          :disabled="show.scenes.length < 2"
          @click="removeScene"
        >
          Remove the scene
        </button>
      </div>
      <div
        class="mt-3 grid gap-3 border-t border-bench-line pt-3 min-[700px]:grid-cols-[15rem_minmax(0,1fr)]"
      >
        <div>
          <ul class="grid gap-1">
            <li v-for="one in scene.layers" :key="one.id">
              <button
                class="flex w-full items-center gap-2 rounded-md border px-2 py-1.5 text-left text-[13px]"
                :class="one === layer ? 'border-glow' : 'border-bench-line hover:bg-bench-high'"
                :aria-pressed="one === layer"
                @click="layerId = one.id"
              >
                <span
                  class="size-3 shrink-0 rounded-full"
                  :style="{ background: layerTint(one) }"
                  aria-hidden="true"
                />
                <span class="min-w-0" :class="one.isOff && 'line-through opacity-60'">
                  {{ patternName(one) }}
                  <span class="block truncate text-[12px] text-bench-soft">
                    {{ placeText(one, runs) }}
                  </span>
                </span>
              </button>
            </li>
          </ul>
          <p v-if="scene.layers.length === 0" class="text-[13px] text-bench-soft">
            Nothing plays in this scene: it is dark. Add a layer.
          </p>
          <div class="mt-2 flex gap-1.5">
            <PickField
              label="Add a layer"
              layout="unseen"
              :options="layerOptions"
              value=""
              is-action
              :disabled="scene.layers.length >= 40"
              @pick="addLayer"
            />
            <button class="button-quiet px-1.5" aria-label="Layer up" @click="moveLayer(-1)">
              <ArrowUp :size="14" />
            </button>
            <button class="button-quiet px-1.5" aria-label="Layer down" @click="moveLayer(1)">
              <ArrowDown :size="14" />
            </button>
          </div>
        </div>
        <LayerForm
          v-if="layer"
          :key="`${scene.id} ${layer.id}`"
          :layer="layer"
          :runs="runs"
          :lanes="lanes"
          :room="room"
          @set="putLayer"
          @remove="removeLayer"
        />
      </div>
    </template>
  </section>
</template>
