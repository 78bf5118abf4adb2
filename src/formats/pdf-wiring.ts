import type { Content } from 'pdfmake/interfaces'
import type { Piece } from '../core/cut/cut'
import type { Plan } from '../core/plan/plan'
import { workingText } from '../core/quantity/figure'
import { formatLength, formatQuantity, formatSold, plural } from '../core/quantity/format'
import { bareTexts, sleeveText } from '../core/wire/ends-text'
import type { Diagram } from '../core/wire/diagram-parts'
import type { PlanJoint } from '../core/wire/joints'
import { wireGroups } from '../core/wire/spools'
import type { Wiring } from '../core/wire/wires'
import { blocksById, placeText } from './csv-wires'
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
import { diagramSvg } from './svg-diagram'

export interface WiringForPaper {
  readonly plan: Plan
  readonly pieces: readonly LabelledPiece[]
  readonly wiring: Wiring & { readonly joints: readonly PlanJoint[] }
  readonly diagram: Diagram
}

/** A piece of strip as its label says it. */
export interface LabelledPiece {
  readonly name: string
  readonly run: string
  readonly lengthMm: number
  readonly pixels: number
}

/** Pieces that are cut, run by run. */
export const labelledPieces = (
  runs: readonly { readonly name: string; readonly pieces: readonly Piece[] }[],
): LabelledPiece[] =>
  runs.flatMap(({ name: run, pieces }) =>
    pieces
      .filter(({ groups }) => groups > 0)
      .map(({ name, placedMm, pixels }) => ({ name, run, lengthMm: placedMm, pixels })),
  )

/** Letters on paper are not smaller than this, points: about 1.8 mm high capitals. */
const leastLetterPt = 5.5
/** The smallest letters of a diagram, px. */
const smallestPx = 9.5

export interface PaperChoice {
  readonly pageSize: 'A4' | 'A3'
  readonly pageOrientation: 'portrait' | 'landscape'
  /** pt a px */
  readonly scale: number
}

/** The paper, and how it lies, on which a picture is largest: A4 as long as its letters can be read there, else A3. */
export function paperFor({ width, height }: Pick<Diagram, 'width' | 'height'>): PaperChoice {
  const choices = (['A4', 'A3'] as const).map((pageSize): PaperChoice => {
    const [short, long] = papers[pageSize]
    const fit = (across: number, down: number): number =>
      Math.min((across - 2 * margin) / width, (down - 2 * margin - footer - 24) / height)
    const [upright, lying] = [fit(short, long), fit(long, short)]
    return upright >= lying
      ? { pageSize, pageOrientation: 'portrait', scale: upright }
      : { pageSize, pageOrientation: 'landscape', scale: lying }
  })
  const isReadable = ({ scale }: PaperChoice): boolean => scale * smallestPx >= leastLetterPt
  const [first] = choices
  return (
    choices.find(isReadable) ??
    choices.at(-1) ??
    first ?? {
      pageSize: 'A3',
      pageOrientation: 'portrait',
      scale: 1,
    }
  )
}

/** The wiring as pages: its diagram, its lists, or labels for its pieces and for both ends of every wire. */
export function wiringPdf(what: 'diagram' | 'lists' | 'labels', given: WiringForPaper): PdfPages {
  const { plan, diagram } = given
  const common = { name: plan.name, what }
  if (what === 'diagram') {
    const { pageSize, pageOrientation, scale } = paperFor(diagram)
    return {
      ...common,
      pageSize,
      pageOrientation,
      content: cleaned([
        { text: plan.name, fontSize: 13, bold: true, margin: [0, 0, 0, 4] },
        { svg: forPdf(diagramSvg(diagram, plan)), width: diagram.width * scale },
      ]),
    }
  }
  return {
    ...common,
    pageSize: paperOf(plan),
    content: cleaned(what === 'lists' ? wiringLists(given) : labels(given)),
  }
}

