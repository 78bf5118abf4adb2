import type { TDocumentDefinitions } from 'pdfmake/interfaces'

/** A page description as the bytes of a PDF. Its maker and fonts are large: they are loaded when asked for. */
export async function pdfBlob(definition: TDocumentDefinitions): Promise<Blob> {
  const [{ default: maker }, { default: fonts }] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    import('pdfmake/build/vfs_fonts'),
  ])
  return new Promise((resolve, reject) => {
    try {
      maker.createPdf(definition, undefined, undefined, fonts).getBlob(resolve)
    } catch (error) {
      reject(error instanceof Error ? error : new Error(String(error)))
    }
  })
}
