import type { TDocumentDefinitions } from 'pdfmake/interfaces'

/** Longer than hundreds of pages take, ms. */
const patienceMs = 60_000

/** A page description as the bytes of a PDF. Its maker and fonts are large: they are loaded when asked for. */
export async function pdfBlob(definition: TDocumentDefinitions): Promise<Blob> {
  const [{ default: maker }, { default: fonts }] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/vfs_fonts'),
  ])
  return new Promise((resolve, reject) => {
    // It answers when it is done, but keeps what goes wrong on the way to itself.
    const timer = setTimeout(() => {
      reject(new Error('its maker does not answer'))
    }, patienceMs)
    try {
      maker.createPdf(definition, undefined, undefined, fonts).getBlob((blob) => {
        clearTimeout(timer)
        resolve(blob)
      })
    } catch (error) {
      clearTimeout(timer)
      reject(error instanceof Error ? error : new Error(String(error)))
    }
  })
}
