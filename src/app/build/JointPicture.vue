<script setup lang="ts">
import { computed } from 'vue'
import type { Step } from '../../core/build/step'
import type { Tally } from '../../core/tally'
import { wireTint } from '../../formats/svg-diagram'

const { step, wiring } = defineProps<{ step: Step; wiring: Tally['wiring'] }>()

/** Wire ends that a picture can show without crowding. */
const mostEnds = 9

/** Where each wire of the step ends in it: on the left what comes, on the right what it meets. */
const ends = computed(() => {
  const joints = wiring.joints.filter(({ id }) => step.joints.includes(id))
  const terminals = new Set(joints.flatMap((joint) => joint.terminals))
  return wiring.wires.flatMap((wire) => {
    const own = [wire.from, wire.to].filter(({ id }) => terminals.has(id))
    return own.length === 0 ? [] : [{ wire, own }]
  })
})
const nameOf = (block: string): string => wiring.blocks.find(({ id }) => id === block)?.name ?? ''
/** A jumper from piece to piece has both its ends here. */
const isJumper = computed(() => ends.value.some(({ own }) => own.length > 1))
const rows = computed(() =>
  ends.value.map(({ wire, own }, index) => {
    const [near, far] = own.length > 1 ? [own[1], own[0]] : [own[0], undefined]
    return {
      y: 34 + index * 34,
      name: wire.name,
      role: wire.role,
      colour: wire.colour,
      tint: wireTint[wire.colour],
      label: near?.label ?? '',
      farLabel: far?.label ?? '',
    }
  }),
)
const box = computed(() => {
  const near = ends.value[0]?.own.at(-1)
  return near === undefined ? '' : nameOf(near.block)
})
const height = computed(() => 34 + rows.value.length * 34)
const isShown = computed(() => rows.value.length > 0 && rows.value.length <= mostEnds)
const meets = computed(() =>
  wiring.joints.filter(({ id }) => step.joints.includes(id)).flatMap((joint) => joint.meets),
)
</script>

<template>
  <svg
    v-if="isShown"
    :viewBox="`0 0 400 ${height}`"
    class="w-full max-w-[460px]"
    role="img"
    :aria-label="`${rows.map(({ name, label }) => `${name} to ${label}`).join(', ')}`"
  >
    <rect
      x="250"
      y="8"
      width="146"
      :height="height - 16"
      rx="6"
      fill="var(--color-bench-high)"
      stroke="var(--color-bench-line)"
    />
    <rect
      v-if="isJumper"
      x="4"
      y="8"
      width="100"
      :height="height - 16"
      rx="6"
      fill="var(--color-bench-high)"
      stroke="var(--color-bench-line)"
    />
    <g v-for="row in rows" :key="row.name">
      <line
        :x1="isJumper ? 100 : 4"
        :y1="row.y"
        x2="250"
        :y2="row.y"
        stroke="var(--color-bench-soft)"
        stroke-width="6"
      />
      <line
        :x1="isJumper ? 100 : 4"
        :y1="row.y"
        x2="250"
        :y2="row.y"
        :stroke="row.tint"
        stroke-width="4"
      />
      <circle
        cx="250"
        :cy="row.y"
        r="6"
        fill="var(--color-bench)"
        stroke="var(--color-bench-ink)"
        stroke-width="2"
      />
      <circle
        v-if="isJumper"
        cx="104"
        :cy="row.y"
        r="6"
        fill="var(--color-bench)"
        stroke="var(--color-bench-ink)"
        stroke-width="2"
      />
      <text :x="isJumper ? 118 : 8" :y="row.y - 8" font-size="15" fill="var(--color-bench-ink)">
        {{ row.name }}
        <tspan fill="var(--color-bench-soft)">
          {{ isJumper ? row.colour : `${row.role}, ${row.colour}` }}
        </tspan>
      </text>
      <text x="266" :y="row.y + 5" font-size="15.5" fill="var(--color-bench-ink)">
        {{ row.label }}
      </text>
      <text v-if="isJumper" x="14" :y="row.y + 5" font-size="15.5" fill="var(--color-bench-ink)">
        {{ row.farLabel }}
      </text>
    </g>
    <text
      v-if="!isJumper"
      x="388"
      :y="height - 16"
      text-anchor="end"
      font-size="14.5"
      fill="var(--color-bench-soft)"
    >
      {{ box }}
    </text>
  </svg>
  <ul v-else class="columns-1 gap-x-6 text-[15px] leading-snug lg:columns-2">
    <li v-for="(text, index) in meets" :key="index">{{ text }}</li>
  </ul>
</template>
