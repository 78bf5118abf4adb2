import type { Point } from '../core/measure/geometry'
import type { WireColour, WireRole } from '../core/plan/choices'
import { wireRoles } from '../core/plan/choices'
import type { Plan } from '../core/plan/plan'
import type { Diagram, DrawnBlock, DrawnLabel, DrawnWire } from '../core/wire/diagram-parts'
import { node, svgText, type SvgNode } from './svg-tree'

/** How the colours of wires look. */
export const wireTint: Readonly<Record<WireColour, string>> = {
  red: '#e5484d',
  black: '#101014',
  white: '#f6f6f4',
  green: '#35b558',
  blue: '#4c8dff',
  yellow: '#f2c832',
  orange: '#ff963a',
  brown: '#95643d',
  violet: '#a173f0',
  grey: '#8b8f9d',
  pink: '#ff8abd',
}

/** Colours of everything but the wires: on the dark bench, or on paper. */
interface Theme {
  readonly ground: string
  readonly block: string
  readonly line: string
  readonly ink: string
  readonly soft: string
  readonly strip: string
  readonly light: string
  readonly casing: string
  readonly mark: string
}

const themes: Readonly<Record<'bench' | 'paper', Theme>> = {
  bench: {
    ground: '#1c1e27',
    block: '#272a36',
    line: '#4a4f63',
    ink: '#eceaf0',
    soft: '#a6a8b8',
    strip: '#3d372f',
    light: '#fff3d6',
    casing: '#b4b9cd',
    mark: '#ffb84d',
  },
  paper: {
    ground: '#ffffff',
    block: '#f4f1ea',
    line: '#8d8676',
    ink: '#29231c',
    soft: '#5f5646',
    strip: '#e8e0cd',
    light: '#b98a2e',
    casing: '#6b6b6b',
    mark: '#b06a00',
  },
}

/** What is lit up: wires by their names, and the block or terminal that was chosen. */
export interface DiagramLit {
  readonly wires: ReadonlySet<string>
  readonly place: string | undefined
  /** Tips of a meter that are held on terminals. */
  readonly tips?: readonly MeterTip[]
}
export interface MeterTip {
  readonly terminal: string
  readonly tip: 'red' | 'black'
}
/** How a tip of a meter is drawn: a disc with its first letter. */
const tipLooks = { red: { fill: '#d92d20', letter: 'R' }, black: { fill: '#15161c', letter: 'B' } }

const d = (points: readonly Point[]): string =>
  points
    .map(([x, y], index) => `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`)
    .join('')

const text = (
  x: number,
  y: number,
  words: string,
  size: number,
  fill: string,
  more: SvgNode['attributes'] = {},
): SvgNode => node('text', { x, y, 'font-size': size, fill, ...more }, words)

/** The wiring as a tree of SVG: all that is of a wire has its name in `data-wire`, terminals are told by `data-terminal`. */
export function diagramTree(
  diagram: Diagram,
  { wiring, name }: Pick<Plan, 'wiring' | 'name'>,
  look: keyof typeof themes,
): SvgNode {
  const { blocks, wires, labels, capacitors, width, height, isClose } = diagram
  const theme = themes[look]
  return node(
    'svg',
    { ...frameOf(diagram), role: 'img', 'aria-label': `Wiring of ${name}` },
    look === 'paper' ? node('rect', { width, height, fill: theme.ground }) : undefined,
    legend(wiring.colours, new Set(wires.map(({ wire }) => wire.role)), theme),
    ...blocks.filter(({ block }) => block.of.kind === 'run').map((drawn) => run(drawn, theme)),
    ...wires.map((drawn) => wireNode(drawn, theme, isClose)),
    ...blocks.filter(({ block }) => block.of.kind !== 'run').map((drawn) => box(drawn, theme)),
    ...wires.flatMap((drawn) => signNodes(drawn, theme, isClose)),
    ...blocks.filter(({ block }) => block.of.kind === 'run').map((drawn) => runTitle(drawn, theme)),
    ...capacitors.map(({ at: [x, y], heightPx, text: words }) =>
      node(
        'g',
        { stroke: theme.ink, 'stroke-width': 1.6, fill: 'none' },
        node('path', {
          d: `M${String(x)} ${String(y)}v${String(heightPx / 2 - 3)}m-7 0h14M${String(x)} ${String(y + heightPx)}v${String(-heightPx / 2 + 3)}m-7 0h14`,
        }),
        ...(isClose
          ? []
          : [
              text(x - 12, y + heightPx + 14, words, 11, theme.soft, {
                stroke: 'none',
                'text-anchor': 'end',
              }),
            ]),
      ),
    ),
    ...labels.map((label) => noteNode(label, theme)),
  )
}

