<script setup lang="ts">
import { Printer } from '@lucide/vue'
import { computed, defineAsyncComponent, ref } from 'vue'
import { mostTiles, templatePapers, tilesOf, type TemplatePaper } from '../../core/build/template'
import type { Plan } from '../../core/plan/plan'
import { formatLength, plural } from '../../core/quantity/format'
import { useSpotlight } from '../stores/spotlight'
import { usePart } from '../stores/use-parts'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import TemplateSheet from './TemplateSheet.vue'

const { plan } = defineProps<{ plan: Plan }>()

const ScaledSheet = defineAsyncComponent(() => import('./ScaledSheet.vue'))

const spotlight = useSpotlight()
const templates = usePart('templates')
const picked = ref<string | undefined>(spotlight.chosen)
const template = computed(
  () => templates.value?.find(({ run }) => run === picked.value) ?? templates.value?.[0],
)
/** Stands for all of the drawing in place of one run. */
const whole = '*'
const isWhole = computed(() => picked.value === whole)
const paper = ref<TemplatePaper>(plan.units === 'ft-in' ? 'Letter' : 'A4')
const papers = (Object.keys(templatePapers) as TemplatePaper[]).map((value) => ({
  value,
  label: templatePapers[value].name,
}))
const side = ref<'front' | 'back'>('front')
const sides = [
  { value: 'front', label: 'From the front' },
  { value: 'back', label: 'From behind' },
] as const

const tiles = computed(() =>
  template.value === undefined ? [] : tilesOf(template.value.box, paper.value),
)
const across = computed(() => tiles.value.filter(({ row }) => row === 1).length)
const sheets = computed(
  () => `${String(across.value)} × ${String(tiles.value.length / across.value)}`,
)
const isTooMany = computed(() => tiles.value.length > mostTiles)
const size = computed(() =>
  template.value === undefined
    ? ''
    : `${formatLength(template.value.box.width, plan.units)} × ${formatLength(template.value.box.height, plan.units)}`,
)
function print(): void {
  window.print()
}
function pick(event: Event): void {
  if (event.target instanceof HTMLSelectElement) picked.value = event.target.value
}
</script>

<template>
  <p
    v-if="!templates"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
    role="status"
  >
    Drawing the templates …
  </p>
  <p
    v-else-if="!template"
    class="grid flex-1 place-items-center rounded-lg bg-bench-raised text-bench-soft"
  >
    Nothing to mark yet. Jot a length on the Measure page first.
  </p>
  <template v-else>
    <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
      <label class="text-[13px] text-bench-soft">
        <span class="sr-only">Template of</span>
        <select
          class="field w-56"
          aria-label="Template of"
          :value="isWhole ? whole : template.run"
          @change="pick"
        >
          <option :value="whole">the whole drawing, to scale</option>
          <option v-for="{ run, name } in templates" :key="run" :value="run">{{ name }}</option>
        </select>
      </label>
      <SegmentedChoice v-model="paper" label="Paper" :options="papers" />
      <SegmentedChoice v-if="!isWhole" v-model="side" label="Seen from" :options="sides" />
      <button v-if="!isWhole" class="button-main ml-auto" :disabled="isTooMany" @click="print">
        <Printer :size="15" /> Print {{ plural(tiles.length, 'sheet') }}
      </button>
    </div>
    <ScaledSheet v-if="isWhole" :plan="plan" :paper="paper" />
    <p v-else class="text-[13px] text-bench-soft" data-testid="template-size">
      {{ size }} with its room · {{ plural(tiles.length, 'sheet') }} that lie 10 mm over each other,
      cross on cross · print at 100 %, not “fit to page”, and measure the ruler<template
        v-if="template.clips.length > 0"
      >
        · {{ plural(template.clips.length, 'place') }} where it is held</template
      ><template v-if="template.holes.length > 0">
        · {{ plural(template.holes.length, 'hole') }}</template
      >
    </p>
    <p v-if="!isWhole && isTooMany" class="text-[14px] text-warning" role="status">
      {{ tiles.length }} sheets are no template any more: for {{ template.name }} a tape measure and
      a pencil are quicker. Clip and hole positions are in the tables of the steps.
    </p>
    <div
      v-else-if="!isWhole"
      class="min-h-0 flex-1 overflow-auto rounded-lg bg-bench-raised p-3"
      tabindex="0"
      role="group"
      aria-label="Sheets"
    >
      <div
        class="sheets grid w-max gap-2"
        :style="{ gridTemplateColumns: `repeat(${across}, auto)` }"
      >
        <TemplateSheet
          v-for="tile in tiles"
          :key="`${tile.row}.${tile.column}`"
          class="sheet"
          :template="template"
          :tile="tile"
          :is-mirrored="side === 'back'"
          :sheets="sheets"
        />
      </div>
    </div>
    <div v-if="!isWhole && !isTooMany" class="print-only whole-sheets" :data-paper="paper">
      <div v-for="tile in tiles" :key="`${tile.row}.${tile.column}`" class="break-after-page">
        <TemplateSheet
          :template="template"
          :tile="tile"
          :is-mirrored="side === 'back'"
          :sheets="sheets"
        />
      </div>
    </div>
  </template>
</template>

<style scoped>
@media screen {
  .sheet {
    width: 240px !important;
    height: auto !important;
  }
}
</style>
