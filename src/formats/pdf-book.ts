import type { Content } from 'pdfmake/interfaces'
import type { BuiltPlan } from '../core/build/built-plan'
import { readLine, stepsOnPaper, type PaperSteps } from '../core/build/on-paper'
import { templatesOf } from '../core/build/template'
import { printedSheets, templatePapers, usualPaper } from '../core/build/template-paper'
import type { Plan } from '../core/plan/plan'
import { figureText, workingText } from '../core/quantity/figure'
import { fixed, formatLength, formatQuantity, plural } from '../core/quantity/format'
import { mmPerInch } from '../core/quantity/length'
import { rollOf } from '../core/roll/roll'
import { programData } from '../core/signal/program'
import { diagramOf } from '../core/wire/diagram'
import { worked } from '../core/worked'
import { buysText, needText } from './csv-bill'
import {
  cleaned,
  footer,
  forPdf,
  heading,
  listTable,
  margin,
  paperOf,
  papers,
  quiet,
  type PdfPages,
} from './pdf-pages'
import { labelledPieces, labels, wiringLists } from './pdf-wiring'
import { diagramSvg } from './svg-diagram'
import { drawingSvg } from './svg-drawing'
import { templateSheetSvg } from './svg-template'

/** What is left of a page below a heading. */
const roomOf = (across: number, down: number): readonly [width: number, height: number] => [
  across - 2 * margin,
  down - 2 * margin - footer - 40,
]

/**
 * A whole plan for the bench: what it is, its drawing, the sums with what is wrong, what to cut, to buy and to wire, the steps with boxes and
 * what the meter should say, what the program needs, cards for the lids, labels, and templates at true size.
 */
export function planBook(plan: Plan): PdfPages {
  const results = worked(plan)
  const { wiring, joints, receipt, reels, supplies, cutRuns } = results
  const pageSize = paperOf(plan)
  const [short, long] = papers[pageSize]
  const pieces = labelledPieces(
    cutRuns.map((entry) => ({ name: entry.run.name, pieces: entry.pieces })),
  )
  const pages: Content[] = [
    { text: plan.name, fontSize: 20, bold: true },
    {
      text: [
        plural(results.cutRuns.length, 'place'),
        ...supplies.map(
          ({ slot, part, volts, needA }) =>
            `${slot.name}: ${part?.name ?? 'no supply fits'}, ${formatQuantity(volts, 'V')}, ${formatQuantity(needA, 'A')} required`,
        ),
      ].join(' · '),
      color: quiet,
      margin: [0, 2, 0, 8],
    },
    picture(drawingSvg(plan), roomOf(short, long)),
    ...(plan.notes.length === 0
      ? []
      : [
          heading('Notes', { margin: [0, 14, 0, 6] }),
          { ul: plan.notes.map(({ text }) => text) } as Content,
        ]),
    heading('Sums', { pageBreak: 'before' }),
    ...rollOf(results).flatMap(({ title, figures, verdicts }): Content[] => [
      { text: title, bold: true, margin: [0, 6, 0, 2] },
      ...figures.map((figure): Content => ({
        columns: [
          {
            text: [
              `${figure.label} `,
              ...(figure.isTotal === true
                ? []
                : [{ text: workingText(figure, plan.units), color: quiet }]),
            ],
          },
          {
            text: figureText(figure, plan.units),
            alignment: 'right',
            width: 80,
            bold: figure.isTotal === true,
          },
        ],
      })),
      ...verdicts.map(({ grade, text, why }): Content => ({
        text: [{ text: `${grade.toUpperCase()} `, bold: true }, `${text}. ${why}`],
        margin: [8, 2, 0, 2],
      })),
    ]),
    heading('Cut list', { pageBreak: 'before' }),
    ...reels.flatMap(({ strip, reels: bins }): Content[] => [
      { text: strip.name, bold: true, margin: [0, 6, 0, 2] },
      listTable(
        ['auto', 'auto', '*', 'auto'],
        ['from', 'done', 'piece', 'length'],
        bins.flatMap(({ kind, lengthMm, cuts }, index) =>
          cuts.map((cut) => [
            `${kind} ${String(index + 1)}, ${formatLength(lengthMm, plan.units)}`,
            '[  ]',
            `${cut.piece}${cut.parts > 1 ? `, part ${String(cut.part)} of ${String(cut.parts)}` : ''}`,
            formatLength(cut.lengthMm, plan.units),
          ]),
        ),
      ),
    ]),
    ...(reels.length === 0 ? [{ text: 'Nothing is cut from reels.', color: quiet }] : []),
    heading('To buy', { pageBreak: 'before' }),
    listTable(
      ['auto', '*', 'auto', '*', 'auto'],
      ['', 'what', 'required', 'buy', plan.buy.currency],
      receipt.lines.map((line) => [
        plan.buy.bought.some((one) => one.line === line.id) ? 'yes' : '[  ]',
        line.name,
        needText(line.need, line.unit, plan.units),
        buysText(line, plan.units),
        line.cost === null ? '' : fixed(line.cost, 2),
      ]),
    ),
    {
      text: `About ${fixed(receipt.total, 2)} ${plan.buy.currency}`,
      bold: true,
      alignment: 'right',
      margin: [0, 6, 0, 0],
    },
    ...diagramPage(results, pageSize),
    { text: '', pageBreak: 'before', pageOrientation: 'portrait' },
    ...wiringLists({ plan, wiring: { ...wiring, joints } }),
    ...stepPages(stepsOnPaper(results)),
    ...programPage(results),
    { text: '', pageBreak: 'before' },
    ...labels({ plan, pieces, wiring: { ...wiring, joints } }),
    ...templatePages(results),
  ]
  return { name: plan.name, what: 'plan', pageSize, content: cleaned(pages) }
}

