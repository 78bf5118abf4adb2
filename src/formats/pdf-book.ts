import type { Content } from 'pdfmake/interfaces'
import { progressOf } from '../core/build/progress'
import type { Plan } from '../core/plan/plan'
import { figureText, workingText } from '../core/quantity/figure'
import { formatLength, formatQuantity, plural } from '../core/quantity/format'
import { rollOf } from '../core/roll/roll'
import { programData } from '../core/signal/program'
import { diagramOf } from '../core/wire/diagram'
import { worked } from '../core/worked'
import { buysText, needText } from './csv-bill'
import { cleaned, footer, forPdf, heading, listTable, margin, quiet } from './pdf-pages'
import { wiringLists } from './pdf-wiring'
import { diagramSvg } from './svg-diagram'
import { drawingSvg } from './svg-drawing'

/** A4, points. */
const paper = { short: 595, long: 842 } as const
/** What is left of a page below a heading. */
const roomOf = (across: number, down: number): readonly [width: number, height: number] => [
  across - 2 * margin,
  down - 2 * margin - footer - 40,
]

/**
 * A whole plan for the bench on A4: what it is, its drawing, the sums with what is wrong, what to cut, to buy and to wire, the steps with
 * boxes, and what the program needs. The pages come without their last line, which `paged` gives them.
 */
export function bookPages(plan: Plan): Content[] {
  const results = worked(plan)
  const { wiring, joints, receipt, reels, schedule, supplies } = results
  const progress = progressOf(plan, schedule.steps, Infinity)
  const cautions = [...new Set(schedule.steps.flatMap((step) => step.cautions))]
  const pages: Content[] = [
    { text: plan.name, fontSize: 20, bold: true },
    {
      text: [
        plural(results.cuts.length, 'place'),
        ...supplies.map(
          ({ slot, part, volts, needA }) =>
            `${slot.name}: ${part?.name ?? 'no supply fits'}, ${formatQuantity(volts, 'V')}, ${formatQuantity(needA, 'A')} required`,
        ),
      ].join(' · '),
      color: quiet,
      margin: [0, 2, 0, 8],
    },
    picture(drawingSvg(plan), roomOf(paper.short, paper.long)),
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
        line.cost === null ? '' : line.cost.toFixed(2),
      ]),
    ),
    {
      text: `About ${receipt.total.toFixed(2)} ${plan.buy.currency}`,
      bold: true,
      alignment: 'right',
      margin: [0, 6, 0, 0],
    },
    ...diagramPage(plan),
    { text: '', pageBreak: 'before', pageOrientation: 'portrait' },
    ...wiringLists({ plan, wiring: { ...wiring, joints } }),
    heading('Steps', { pageBreak: 'before' }),
    { ul: cautions, margin: [0, 0, 0, 8] },
    listTable(
      ['auto', 'auto', '*', 'auto'],
      ['', 'done', 'what', 'min'],
      schedule.steps.map((step, index) => [
        String(index + 1),
        progress.done.has(step.id) ? 'yes' : progress.skipped.has(step.id) ? 'left out' : '[  ]',
        [
          step.title,
          ...(step.threads.length > 0
            ? [{ text: `first thread ${step.threads.join(', ')}`, italics: true }]
            : []),
          ...(step.kind === 'test' || step.kind === 'check' ? ['read: ______________'] : []),
        ],
        String(Math.round(step.minutes)),
      ]),
    ),
    ...programPage(plan),
  ]
  return cleaned(pages) as Content[]
}

/** A picture as large as it fits. */
const picture = (svg: string, [width, height]: readonly [number, number]): Content => ({
  svg: forPdf(svg),
  fit: [width, height],
})

function diagramPage(plan: Plan): Content[] {
  const results = worked(plan)
  const diagram = diagramOf(results.wiring, results, plan.units)
  const isWide = diagram.width > diagram.height
  const room = isWide ? roomOf(paper.long, paper.short) : roomOf(paper.short, paper.long)
  return [
    heading('Diagram', {
      pageBreak: 'before',
      pageOrientation: isWide ? 'landscape' : 'portrait',
    }),
    picture(diagramSvg(diagram, plan), room),
  ]
}

/** What the program has to know, for whoever writes it at the bench. */
function programPage(plan: Plan): Content[] {
  const { board, limitMa, brightnessLimit, supplies, lanes, dimmers, inputs } = programData(
    worked(plan),
  )
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
