<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, useTemplateRef } from 'vue'
import { extensionsText, portsLeft, type Branch } from '../../core/feed/branches'
import { formatLength, formatQuantity, plural } from '../../core/quantity/format'
import { useSpotlight } from '../stores/spotlight'
import { layBranches, type PlacedBranch } from './branch-layout'
import { useOpenPlan } from '../stores/use-open-plan'

const { roots, label } = defineProps<{
  roots: readonly Branch[]
  label: string
}>()
const plan = useOpenPlan()

const spotlight = useSpotlight()
const most = ref(60)
const area = useTemplateRef<HTMLElement>('area')
const { width } = useElementSize(area)
const drawing = computed(() => layBranches(roots, most.value, width.value - 8))
/** Letters that fit beside a branch, in the size of its name and of what stands beneath. */
const room = computed(() => drawing.value.column - 38)
const mostA = computed(() => Math.max(...roots.map(({ currentA }) => currentA), 0.001))

/** As thick as it carries, within reason. */
const thick = ({ currentA }: Branch): number => 1 + 4 * Math.sqrt(currentA / mostA.value)
const wayOf = ({ x, y, from }: PlacedBranch): string => {
  if (from === undefined) return ''
  const [start, bend] = [from.x + 5, x - 22]
  return `M${String(start)} ${String(from.y)}H${String(bend)}V${String(y)}H${String(x - 5)}`
}
/** What it is, the plugs that are left, and the lead to it. */
function detail(branch: Branch): string {
  const { kind, leadMm, what } = branch
  const left = portsLeft(branch)
  return [
    ...(what === undefined ? [] : [what]),
    ...(left === undefined
      ? []
      : [
          left < 0
            ? `${plural(-left, 'plug')} short`
            : left === 0
              ? 'full'
              : `${String(left)} free`,
        ]),
    ...(leadMm === undefined || leadMm === 0
      ? []
      : [
          `${kind === 'lights' ? 'up to ' : ''}${formatLength(Math.round(leadMm), plan.value.units)}`,
        ]),
  ].join(' · ')
}
const extension = ({ extensionsMm }: Branch): string =>
  extensionsMm.length === 0 ? '' : `+ ${extensionsText(extensionsMm)}`
/** A splitter is plugged in milliamperes. */
const ampere = ({ currentA }: Branch): string =>
  currentA < 1 ? formatQuantity(currentA * 1000, 'mA') : formatQuantity(currentA, 'A')
const short = (text: string, most_: number): string =>
  text.length > most_ ? `${text.slice(0, most_ - 1)}…` : text
const toneOf = (branch: Branch): string =>
  (portsLeft(branch) ?? 0) < 0 ? 'fill-stop' : 'fill-bench-soft'
</script>

<!-- What hangs on what, from the supply to the lights: lengths, plugs that are left, and the current in every branch. -->
<template>
  <div ref="area" class="overflow-x-auto" tabindex="0" role="group" :aria-label="label">
    <svg :width="drawing.width + 8" :height="drawing.height" class="block">
      <path
        v-for="one in drawing.placed"
        :key="`way ${one.branch.id}`"
        :d="wayOf(one)"
        class="fill-none"
        :class="spotlight.lit.has(one.branch.about[0] ?? '') ? 'stroke-glow' : 'stroke-bench-line'"
        :stroke-width="thick(one.branch)"
        stroke-linejoin="round"
      />
      <g
        v-for="one in drawing.placed"
        :key="one.branch.id"
        :transform="`translate(${one.x + 6} ${one.y})`"
        @pointerenter="spotlight.light([...one.branch.about])"
        @pointerleave="spotlight.dim"
      >
        <title>
          {{ one.branch.name }}: {{ ampere(one.branch) }},
          {{ detail(one.branch) }}
          {{ extension(one.branch) }}
        </title>
        <rect x="-4" y="-18" :width="drawing.column - 30" height="36" class="fill-bench-raised" />
        <circle
          cx="0"
          cy="0"
          :r="one.branch.kind === 'lights' ? 3 : 5"
          :class="
            one.branch.kind === 'lights' || one.branch.kind === 'run'
              ? 'fill-glow'
              : 'fill-bench stroke-bench-soft'
          "
          stroke-width="1.5"
        />
        <text x="10" y="-3" class="fill-bench-ink text-[12px] font-semibold">
          {{ short(one.branch.name, Math.floor((room - 52) / 6.4)) }}
          <tspan class="fill-glow font-mono text-[12px] font-normal">
            {{ ampere(one.branch) }}
          </tspan>
        </text>
        <text x="10" y="12" class="text-[12px]" :class="toneOf(one.branch)">
          {{ short(detail(one.branch), Math.floor(room / 5)) }}
        </text>
        <text x="10" y="24" class="fill-warning text-[12px]">
          {{ short(extension(one.branch), Math.floor(room / 5)) }}
        </text>
      </g>
    </svg>
    <button v-if="drawing.left > 0" class="link-quiet mt-1" @click="most += 300">
      {{ drawing.left }} more
    </button>
  </div>
</template>
