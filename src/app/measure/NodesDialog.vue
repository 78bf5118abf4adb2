<script setup lang="ts">
import { Trash2 } from '@lucide/vue'
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import type { MeasuredRun } from '../../core/measure/measure'
import { isOnWire } from '../../core/cut/on-wire'
import { stripOf } from '../../core/parts/find-strips'
import { nodeParts } from '../../core/parts/node-parts'
import { nodeReads, objectShapes, readerKinds } from '../../core/plan/choices'
import { mostNodeWires } from '../../core/plan/lights'
import type { LightNode, NodePart } from '../../core/plan/plan'
import { withSet } from '../../core/plan/with-set'
import { formatLength, formatQuantity, plural } from '../../core/quantity/format'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import LengthField from '../ui/LengthField.vue'
import NumberField from '../ui/NumberField.vue'
import { named, type Option } from '../ui/option'
import PickField from '../ui/PickField.vue'
import SheetDialog from '../ui/SheetDialog.vue'
import TextField from '../ui/TextField.vue'
import CoverPicture from './CoverPicture.vue'
import { bareNode, withPart, withPartSet, withoutPart } from './node-edit'

const { run } = defineProps<{ run: MeasuredRun }>()
const emit = defineEmits<{ close: [] }>()
const plan = useOpenPlan()

const store = usePlanStore()
const node = computed(() => run.line.node ?? bareNode)
const isString = computed(() => {
  const { stripId = plan.value.defaults.stripId } = run.line
  return isOnWire({ run, strip: stripOf(store.parts, stripId) })
})
const sums = computed(() => store.tally?.nodes.find(({ id }) => id === run.id))

function set(next: LightNode, label: string): void {
  const isBare = next.parts.length === 0 && Object.keys(next).length === 1
  store.commit([{ do: 'set-lines', lines: [run.id], set: { node: isBare ? undefined : next } }], {
    label: `${label} of ${run.name}`,
    key: `node.${run.id}.${label}`,
  })
}
const partOptions: readonly Option[] = [
  { value: '', label: '+ put into each node …' },
  ...nodeParts.map(({ name }) => ({ value: name, label: name })),
]
function addPart(name: string): void {
  const found = nodeParts.find((part) => part.name === name)
  if (found !== undefined) set(withPart(node.value, found, nanoid(8)), `add ${found.name}`)
}
const setPart = (part: NodePart, change: Partial<NodePart>): void => {
  set(withPartSet(node.value, part.id, change), `${part.name}, ${Object.keys(change).join()}`)
}

type Counted = 'count' | 'holes' | 'holeMm' | 'wires' | 'minutes' | 'mA' | 'channels'
const columns: readonly {
  key: Counted
  label: string
  least: number
  most: number
  isWhole: boolean
}[] = [
  { key: 'count', label: 'in each', least: 1, most: 100, isWhole: true },
  { key: 'holes', label: 'holes', least: 0, most: 100, isWhole: true },
  { key: 'holeMm', label: 'of mm', least: 0.1, most: 1_000, isWhole: false },
  { key: 'wires', label: 'wires', least: 0, most: 100, isWhole: true },
  { key: 'minutes', label: 'min', least: 0, most: 1_000, isWhole: false },
  { key: 'mA', label: 'mA', least: 0, most: 10_000, isWhole: false },
  { key: 'channels', label: 'signals', least: 0, most: 100, isWhole: true },
]
/** All parts of one kind share the wires and signals that a node can have. */
function mostOf(part: NodePart, key: Counted, most: number): number {
  if (key === 'wires' || key === 'channels') return Math.floor(mostNodeWires / part.count)
  if (key !== 'count') return most
  const each = Math.max(part.wires, part.channels)
  return each === 0 ? most : Math.floor(mostNodeWires / each)
}
const reads = named(nodeReads)
const draws = [
  { value: 'always', label: 'in all nodes' },
  { value: 'scanned', label: 'in one at a time' },
] as const
const readers: readonly Option<'none' | 'columns' | 'channels'>[] = [
  { value: 'none', label: 'the plan’s board reads all' },
  ...readerKinds.map((value) => ({ value, label: `boards by ${value}` })),
]
const setReaders = (by: 'none' | 'columns' | 'channels'): void => {
  const each = node.value.readers?.each ?? (by === 'columns' ? 1 : 16)
  set(
    withSet<LightNode>(node.value, { readers: by === 'none' ? undefined : { by, each } }),
    'boards',
  )
}
function setSample(sampleMin: number | undefined): void {
  set(withSet<LightNode>(node.value, { sampleMin }), 'what the first took')
}
function setPixels(pixels: number): void {
  set(withSet<LightNode>(node.value, { pixels: pixels > 1 ? pixels : undefined }), 'pixels in each')
}
const shapes: readonly Option<'none' | 'round' | 'square'>[] = [
  { value: 'none', label: 'nothing' },
  ...named(objectShapes),
]
const setObject = (shape: 'none' | 'round' | 'square'): void => {
  const mm = node.value.object?.mm ?? 80
  set(
    withSet<LightNode>(node.value, { object: shape === 'none' ? undefined : { shape, mm } }),
    'what lies on them',
  )
}
</script>

