import './as-written-here'
import { expose } from 'comlink'
import maker from 'pdfmake/build/pdfmake'
import bold from 'pdfmake/build/fonts/Roboto/Roboto-Medium.ttf?url'
import regular from 'pdfmake/build/fonts/Roboto/Roboto-Regular.ttf?url'
import { definitionOf, type PdfPages } from '../../formats/pdf-pages'

const absolute = (url: string): string => new URL(url, location.href).href

// There is no slanted face: nothing that is printed asks for one.
maker.setFonts({
  Roboto: {
    normal: absolute(regular),
    bold: absolute(bold),
    italics: absolute(regular),
    bolditalics: absolute(bold),
  },
})

/** Makes PDFs away from the page, which hundreds of pages would hold up. */
const service = {
  make: (pages: PdfPages): Promise<Blob> => maker.createPdf(definitionOf(pages)).getBlob(),
}

export type PdfService = typeof service

expose(service)