/** Wires by gauge and colour with what they are cut from, and the joints. */
export function wiringLists({ plan, wiring }: Pick<WiringForPaper, 'plan' | 'wiring'>): Content[] {
  const blocks = blocksById(wiring)
  const groups = wireGroups(wiring.wires, plan.buy).flatMap(
    ({ gauge, colour, wires, totalMm, spools }) => [
      {
        text: `${gauge.name} ${colour}: ${formatQuantity(totalMm / 1000, 'm', plan.units)}`,
        bold: true,
        margin: [0, 10, 0, 3],
      },
      {
        text: `cut from ${spools.map(({ lengthM, cuts: own }) => `${formatSold(lengthM, plan.units)} (${own.map(({ name }) => name).join(' ')})`).join('; ')}`,
        fontSize: 8,
        color: quiet,
        margin: [0, 0, 0, 3],
      },
      listTable(
        ['auto', '*', '*', 'auto', '*', 'auto', 'auto'],
        ['wire', 'from', 'to', 'length', 'why', 'bare', 'sleeve'],
        wires.map((wire) => [
          wire.name,
          placeText(blocks, wire.from),
          placeText(blocks, wire.to),
          formatLength(wire.lengthMm, plan.units),
          workingText(wire.working, plan.units),
          bareTexts(wire, plan.units).join(', '),
          sleeveText(wire, plan.units),
        ]),
      ),
    ],
  )
  return [
    heading(`Wires · ${plan.name}`, { margin: 0 }),
    ...(groups as Content[]),
    heading('Joints', { pageBreak: 'before' }),
    listTable(
      ['auto', 'auto', '*', '*', 'auto', 'auto'],
      ['', 'done', 'where', 'what meets', 'min', 'so far'],
      wiring.joints.map(({ id, where, meets, threadFirst, minutes, soFarMin }, index) => [
        String(index + 1),
        plan.wiring.ticks.includes(id) ? 'yes' : '[  ]',
        where,
        [
          ...(threadFirst.length > 0
            ? [{ text: `first thread ${threadFirst.join(', ')}`, color: quiet }]
            : []),
          ...meets,
        ],
        String(minutes),
        String(soFarMin),
      ]),
    ),
  ]
}

/** Small flags: one for each piece, and two to fold around the ends of each wire with its name, and where this end and the other go. */
export function labels({ plan, wiring, pieces }: Omit<WiringForPaper, 'diagram'>): Content[] {
  const blocks = blocksById(wiring)
  const wires = wiring.wires.flatMap((wire) =>
    (
      [
        [wire.from, wire.to],
        [wire.to, wire.from],
      ] as const
    ).map(([here, there]) =>
      flag(wire.name, placeText(blocks, here), `to ${placeText(blocks, there)}`),
    ),
  )
  return [
    { text: `Labels · ${plan.name}`, fontSize: 12, bold: true, margin: [0, 0, 0, 6] },
    ...flags(
      'Pieces',
      pieces.map(({ name, run, lengthMm, pixels }) =>
        flag(
          name,
          run,
          `${formatLength(lengthMm, plan.units)}${pixels > 0 ? `, ${plural(pixels, 'pixel')}` : ''}`,
        ),
      ),
    ),
    ...flags('Wires', wires),
    ...(pieces.length + wires.length === 0 ? [{ text: 'Nothing to label yet.' }] : []),
  ]
}

const flag = (name: string, here: string, more: string): Content => ({
  stack: [
    { text: name, bold: true, fontSize: 11 },
    { text: here, fontSize: 8 },
    { text: more, fontSize: 7, color: quiet },
  ],
  margin: [2, 2, 2, 2],
})

const perRow = 3

function flags(title: string, cells: readonly Content[]): Content[] {
  if (cells.length === 0) return []
  const rows = Array.from({ length: Math.ceil(cells.length / perRow) }, (_, row) =>
    Array.from({ length: perRow }, (__, column) => cells[row * perRow + column] ?? { text: '' }),
  )
  return [
    { text: title, bold: true, margin: [0, 8, 0, 3] },
    { table: { widths: ['*', '*', '*'], dontBreakRows: true, body: rows } },
  ]
}
