import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { usualPaper } from '../core/build/template-paper'
import type { Plan } from '../core/plan/plan'
import { plainText } from './safe-text'

/** Short and long side of paper, points. */
export const papers = { A4: [595, 842], A3: [842, 1191], LETTER: [612, 792] } as const

/** White around what is on a page, and the room of its last line, points. */
export const margin = 28
export const footer = 20

/** A document without its frame: it can be sent from worker to worker. */
export interface PdfPages {
  /** Of the plan, and what of it this is. */
  readonly name: string
  readonly what: string
  readonly pageSize: keyof typeof papers
  readonly pageOrientation?: 'portrait' | 'landscape'
  readonly content: Content[]
}

/** … with its title, and a last line with page numbers and the caution. */
export const definitionOf = ({
  name,
  what,
  content,
  ...paper
}: PdfPages): TDocumentDefinitions => ({
  ...paper,
  info: { title: plainText(`${name}: ${what}`) },
  pageMargins: [margin, margin, margin, margin + footer],
  defaultStyle: { fontSize: 9 },
  content,
  footer: (page: number, pages: number): Content => ({
    text: `${plainText(name)} · ${what} · ${String(page)} of ${String(pages)} · extra-low voltage only; the mains side belongs to a certified, enclosed supply and a licensed electrician`,
    fontSize: 7,
    color: quiet,
    margin: [margin, 6, margin, 0],
  }),
})

/** The colour of what stands beside the matter. */
export const quiet = '#5f5646'

/** What a part of a document is called. */
export const heading = (text: string, more: object = {}): Content => ({
  text,
  fontSize: 14,
  bold: true,
  margin: [0, 0, 0, 6],
  ...more,
})

/** With every text as `plainText`: a PDF's fonts have no letters for what steers a terminal. */
export const cleaned = (content: readonly Content[]): Content[] =>
  cleanedValue(content) as Content[]

const cleanedValue = (value: unknown): unknown => {
  if (typeof value === 'string') return plainText(value)
  if (Array.isArray(value)) return value.map(cleanedValue)
  return typeof value === 'object' && value !== null
    ? Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, cleanedValue(inner)]))
    : value
}

/** The paper that is usual where a plan's units are. */
export const paperOf = (plan: Pick<Plan, 'units'>): 'A4' | 'LETTER' =>
  usualPaper(plan) === 'Letter' ? 'LETTER' : 'A4'

/** An SVG without what only a browser needs: the PDF's own font is the one there is. */
export const forPdf = (svg: string): string =>
  svg.replace(/ font-family="[^"]*"/, '').replaceAll(/ (?:data-[\w-]+|cursor)="[^"]*"/g, '')

/** A table with its first row in bold. */
export const listTable = (
  widths: ('auto' | '*')[],
  head: readonly string[],
  rows: readonly (readonly Content[])[],
): Content => ({
  layout: 'lightHorizontalLines',
  table: {
    headerRows: 1,
    dontBreakRows: true,
    widths,
    body: [head.map((text) => ({ text, bold: true })), ...rows.map((row) => [...row])],
  },
})
