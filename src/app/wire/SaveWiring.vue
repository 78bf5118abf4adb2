<script setup lang="ts">
import { messageOf } from '../../core/quantity/message-of'
import { Download } from '@lucide/vue'
import { ref } from 'vue'
import type { Tally } from '../../core/tally'
import type { Diagram } from '../../core/wire/diagram-parts'
import { jointsTable, wiresTable } from '../../formats/csv-wires'
import { diagramSvg } from '../../formats/svg-diagram'
import { saveTable } from '../shell/save-table'
import { saveBlob, saveText } from '../shell/save-text'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useOpenPlan } from '../stores/use-open-plan'
import ActionMenu from '../ui/ActionMenu.vue'

const { wiring, diagram } = defineProps<{
  wiring: Tally['wiring']
  diagram: Diagram | undefined
}>()
const plan = useOpenPlan()

const [store, notices] = [usePlanStore(), useNotices()]
const isBusy = ref(false)

async function savePdf(what: 'diagram' | 'lists' | 'labels'): Promise<void> {
  if (diagram === undefined) return
  isBusy.value = true
  try {
    const { labelledPieces, wiringPdf } = await import('../../formats/pdf-wiring')
    const { pdfBlob } = await import('../shell/pdf')
    saveBlob(
      `${plan.value.name} ${what}.pdf`,
      await pdfBlob(
        wiringPdf(what, {
          plan: plan.value,
          wiring,
          diagram,
          pieces: labelledPieces(store.tally?.runs ?? []),
        }),
      ),
    )
  } catch (error) {
    notices.show({
      kind: 'problem',
      text: `The PDF could not be made: ${messageOf(error)}. Save the SVG instead, or print the page.`,
    })
  } finally {
    isBusy.value = false
  }
}
const actions = [
  {
    label: 'Diagram as SVG',
    run: () => {
      if (diagram !== undefined)
        saveText(`${plan.value.name} diagram.svg`, diagramSvg(diagram, plan.value), 'image/svg+xml')
    },
  },
  { label: 'Diagram as PDF', run: () => savePdf('diagram') },
  { label: 'Wires and joints as PDF', run: () => savePdf('lists') },
  { label: 'Labels as PDF', run: () => savePdf('labels') },
  {
    label: 'Wires as CSV',
    run: () => {
      saveTable(`${plan.value.name} wires`, wiresTable(wiring, plan.value.units))
    },
  },
  {
    label: 'Joints as CSV',
    run: () => {
      saveTable(`${plan.value.name} joints`, jointsTable(wiring.joints, plan.value.wiring.ticks))
    },
  },
]
</script>

<template>
  <ActionMenu :actions="actions" :disabled="isBusy">
    <Download :size="14" /> {{ isBusy ? 'Making it …' : 'Save' }}
  </ActionMenu>
</template>