/** What is lit up, to lie over the dimmed rest: the same size, and nothing else in it. */
export function litTree(diagram: Diagram, { wires: lit, place, tips = [] }: DiagramLit): SvgNode {
  const { blocks, wires, labels, isClose } = diagram
  const theme = themes.bench
  const own = wires.filter(({ wire }) => lit.has(wire.name))
  const terminal = blocks.flatMap(({ terminals }) => terminals).find(({ id }) => id === place)
  const block = blocks.find((drawn) => drawn.block.id === place)
  return node(
    'svg',
    { ...frameOf(diagram), 'aria-hidden': 'true' },
    ...own.map(({ points }) =>
      node('path', {
        d: d(points),
        fill: 'none',
        stroke: theme.mark,
        'stroke-width': 7,
        'stroke-linejoin': 'round',
        opacity: 0.55,
      }),
    ),
    ...own.map((drawn) => wireNode(drawn, theme, isClose)),
    ...own.flatMap((drawn) => signNodes(drawn, theme, isClose)),
    ...labels
      .filter(({ wires: names }) => names.some((one) => lit.has(one)))
      .map((label) => noteNode(label, theme)),
    block &&
      node('rect', {
        x: block.x,
        y: block.y,
        width: block.width,
        height: block.height,
        rx: 5,
        fill: 'none',
        stroke: theme.mark,
        'stroke-width': 2,
      }),
    terminal && node('circle', { cx: terminal.at[0], cy: terminal.at[1], r: 5, fill: theme.mark }),
    ...tips.flatMap(({ terminal: held, tip }) => {
      const at = blocks.flatMap(({ terminals }) => terminals).find(({ id }) => id === held)?.at
      if (at === undefined) return []
      const { fill, letter } = tipLooks[tip]
      return [
        node('circle', {
          cx: at[0],
          cy: at[1],
          r: 8,
          fill,
          stroke: '#fff',
          'stroke-width': 1.5,
          'data-tip': tip,
        }),
        text(at[0], at[1] + 4, letter, 11, '#fff', {
          'text-anchor': 'middle',
          'font-weight': 700,
        }),
      ]
    }),
  )
}

const frameOf = ({ width, height }: Diagram): SvgNode['attributes'] => ({
  xmlns: 'http://www.w3.org/2000/svg',
  viewBox: `0 0 ${width.toFixed(0)} ${height.toFixed(0)}`,
  width: width.toFixed(0),
  height: height.toFixed(0),
  'font-family': 'Figtree Variable, Figtree, Helvetica, Arial, sans-serif',
})

const noteNode = ({ text: words, at: [x, y], wires }: DrawnLabel, theme: Theme): SvgNode =>
  text(x, y, words, 11, theme.soft, { 'data-wire': wires[0] ?? '' })

/** What sits in a wire, and how strong its fuse is. */
const signNodes = ({ signs, wire }: DrawnWire, theme: Theme, isClose: boolean): SvgNode[] =>
  signs.flatMap(({ kind, at, text: words }) => [
    sign(kind, at, theme, wire.name),
    ...(kind === 'fuse' && !isClose
      ? [text(at[0] + 12, at[1] - 3, words, 11, theme.soft, { 'data-wire': wire.name })]
      : []),
  ])