/** What is done, in its order, with a box each; and a card for the lid of each supply. */
function stepPages({ cautions, steps, hasReadings, cards }: PaperSteps): Content[] {
  return [
    heading('Steps', { pageBreak: 'before' }),
    { ul: [...cautions], margin: [0, 0, 0, 8] },
    ...(hasReadings
      ? []
      : [
          {
            text: 'Too many readings to print: the Build page tells them step by step.',
            color: quiet,
          },
        ]),
    listTable(
      ['auto', 'auto', '*', 'auto'],
      ['', 'done', 'what', 'min'],
      steps.map(({ title, threads, state, minutes, ...read }, index) => [
        String(index + 1),
        state === 'done' ? 'yes' : state === 'skipped' ? 'left out' : '[  ]',
        [
          title,
          ...(threads.length > 0
            ? [{ text: `first thread ${threads.join(', ')}`, color: quiet }]
            : []),
          ...(read.reads.length > 0 ? [{ text: readLine(read), fontSize: 8 }] : []),
        ],
        String(Math.round(minutes)),
      ]),
    ),
    ...cards.flatMap(({ supply, lines }): Content[] => [
      heading(`Card for the lid: ${supply}`, { margin: [0, 14, 0, 4] }),
      { table: { widths: ['*'], body: [[{ stack: [...lines], margin: [6, 6, 6, 6] }]] } },
    ]),
  ]
}

/** Templates at true size, a sheet a page, where they are worth their paper. */
function templatePages(results: BuiltPlan): Content[] {
  const { plan } = results
  const paper = usualPaper(plan)
  const sheets = printedSheets(templatesOf(results), paper) ?? []
  const { widthMm } = templatePapers[paper]
  return sheets.map((parts, index) => ({
    svg: forPdf(
      templateSheetSvg(parts, {
        paper,
        isMirrored: false,
        units: plan.units,
        number: `${String(index + 1)} of ${String(sheets.length)}`,
      }),
    ),
    width: widthMm * pointsAMm,
    pageBreak: 'before',
  }))
}
const pointsAMm = 72 / mmPerInch

/** A picture as large as it fits. */
const picture = (svg: string, [width, height]: readonly [number, number]): Content => ({
  svg: forPdf(svg),
  fit: [width, height],
})

function diagramPage(results: BuiltPlan, pageSize: keyof typeof papers): Content[] {
  const { plan } = results
  const [short, long] = papers[pageSize]
  const diagram = diagramOf(results.wiring, results, plan.units)
  const isWide = diagram.width > diagram.height
  const room = isWide ? roomOf(long, short) : roomOf(short, long)
  return [
    heading('Diagram', {
      pageBreak: 'before',
      pageOrientation: isWide ? 'landscape' : 'portrait',
    }),
    picture(diagramSvg(diagram, plan), room),
  ]
}

/** What the program has to know, for whoever writes it at the bench. */
function programPage(results: BuiltPlan): Content[] {
  const { board, limitMa, brightnessLimit, supplies, lanes, dimmers, inputs } = programData(results)
  if (lanes.length + dimmers.length + inputs.length === 0) return []
  const pin = (name: string | null): string => (name === null ? 'no pin' : `pin ${name}`)
  return [
    heading('For the program', { pageBreak: 'before' }),
    {
      ul: [
        `board: ${board ?? 'none fits'}`,
        `what it dims may draw ${formatQuantity(limitMa, 'mA')} beyond idle; brightness at most ${formatQuantity(brightnessLimit, '%')}`,
        ...supplies.map(
          (supply) => `${supply.name}: ${formatQuantity(supply.limitMa, 'mA')} beyond idle`,
        ),
        ...lanes.map(
          (lane) =>
            `${lane.name}: ${pin(lane.pin)}${lane.clockPin === null ? '' : `, clock ${pin(lane.clockPin)}`}, ${plural(lane.pixels, 'pixel')}, colour order ${lane.order}: ${lane.runs.map(({ name, first, count }) => `${name} ${String(first)} to ${String(first + count - 1)}`).join(', ')}`,
        ),
        ...dimmers.map(({ name, pin: own }) => `dimmer ${name}: ${pin(own)}`),
        ...inputs.map(({ name, kind, pin: own }) => `${name}, ${kind}: ${pin(own)}`),
      ],
    },
  ]
}
