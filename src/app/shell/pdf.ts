import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { within } from '../engine/within'

/** Longer than hundreds of pages take, ms. */
const patienceMs = 60_000

/** A page description as the bytes of a PDF. Its maker and fonts are large: they are loaded when asked for. */
export async function pdfBlob(definition: TDocumentDefinitions): Promise<Blob> {
  const [{ default: maker }, { default: fonts }] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/vfs_fonts'),
  ])
  const made = new Promise<Blob>((resolve) => {
    maker.createPdf(definition, undefined, undefined, fonts).getBlob(resolve)
  })
  // It answers when it is done, but may keep what goes wrong on the way to itself.
  return within(made, { ms: patienceMs, message: 'its maker does not answer' })
}