function legend(
  colours: Plan['wiring']['colours'],
  used: ReadonlySet<WireRole>,
  theme: Theme,
): SvgNode {
  return node(
    'g',
    {},
    ...wireRoles
      .filter((role) => used.has(role))
      .flatMap((role, index) => {
        const x = 24 + index * 118
        return [
          ...cased(
            [
              [x, 26],
              [x + 26, 26],
            ],
            wireTint[colours[role]],
            theme,
          ),
          text(x + 32, 30, `${role} ${colours[role]}`, 12, theme.ink),
        ]
      }),
  )
}

const cased = (points: readonly Point[], tint: string, theme: Theme, width = 2.4): SvgNode[] => [
  node('path', {
    d: d(points),
    fill: 'none',
    stroke: theme.casing,
    'stroke-width': width + 1.2,
    'stroke-linejoin': 'round',
  }),
  node('path', {
    d: d(points),
    fill: 'none',
    stroke: tint,
    'stroke-width': width,
    'stroke-linejoin': 'round',
  }),
]

const wireNode = ({ wire, points }: DrawnWire, theme: Theme, isClose: boolean): SvgNode =>
  node(
    'g',
    { 'data-wire': wire.name, cursor: 'pointer' },
    node('title', {}, `${wire.name}, ${wire.role}, ${wire.colour}`),
    node('path', { d: d(points), fill: 'none', stroke: 'transparent', 'stroke-width': 9 }),
    ...cased(points, wireTint[wire.colour], theme, isClose ? 1.5 : 2.4),
  )

const titled = (drawn: DrawnBlock, theme: Theme): SvgNode[] => [
  text(drawn.x + 10, drawn.y + 18, drawn.block.name, 14, theme.ink, { 'font-weight': 600 }),
  text(drawn.x + 10, drawn.y + 33, drawn.block.detail, 11, theme.soft),
]

/** A terminal, which can be chosen. */
const dot = (id: string, [x, y]: Point, theme: Theme): SvgNode =>
  node('circle', {
    cx: x,
    cy: y,
    r: 3,
    fill: theme.ground,
    stroke: theme.ink,
    'stroke-width': 1.2,
    'data-terminal': id,
  })

function box(drawn: DrawnBlock, theme: Theme): SvgNode {
  const { block, x, y, width, height } = drawn
  return node(
    'g',
    { 'data-block': block.id, cursor: 'pointer' },
    node('rect', {
      x,
      y,
      width,
      height,
      rx: block.of.kind === 'input' ? 16 : 7,
      fill: theme.block,
      stroke: theme.line,
      'stroke-width': 1.2,
    }),
    ...titled(drawn, theme),
    ...(block.hasMains ? mains(drawn, theme) : []),
    ...drawn.terminals.flatMap(({ id, at: [tx, ty], label, side }, index) => [
      dot(id, [tx, ty], theme),
      text(
        side === 'left' ? tx + 8 : tx - 8,
        ty + 4,
        shortAfter(label, drawn.terminals[index - 1]?.label),
        11.5,
        theme.ink,
        {
          'text-anchor': side === 'left' ? 'start' : 'end',
          'data-terminal': id,
        },
      ),
    ]),
  )
}

/** The mains side ends at the supply's box: nothing of it is drawn. */
const mains = ({ x, y }: DrawnBlock, theme: Theme): SvgNode[] =>
  [
    'Its mains side is not drawn: buy it certified',
    'and enclosed; fixed mains wiring is for a',
    'licensed electrician.',
  ].map((words, index) => text(x + 10, y + 47 + index * 12, words, 11, theme.soft))

