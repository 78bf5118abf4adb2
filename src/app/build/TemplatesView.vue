<script setup lang="ts">
import { Printer } from '@lucide/vue'
import { computed, defineAsyncComponent, ref } from 'vue'
import {
  mirrored,
  mostSheets,
  printedSheets,
  templatePapers,
  usualPaper,
  type TemplatePaper,
  overlapMm,
} from '../../core/build/template-paper'
import { formatBore, formatLength, plural } from '../../core/quantity/format'
import { templateSheetSvg } from '../../formats/svg-template'
import { useSpotlight } from '../stores/spotlight'
import { usePart } from '../stores/use-parts'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import { svgUrl } from '../ui/svg-url'
import PickField from '../ui/PickField.vue'
import { useOpenPlan } from '../stores/use-open-plan'
import NothingYet from '../shell/NothingYet.vue'

const plan = useOpenPlan()

const ScaledSheet = defineAsyncComponent(() => import('./ScaledSheet.vue'))

const spotlight = useSpotlight()
const templates = usePart('templates')
const picked = ref<string | undefined>(spotlight.chosen)
/** Stands for all of the drawing on one sheet, and for the templates of all runs. */
const [whole, every] = ['*', '+']
const isWhole = computed(() => picked.value === whole)
const chosen = computed(() => {
  const all = templates.value ?? []
  if (picked.value === every) return all
  return [all.find(({ run }) => run === picked.value) ?? all[0]].filter((one) => one !== undefined)
})
const only = computed(() => (chosen.value.length === 1 ? chosen.value[0] : undefined))
const paper = ref<TemplatePaper>(usualPaper(plan.value))
const papers = (Object.keys(templatePapers) as TemplatePaper[]).map((value) => ({
  value,
  label: templatePapers[value].name,
}))
const side = ref<'front' | 'back'>('front')
const sides = [
  { value: 'front', label: 'From the front' },
  { value: 'back', label: 'From behind' },
] as const

const sheets = computed(() =>
  printedSheets(side.value === 'back' ? chosen.value.map(mirrored) : chosen.value, paper.value),
)
const pictures = computed(() =>
  sheets.value?.map((parts, index, all) => ({
    name: `Sheet ${String(index + 1)}: ${[...new Set(parts.map(({ template }) => template.name))].join(', ')}`,
    src: svgUrl(
      templateSheetSvg(parts, {
        paper: paper.value,
        isMirrored: side.value === 'back',
        units: plan.value.units,
        number: `${String(index + 1)} of ${String(all.length)}`,
      }),
    ),
  })),
)
const facts = computed(() => {
  const clips = chosen.value.reduce((sum, one) => sum + one.clips.length, 0)
  const holes = chosen.value.reduce((sum, one) => sum + one.holes.length, 0)
  const { box, sheet } = only.value ?? {}
  const parts = sheets.value?.flat() ?? []
  return [
    box &&
      `${formatLength(box.width, plan.value.units)} × ${formatLength(box.height, plan.value.units)}`,
    plural(pictures.value?.length ?? 0, 'sheet'),
    parts.length > chosen.value.length
      ? `parts lie ${formatBore(overlapMm, plan.value.units)} over each other, cross on cross`
      : '',
    'print at 100 %, not “fit to page”, and measure the ruler',
    clips > 0 ? plural(clips, 'clip or glue place') : '',
    holes > 0 ? plural(holes, 'hole') : '',
    sheet && `${sheet.name} to cut`,
  ].filter((one) => one !== undefined && one !== '')
})
function print(): void {
  window.print()
}
const options = computed(() => [
  { value: whole, label: 'the whole drawing, to scale' },
  ...((templates.value?.length ?? 0) > 1
    ? [{ value: every, label: `all ${String(templates.value?.length)} places` }]
    : []),
  ...(templates.value ?? []).map(({ run, name }) => ({ value: run, label: name })),
])
</script>

<template>
  <p
    v-if="!templates"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
    role="status"
  >
    Drawing the templates …
  </p>
  <NothingYet v-else-if="chosen.length === 0" what="Nothing to mark yet" />
  <template v-else>
    <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
      <PickField
        label="Template of"
        layout="unseen"
        width="w-56"
        :options="options"
        :value="isWhole ? whole : (only?.run ?? every)"
        @pick="picked = $event"
      />
      <SegmentedChoice v-model="paper" label="Paper" :options="papers" />
      <SegmentedChoice v-if="!isWhole" v-model="side" label="Seen from" :options="sides" />
      <button v-if="!isWhole" class="button-main ml-auto" :disabled="!pictures" @click="print">
        <Printer :size="15" /> Print {{ pictures ? plural(pictures.length, 'sheet') : '' }}
      </button>
    </div>
    <ScaledSheet v-if="isWhole" :paper="paper" />
    <p v-else-if="!pictures" class="text-[14px] text-warning" role="status">
      More than {{ mostSheets }} sheets are no template any more: for
      {{ only?.name ?? 'all places' }} a tape measure and a pencil are quicker. Clip and hole
      positions are in the tables of the steps.
    </p>
    <template v-else>
      <p class="text-[13px] text-bench-soft" data-testid="template-size">
        {{ facts.join(' · ') }}
      </p>
      <div
        class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised p-3"
        tabindex="0"
        role="group"
        aria-label="Sheets"
      >
        <div class="flex flex-wrap gap-2">
          <img
            v-for="{ name, src } in pictures"
            :key="name"
            class="w-[min(100%,26rem)] bg-white"
            :src="src"
            :alt="name"
          />
        </div>
      </div>
      <div class="print-only whole-sheets" :data-paper="paper">
        <div v-for="{ name, src } in pictures" :key="name" class="break-after-page">
          <img class="max-w-none" :src="src" :alt="name" />
        </div>
      </div>
    </template>
  </template>
</template>
