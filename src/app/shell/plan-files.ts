import { useRouter } from 'vue-router'
import type { Plan } from '../../core/plan/plan'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { saveTable } from './save-table'
import { saveText } from './save-text'

/** Plans out to files and in from them. The open plan is never touched by an import. */
export function usePlanFiles(): {
  exportPlan: () => Promise<void>
  savePlanFile: (plan: Plan) => Promise<void>
  saveDrawing: () => Promise<void>
  saveNetlist: () => Promise<void>
  saveFeeds: () => Promise<void>
  importPlan: (file: File) => Promise<void>
  chooseFile: () => void
} {
  const store = usePlanStore()
  const notices = useNotices()
  const { shelf } = useShelf()
  const router = useRouter()

  async function exportPlan(): Promise<void> {
    if (store.plan !== undefined) await savePlanFile(store.plan)
  }

  async function savePlanFile(plan: Plan): Promise<void> {
    const { writePlanFile } = await import('../../formats/plan-file')
    saveText(`${plan.name}.json`, writePlanFile(plan), 'application/json')
  }

  async function saveDrawing(): Promise<void> {
    const { plan } = store
    if (plan === undefined) return
    const { drawingSvg } = await import('../../formats/svg-drawing')
    saveText(`${plan.name}.svg`, drawingSvg(plan), 'image/svg+xml')
  }

  async function saveNetlist(): Promise<void> {
    const { plan } = store
    if (plan === undefined) return
    const { planNetlist } = await import('../../formats/spice')
    saveText(`${plan.name}.cir`, planNetlist(plan), 'text/plain')
  }

  async function saveFeeds(): Promise<void> {
    const { plan, tally } = store
    if (plan === undefined || tally === undefined) return
    const { feedsTable } = await import('../../formats/csv-feeds')
    saveTable(`${plan.name} feeds`, feedsTable(tally))
  }

  async function importPlan(file: File): Promise<void> {
    const { readPlanFile, refuseTooLarge } = await import('../../formats/plan-file')
    const read = refuseTooLarge(file.size) ?? readPlanFile(await file.text())
    if (!read.ok) {
      notices.show({
        kind: 'problem',
        text: `${file.name} was not read. The open plan is as it was.`,
        details: read.issues.map(({ path, message }) =>
          path === '' ? message : `${path}: ${message}`,
        ),
      })
      return
    }
    const id = await shelf.add(read.plan)
    await router.push({ name: 'measure', params: { id } })
    notices.show({ kind: 'done', text: `“${read.plan.name}” is on the shelf.` })
  }

  function chooseFile(): void {
    const input = document.createElement('input')
    input.type = 'file'
    input.accept = '.json,application/json'
    input.addEventListener('change', () => {
      const [file] = input.files ?? []
      if (file !== undefined) void importPlan(file)
    })
    input.click()
  }

  return { exportPlan, savePlanFile, saveDrawing, saveNetlist, saveFeeds, importPlan, chooseFile }
}
