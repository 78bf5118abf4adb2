<script setup lang="ts">
import type { Bar } from '../../core/buy/bars'
import type { MaterialSheets, SheetPiece } from '../../core/buy/sheets'
import { sawKerfMm } from '../../core/parts/profiles'
import { formatBore, formatLength } from '../../core/quantity/format'
import { usePart } from '../stores/use-parts'
import BoxesPanel from './BoxesPanel.vue'
import { useOpenPlan } from '../stores/use-open-plan'

const plan = useOpenPlan()
const [bars, sheets, boxes] = [usePart('bars'), usePart('sheets'), usePart('boxes')]
const length = (mm: number): string => formatLength(mm, plan.value.units)

/** Pieces of a bar with where they begin, each a saw's cut behind the one before. */
function placed({ pieces }: Bar): { name: string; from: number; mm: number }[] {
  let from = 0
  return pieces.map(({ name, lengthMm }) => {
    const own = { name, from, mm: lengthMm }
    from += lengthMm + sawKerfMm
    return own
  })
}
const piecesText = (bar: Bar): string =>
  placed(bar)
    .map(({ name, mm }) => `${name} ${length(mm)}`)
    .join(', ')
/** Bars are drawn to one scale: short ones are not made to look long. */
const share = (mm: number, { lengthMm }: Bar): string =>
  `${String((100 * mm) / Math.max(2000, lengthMm))}%`
const sizeText = ({ size }: MaterialSheets): string =>
  `${length(size.widthMm)} × ${length(size.heightMm)}`
const pieceText = ({ name, widthMm, heightMm, isTurned }: SheetPiece): string =>
  `${name}: ${length(isTurned ? heightMm : widthMm)} × ${length(isTurned ? widthMm : heightMm)}${isTurned ? ', turned' : ''}`
</script>

<template>
  <div
    class="min-h-0 flex-1 overflow-y-auto rounded-lg bg-bench-raised px-4 py-3 text-[13px]"
    tabindex="0"
    role="group"
    aria-label="Bars, sheets and boxes"
  >
    <p v-if="bars?.length === 0 && sheets?.length === 0" class="mb-6 text-bench-soft">
      No profile and no sheet yet. Choose them on the Measure page, under “how it is mounted”.
    </p>
    <section v-for="{ profile, bars: own, isProved } in bars" :key="profile.id" class="mb-6">
      <h2 class="mb-1 font-semibold">
        {{ profile.name }}
        <span class="font-normal text-bench-soft">
          · the saw takes {{ formatBore(sawKerfMm, plan.units) }} ·
          {{ isProved ? 'as cheap as can be' : 'the cheapest way found' }}
        </span>
      </h2>
      <div v-for="(bar, index) in own" :key="index" class="mb-3">
        <div
          class="relative h-9"
          role="img"
          :aria-label="`Bar ${index + 1} of ${length(bar.lengthMm)}: ${piecesText(bar)}`"
        >
          <span
            class="absolute inset-y-0 left-0 rounded bg-bench-line"
            :style="{ width: share(bar.lengthMm, bar) }"
          />
          <span
            v-for="piece in placed(bar)"
            :key="piece.name"
            class="absolute inset-y-0.5 truncate rounded bg-glow px-1 text-center text-[12.5px] leading-8 font-semibold text-bench"
            :style="{ left: share(piece.from, bar), width: share(piece.mm, bar) }"
            >{{ piece.name }} · {{ length(piece.mm) }}</span
          >
        </div>
        <p class="text-bench-soft">
          bar {{ index + 1 }} of {{ length(bar.lengthMm) }}: {{ piecesText(bar) }} ·
          {{ length(bar.leftoverMm) }} left
        </p>
      </div>
    </section>
    <section v-for="one in sheets" :key="one.material.id" class="mb-6">
      <h2 class="mb-1 font-semibold">
        {{ one.material.name }}
        <span class="font-normal text-bench-soft">
          · {{ one.sheets.length }} of {{ sizeText(one) }}
          {{ one.material.hasGrain ? '· nothing is turned' : '' }}
        </span>
      </h2>
      <p v-for="piece in one.tooLarge" :key="piece.run" class="text-warning">
        {{ length(piece.widthMm) }} × {{ length(piece.heightMm) }} is larger than every size: make
        it of several.
      </p>
      <div class="flex flex-wrap gap-4">
        <figure v-for="(sheet, index) in one.sheets" :key="index" class="w-72 max-w-full">
          <svg
            :viewBox="`0 0 ${one.size.widthMm} ${one.size.heightMm}`"
            class="max-h-64 w-full rounded bg-bench-line"
            role="img"
            :aria-label="sheet.pieces.map(pieceText).join('; ')"
          >
            <g v-for="(piece, at) in sheet.pieces" :key="at">
              <rect
                :x="piece.x"
                :y="piece.y"
                :width="piece.widthMm"
                :height="piece.heightMm"
                class="fill-pad stroke-bench"
                :stroke-width="one.size.widthMm / 200"
              />
              <text
                :x="piece.x + piece.widthMm / 2"
                :y="piece.y + piece.heightMm / 2"
                text-anchor="middle"
                class="fill-paper-ink"
                :font-size="one.size.widthMm / 19"
              >
                {{ piece.name }}
              </text>
            </g>
          </svg>
          <figcaption class="mt-1 text-bench-soft">
            sheet {{ index + 1 }}: {{ sheet.pieces.map(pieceText).join('; ') }}
          </figcaption>
        </figure>
      </div>
    </section>
    <BoxesPanel v-if="boxes" :boxes="boxes" />
  </div>
</template>
