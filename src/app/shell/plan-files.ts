import { issueText, messageOf } from '../../core/quantity/message-of'
import { useRouter } from 'vue-router'
import type { Jobs } from '../engine/jobs'
import { useNotices } from '../stores/notices'
import { usePlanStore } from '../stores/plan'
import { useShelf } from '../stores/shelf'
import { readPlanUpload } from './read-plan-upload'
import { savePlanFile } from './save-plan-file'
import { saveTable } from './save-table'
import { saveBlob, saveText } from './save-text'

/** Works something out beside the page, in a worker that ends with it. */
async function inWorker<Result>(work: (jobs: Jobs) => Promise<Result>): Promise<Result> {
  const { startJobs, endJobs } = await import('../engine/jobs')
  const jobs = startJobs()
  try {
    return await work(jobs)
  } finally {
    endJobs(jobs)
  }
}

/** Plans out to files and in from them. The open plan is never touched by an import. */
export function usePlanFiles(): {
  exportPlan: () => Promise<void>
  saveDrawing: () => Promise<void>
  savePicture: () => Promise<void>
  saveBook: () => Promise<void>
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
    if (store.plan !== undefined) await savePlanFile(store.plan, shelf)
  }

  async function saveDrawing(): Promise<void> {
    const { plan } = store
    if (plan === undefined) return
    const svg = await inWorker(({ service }) => service.drawing(plan))
    saveText(`${plan.name}.svg`, svg, 'image/svg+xml')
  }

  async function savePicture(): Promise<void> {
    const { plan } = store
    if (plan === undefined) return
    const svg = await inWorker(({ service }) => service.drawing(plan))
    const { pngOf } = await import('./png')
    saveBlob(`${plan.name}.png`, await pngOf(svg))
  }

  async function saveBook(): Promise<void> {
    const { plan } = store
    if (plan === undefined) return
    notices.show({ kind: 'offer', text: 'Making the PDF …' })
    const [pages, { pdfBlob }] = await Promise.all([
      inWorker(({ service }) => service.book(plan)),
      import('./pdf'),
    ])
    const pdf = await pdfBlob(pages)
    saveBlob(`${plan.name}.pdf`, pdf)
    notices.show({ kind: 'done', text: 'The PDF is among your downloads.' })
  }

  async function saveNetlist(): Promise<void> {
    const { plan } = store
    if (plan === undefined) return
    const netlist = await inWorker(({ service }) => service.netlist(plan))
    saveText(`${plan.name}.cir`, netlist, 'text/plain')
  }

  async function saveFeeds(): Promise<void> {
    const { plan, tally } = store
    if (plan === undefined || tally === undefined) return
    const { feedsTable } = await import('../../formats/csv-feeds')
    saveTable(`${plan.name} feeds`, feedsTable(tally, plan.units))
  }

  async function importPlan(file: File): Promise<void> {
    const read = await readPlanUpload(file)
    if (!read.ok) {
      notices.show({
        kind: 'problem',
        text: `${file.name} was not read. The open plan is as it was.`,
        details: read.issues.map(issueText),
      })
      return
    }
    let id: string
    try {
      id = await shelf.add(read.plan)
      await shelf.addPhotos(id, read.photos)
    } catch (error) {
      notices.show({
        kind: 'problem',
        text: `${file.name} was read, but this browser could not keep it. Delete plans that you no longer need, or free some room on this device; the file is as it was.`,
        details: [messageOf(error)],
        actions: [{ label: 'Try again', run: () => void importPlan(file) }],
      })
      return
    }
    await router.push({ name: 'measure', params: { id } })
    const { leftOut } = read
    notices.show(
      read.adjusted.length === 0
        ? leftOut.length === 0
          ? { kind: 'done', text: `“${read.plan.name}” is on the shelf.` }
          : {
              kind: 'problem',
              text: `“${read.plan.name}” is on the shelf. What else was in the zip was left out.`,
              details: leftOut,
            }
        : {
            kind: 'problem',
            text: `“${read.plan.name}” is on the shelf. Some of its figures were out of bounds and now stand at the nearest that can be worked with.`,
            details: read.adjusted.map(({ path, message }) => `${path} ${message}`),
          },
    )
  }

  function chooseFile(): void {
    const input = document.createElement('input')
    input.type = 'file'
    input.accept = '.json,application/json,.zip,application/zip'
    input.addEventListener('change', () => {
      const [file] = input.files ?? []
      if (file !== undefined) void importPlan(file)
    })
    input.click()
  }

  /** A file that cannot be made is told with its reason. */
  const withNotice = (what: string, save: () => Promise<void>) => async (): Promise<void> => {
    try {
      await save()
    } catch (error) {
      notices.show({
        kind: 'problem',
        text: `${what} could not be saved: ${messageOf(error)}. The plan is as it was.`,
      })
    }
  }

  return {
    exportPlan: withNotice('The plan', exportPlan),
    saveDrawing: withNotice('The drawing', saveDrawing),
    savePicture: withNotice('The picture', savePicture),
    saveBook: withNotice('The PDF', saveBook),
    saveNetlist: withNotice('The netlist', saveNetlist),
    saveFeeds: withNotice('The leads', saveFeeds),
    importPlan,
    chooseFile,
  }
}
