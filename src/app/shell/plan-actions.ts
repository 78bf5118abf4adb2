import { useRouter } from 'vue-router'
import { overlay } from '../stores/overlay'
import { usePlanStore } from '../stores/plan'
import { usePlanFiles } from './plan-files'
import { shareAsLink } from './share-link'
import { useNewPlan } from './use-new-plan'

interface PlanAction {
  readonly label: string
  readonly run: () => unknown
  readonly needsPlan: boolean
}

/** What can be done with a plan as a whole: the menu and the search list from here. */
export function usePlanActions(): readonly PlanAction[] {
  const store = usePlanStore()
  const router = useRouter()
  const files = usePlanFiles()

  async function duplicatePlan(): Promise<void> {
    const id = await store.keepCopy()
    if (id !== undefined) await router.push({ name: 'measure', params: { id } })
  }
  return [
    { label: 'New plan', run: useNewPlan(), needsPlan: false },
    { label: 'Duplicate this plan', run: duplicatePlan, needsPlan: true },
    {
      label: 'Share as a link',
      run: () => shareAsLink(store.plan, files.exportPlan),
      needsPlan: true,
    },
    { label: 'Export to a file', run: files.exportPlan, needsPlan: true },
    { label: 'Save everything as one PDF', run: files.saveBook, needsPlan: true },
    { label: 'Save the drawing as PNG', run: files.savePicture, needsPlan: true },
    { label: 'Save the drawing as SVG', run: files.saveDrawing, needsPlan: true },
    { label: 'Save the feed as a netlist', run: files.saveNetlist, needsPlan: true },
    { label: 'Save the leads as CSV', run: files.saveFeeds, needsPlan: true },
    { label: 'Notes …', run: () => (overlay.value = 'notes'), needsPlan: true },
    { label: 'Snapshots …', run: () => (overlay.value = 'snapshots'), needsPlan: true },
    {
      label: 'Take over what was done elsewhere …',
      run: () => (overlay.value = 'merge'),
      needsPlan: true,
    },
    { label: 'Import from a file', run: files.chooseFile, needsPlan: false },
    {
      label: 'Print this page',
      run: () => {
        print()
      },
      needsPlan: true,
    },
    { label: 'Search …', run: () => (overlay.value = 'search'), needsPlan: false },
    {
      label: 'Help, shortcuts and glossary',
      run: () => (overlay.value = 'help'),
      needsPlan: false,
    },
  ]
}