/** A run as its strip: lights, pieces, arrow. */
function run(drawn: DrawnBlock, theme: Theme): SvgNode {
  const { block, x, y, width, height, pieces, isMirrored } = drawn
  const lightsY = y + height - 9
  const isLow = height < 44
  const middle = y + height / 2
  const tip = isMirrored ? x + 20 : x + width - 20
  return node(
    'g',
    { 'data-block': block.id, cursor: 'pointer' },
    ...pieces.flatMap((piece) => [
      node('rect', {
        x: piece.x,
        y,
        width: piece.width,
        height,
        rx: 3,
        fill: theme.strip,
        stroke: theme.line,
        'stroke-width': 1.2,
      }),
      ...(isLow
        ? []
        : Array.from({ length: Math.max(1, Math.floor((piece.width - 26) / 12)) }, (_, index) =>
            node('circle', {
              cx: piece.x + 20 + index * 12,
              cy: lightsY,
              r: 1.9,
              fill: theme.light,
            }),
          )),
    ]),
    node('path', {
      d: isMirrored
        ? `M${String(tip + 8)} ${String(middle - 6)}l-8 6l8 6`
        : `M${String(tip - 8)} ${String(middle - 6)}l8 6l-8 6`,
      fill: 'none',
      stroke: theme.mark,
      'stroke-width': 2,
    }),
    ...drawn.terminals
      .filter(({ id }) => !/ (start|end)$/.test(id))
      .flatMap(({ id, at: [tx, ty], label, side }) => [
        dot(id, [tx, ty], theme),
        ...(side === 'top' || isLow
          ? []
          : [
              text(side === 'left' ? tx + 7 : tx - 7, ty + 4, short(label), 11, theme.ink, {
                'text-anchor': side === 'left' ? 'start' : 'end',
                'data-terminal': id,
              }),
            ]),
      ]),
  )
}

/** Above the strip, or in it where there is no room; wires that pass are cut out around it. */
function runTitle({ block, x, y, height }: DrawnBlock, theme: Theme): SvgNode {
  const isLow = height < 44
  const place = { x: x + (isLow ? 26 : 2), y: isLow ? y + height / 2 + 4 : y - 6 }
  const words = [
    node('tspan', { 'font-weight': 600, 'font-size': isLow ? 12 : 14 }, block.name),
    node('tspan', { 'font-size': 11 }, `  ${block.detail}`),
  ]
  const ground = isLow ? theme.strip : theme.ground
  return node(
    'g',
    { 'data-block': block.id },
    node('text', { ...place, fill: ground, stroke: ground, 'stroke-width': 3 }, ...words),
    node('text', { ...place, fill: theme.ink }, ...words),
  )
}

/** Of a pair of terminals the second says its sign alone. */
const shortAfter = (label: string, before = ''): string =>
  label.endsWith(' −') && before === label.replace(/−$/, '+') ? '−' : label

/** `D in` is D where it goes in: its place says the rest. */
const short = (label: string): string => label.replace(/ (in|out)$/, '')

function sign(
  kind: DrawnWire['signs'][number]['kind'],
  [x, y]: Point,
  theme: Theme,
  wire: string,
): SvgNode {
  const common = {
    fill: theme.ground,
    stroke: theme.ink,
    'stroke-width': 1.3,
    'data-wire': wire,
  }
  switch (kind) {
    case 'fuse':
      return node(
        'g',
        common,
        node('rect', { x: x - 9, y: y - 3.5, width: 18, height: 7, rx: 3.5 }),
        node('path', { d: `M${String(x - 9)} ${String(y)}h18`, fill: 'none' }),
      )
    case 'resistor':
      return node(
        'g',
        common,
        node('rect', { x: x - 10, y: y - 4, width: 20, height: 8, rx: 2 }),
        node('path', {
          d: `M${String(x - 4)} ${String(y - 4)}v8m4 -8v8m4 -8v8`,
          fill: 'none',
        }),
      )
    case 'connector':
      return node(
        'g',
        common,
        node('rect', { x: x - 8, y: y - 5, width: 7, height: 10, rx: 1.5 }),
        node('path', { d: `M${String(x + 8)} ${String(y - 5)}h-5v10h5`, fill: 'none' }),
      )
    case 'diode':
      return node(
        'g',
        common,
        node('path', { d: `M${String(x - 6)} ${String(y - 5)}v10l10 -5z` }),
        node('path', { d: `M${String(x + 5)} ${String(y - 5)}v10`, fill: 'none' }),
      )
  }
}

/** The wiring as a file, for paper. */
export const diagramSvg = (diagram: Diagram, plan: Pick<Plan, 'wiring' | 'name'>): string =>
  `${svgText(diagramTree(diagram, plan, 'paper'))}\n`
