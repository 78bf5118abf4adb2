<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed, useTemplateRef } from 'vue'
import { stripOf } from '../../core/parts/find-strips'
import { formatLength, formatQuantity } from '../../core/quantity/format'
import PlanFrame from '../shell/PlanFrame.vue'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import { usePart } from '../stores/use-parts'
import { useSpotlight } from '../stores/spotlight'
import RunTape from '../tape/RunTape.vue'
import TapeRuler from '../tape/TapeRuler.vue'
import { useTapes } from '../tape/use-tapes'
import ListRest from '../ui/ListRest.vue'
import HouseRules from '../measure/HouseRules.vue'
import type { Piece } from '../../core/cut/cut'
import type { Line } from '../../core/plan/plan'
import type { TallyRun } from '../../core/tally'
import { cutPart, splitAt } from './cutting'
import CutList from './CutList.vue'
import ReelsPanel from './ReelsPanel.vue'
import NothingYet from '../shell/NothingYet.vue'

const store = usePlanStore()
const plan = useOpenPlan()
const spotlight = useSpotlight()
const { parts } = storeToRefs(store)
const [reels, prewired] = [usePart('reels'), usePart('prewired')]

const sheets = [
  { value: 'tapes', label: 'Tapes' },
  { value: 'reels', label: 'Reels' },
] as const

const area = useTemplateRef<HTMLElement>('area')
const { runs, runsLeft, areRunsNear, nameWidth, tapeWidth, scale } = useTapes(area, 40, 132)
/** Nodes on wire come as they are: there is nothing to cut. */
const tapes = computed(() => runs.value.filter(({ lights }) => lights === 0))
/** Where the factory's splices fall, by the name of the piece: where that is cut from one reel. */
const splices = computed(
  () =>
    new Map(
      reels.value?.flatMap(({ reels: bins }) =>
        bins.flatMap(({ cuts }) =>
          cuts.flatMap(({ piece, parts, splicesMm }) => (parts === 1 ? [[piece, splicesMm]] : [])),
        ),
      ),
    ) as ReadonlyMap<string, readonly number[]>,
)
let drags = 0
const lineOf = (id: string): Line | undefined => store.plan?.lines.find((line) => line.id === id)

/** An end or a split moves by whole groups. */
function moveEnd(id: string, piece: Piece, by: number, isDrag: boolean): void {
  const line = lineOf(id)
  const run = runs.value.find((one) => one.id === id)
  if (line === undefined || run === undefined) return
  const part = run.pieces.filter((other) => other.part === piece.part)
  const isSplit = part.at(-1)?.name !== piece.name
  const options = { label: `end of ${piece.name}`, key: `end.${piece.name}`, isDrag }
  if (!isSplit) {
    store.commit([cutPart(line, piece.part, ({ more }) => ({ more: more + by }))], options)
    return
  }
  const groups = part.reduce((sum, one) => sum + one.groups, 0)
  const at = piece.fromGroup + piece.groups
  const measured = line.isTurned === true ? groups - at : at
  const to = Math.min(groups - 1, Math.max(1, measured + (line.isTurned === true ? -by : by)))
  store.commit(
    [
      cutPart(line, piece.part, ({ splits }) => ({
        splits: [...new Set(splits.map((split) => (split === measured ? to : split)))],
      })),
    ],
    options,
  )
}
function cutOff(id: string, piece: Piece, mm: number, isDrag: boolean): void {
  const line = lineOf(id)
  if (line === undefined) return
  store.commit([cutPart(line, piece.part, () => ({ offMm: Math.round(mm * 10) / 10 }))], {
    label: `cut of ${piece.name} off its mark`,
    key: `off.${piece.name}`,
    isDrag,
  })
}
function split(run: TallyRun, piece: Piece, mark: number): void {
  const line = lineOf(run.id)
  if (line === undefined) return
  drags += 1
  const groups = run.pieces
    .filter((other) => other.part === piece.part)
    .reduce((sum, one) => sum + one.groups, 0)
  store.commit([splitAt(line, piece, groups, mark)], {
    label: mark === piece.groups ? `join ${piece.name}` : `split ${piece.name}`,
    key: `split.${String(drags)}`,
  })
}
</script>

<template>
  <PlanFrame
    stage="cut"
    title="Cut"
    hint="Every piece to one ruler: whole groups, cut at their marks."
    :sheets="sheets"
  >
    <template #tools><HouseRules /></template>
    <template #default="{ shows }">
      <div
        v-if="shows('tapes')"
        ref="area"
        class="min-h-0 flex-1 overflow-y-auto rounded-lg bg-bench-raised px-4 py-3"
        role="group"
        aria-label="Tapes"
        tabindex="0"
      >
        <NothingYet v-if="tapes.length === 0" what="No strip to cut yet" />
        <template v-else>
          <TapeRuler
            class="sticky -top-3 z-10 -mt-3 box-content bg-bench-raised pt-3"
            :style="{ marginLeft: nameWidth === 0 ? '0' : `${nameWidth + 12}px` }"
            :scale="scale"
            :width="tapeWidth"
            :units="plan.units"
          />
          <div
            v-for="run in tapes"
            :key="run.id"
            class="flex flex-wrap items-start gap-x-3 rounded"
            :data-tape="run.id"
            @pointerenter="spotlight.light([run.id])"
            @pointerleave="spotlight.dim"
          >
            <div
              class="pt-[13px] leading-tight"
              :style="{ width: nameWidth === 0 ? '100%' : `${nameWidth}px` }"
            >
              <p class="truncate font-semibold" :class="spotlight.lit.has(run.id) && 'text-glow'">
                {{ run.name }}
              </p>
              <p class="text-[12px] text-bench-soft">
                {{ formatLength(run.placedMm, plan.units)
                }}<template v-if="run.pixels > 0">
                  · {{ formatQuantity(run.pixels, 'px') }}</template
                >
              </p>
            </div>
            <RunTape
              :run="run"
              :strip="stripOf(parts, run.stripId)"
              :scale="scale"
              :width="tapeWidth"
              :units="plan.units"
              :is-lit="spotlight.lit.has(run.id)"
              :splices="splices"
              @end="(piece, by, isDrag) => moveEnd(run.id, piece, by, isDrag)"
              @off="(piece, mm, isDrag) => cutOff(run.id, piece, mm, isDrag)"
              @split="(piece, mark) => split(run, piece, mark)"
            />
          </div>
          <ListRest v-model="areRunsNear" :rows="runsLeft" :row-px="70" />
        </template>
      </div>
      <ReelsPanel
        v-if="shows('reels') && reels && prewired && reels.length > 0"
        :reels="reels"
        :prewired="prewired"
      />
      <CutList v-if="reels" :reels="reels" />
    </template>
  </PlanFrame>
</template>
