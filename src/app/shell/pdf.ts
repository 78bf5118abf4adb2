import { releaseProxy, wrap } from 'comlink'
import type { PdfPages } from '../../formats/pdf-pages'
import type { PdfService } from '../engine/pdf.worker'
import { within } from '../engine/within'

/** Longer than hundreds of pages take, ms. */
const patienceMs = 60_000

/** Pages as a PDF. Its maker is large: it is loaded when asked for, and ends with its work. */
export async function pdfBlob(pages: PdfPages): Promise<Blob> {
  const worker = new Worker(new URL('../engine/pdf.worker.ts', import.meta.url), { type: 'module' })
  const service = wrap<PdfService>(worker)
  const failed = new Promise<never>((_resolve, reject) => {
    worker.addEventListener('error', ({ message }) => {
      reject(new Error(message || 'its worker could not be started'))
    })
  })
  try {
    return await within(Promise.race([service.make(pages), failed]), {
      ms: patienceMs,
      message: 'its maker does not answer',
    })
  } finally {
    service[releaseProxy]()
    worker.terminate()
  }
}