<template>
  <SheetDialog :title="`Nodes of ${run.name}`" width="max-w-5xl" @close="emit('close')">
    <p class="mb-3 text-bench-soft">
      Each of the {{ plural(run.lights.length, 'light') }} is a small assembly. Say once what is in
      one of them; build one first, time it, and the rest follows.
    </p>
    <div class="overflow-x-auto">
      <table v-if="node.parts.length > 0" class="w-full text-left text-[12.5px]">
        <thead class="text-[12px] text-bench-soft">
          <tr>
            <th class="pr-2 pb-1 font-normal">In each node</th>
            <th v-for="column in columns" :key="column.key" class="px-1 pb-1 font-normal">
              {{ column.label }}
            </th>
            <th class="px-1 pb-1 font-normal">read as</th>
            <th class="px-1 pb-1 font-normal">draws</th>
            <th class="sr-only">Remove</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in node.parts" :key="part.id">
            <td class="py-0.5 pr-2">
              <TextField
                :label="`Name of ${part.name}`"
                layout="unseen"
                width="w-44"
                :value="part.name"
                :most="120"
                is-required
                @set="(name) => setPart(part, { name })"
              />
            </td>
            <td v-for="column in columns" :key="column.key" class="px-1 py-0.5">
              <NumberField
                :label="`${part.name}: ${column.label}`"
                layout="unseen"
                width="w-16"
                :value="part[column.key]"
                :least="column.least"
                :most="mostOf(part, column.key, column.most)"
                :is-whole="column.isWhole"
                @set="(value) => setPart(part, { [column.key]: value })"
              />
            </td>
            <td class="px-1 py-0.5">
              <PickField
                :label="`${part.name}: read as`"
                layout="unseen"
                :options="reads"
                :value="part.reads"
                :disabled="part.channels === 0"
                @pick="(value) => setPart(part, { reads: value })"
              />
            </td>
            <td class="px-1 py-0.5">
              <PickField
                :label="`${part.name}: draws`"
                layout="unseen"
                :options="draws"
                :value="part.isScanned === true ? 'scanned' : 'always'"
                :disabled="part.mA === 0"
                @pick="(how) => setPart(part, { isScanned: how === 'scanned' || undefined })"
              />
            </td>
            <td class="py-0.5 pl-1">
              <button
                type="button"
                class="button-quiet px-2"
                :aria-label="`Take ${part.name} out`"
                @click="set(withoutPart(node, part.id), `take ${part.name} out`)"
              >
                <Trash2 :size="14" />
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <PickField
      class="mt-2"
      label="Put something into each node"
      layout="unseen"
      :options="partOptions"
      value=""
      is-action
      @pick="addPart"
    />
    <div class="mt-4 grid gap-5 min-[760px]:grid-cols-2">
      <div class="space-y-3">
        <div class="flex flex-wrap items-end gap-x-3 gap-y-2 text-[12px] text-bench-soft">
          <PickField
            label="Their signals"
            :options="readers"
            :value="node.readers?.by ?? 'none'"
            @pick="setReaders"
          />
          <NumberField
            v-if="node.readers"
            :label="`${node.readers.by} a board`"
            :value="node.readers.each"
            :least="1"
            :most="1000"
            is-whole
            @set="
              (each) =>
                node.readers && set({ ...node, readers: { ...node.readers, each } }, 'boards')
            "
          />
          <NumberField
            v-if="isString"
            label="Pixels in each"
            :value="node.pixels ?? 1"
            :least="1"
            :most="100"
            is-whole
            @set="setPixels"
          />
          <NumberField
            label="The first took"
            width="w-24"
            unit="min"
            :value="node.sampleMin"
            :least="0.1"
            :most="10_000"
            is-optional
            :placeholder="sums ? formatQuantity(sums.each.minutes, 'min') : ''"
            @set="setSample"
            @clear="setSample(undefined)"
          />
        </div>
        <dl
          v-if="sums"
          class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 rounded-md bg-bench px-3 py-2.5"
          data-testid="node-sums"
        >
          <dt class="text-bench-soft">all {{ sums.nodes }}</dt>
          <dd>
            {{ plural(sums.nodes * sums.each.parts, 'part') }},
            {{ plural(sums.nodes * sums.each.wires, 'wire') }},
            {{ formatQuantity(sums.currentA, 'A') }} all the time
          </dd>
          <template v-if="sums.holes.length > 0">
            <dt class="text-bench-soft">holes</dt>
            <dd>
              {{
                sums.holes
                  .map(({ mm, count }) => `${count} of ${formatLength(mm, plan.units)}`)
                  .join(', ')
              }}
            </dd>
          </template>
          <template v-if="sums.readers && node.readers">
            <dt class="text-bench-soft">boards</dt>
            <dd>
              {{ sums.readers.boards }} by {{ node.readers.by }},
              {{ sums.readers.left === 0 ? 'all taken' : `${sums.readers.left} free on the last` }}
            </dd>
          </template>
          <template v-else-if="sums.each.channels > 0">
            <dt class="text-bench-soft">pins</dt>
            <dd>{{ sums.nodes * sums.each.channels }} of the plan’s board</dd>
          </template>
          <dt class="text-bench-soft">to build</dt>
          <dd>
            <b class="text-glow">{{ formatQuantity(sums.minutes, 'min') }}</b>
            <template v-if="node.sampleMin">
              · the first is done, {{ formatQuantity(sums.restMinutes, 'min') }} to go</template
            >
            <template v-else> · by starting minutes: build one and time it</template>
          </dd>
        </dl>
      </div>
      <div>
        <div class="mb-2 flex flex-wrap items-end gap-x-3 gap-y-2 text-[12px] text-bench-soft">
          <PickField
            label="What lies on them"
            :options="shapes"
            :value="node.object?.shape ?? 'none'"
            @pick="setObject"
          />
          <LengthField
            v-if="node.object"
            :label="node.object.shape === 'round' ? 'Diameter' : 'Side'"
            width="w-24"
            :mm="node.object.mm"
            :least="1"
            :most="10_000"
            :units="plan.units"
            is-required
            @set="
              (mm) =>
                node.object &&
                mm !== undefined &&
                set({ ...node, object: { ...node.object, mm } }, 'what lies on them')
            "
          />
        </div>
        <CoverPicture v-if="node.object" :run="run" :object="node.object" :units="plan.units" />
        <p v-else class="text-[12px] text-bench-soft">
          A cup, a hand, a book: give its size and see which nodes it covers.
        </p>
      </div>
    </div>
  </SheetDialog>
</template>
