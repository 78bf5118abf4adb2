import type { CutStripRun } from '../cut/cut'
import { jumpersOf } from '../cut/pads'
import type { Point } from '../measure/geometry'
import type { LengthUnits } from '../quantity/format'
import { formatLength } from '../quantity/format'
import type { Signal } from '../signal/signal'
import {
  blockOf,
  type Block,
  type Circuit,
  type InLine,
  type PlanWire,
  type Terminal,
} from './circuit'
import { bundlesOf } from './lists'
import { tracksFor } from './track-order'

/** A terminal where it is drawn. */
export interface DrawnTerminal extends Terminal {
  readonly at: Point
  readonly side: 'left' | 'right' | 'top'
}

/** A block where it is drawn. */
export interface DrawnBlock {
  readonly block: Block
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly terminals: readonly DrawnTerminal[]
  /** Of a run: its pieces, and whether its arrow points to the left. */
  readonly pieces: readonly { readonly x: number; readonly width: number; readonly name: string }[]
  readonly isMirrored: boolean
}

/** A wire where it is drawn. */
export interface DrawnWire {
  readonly wire: PlanWire
  readonly points: readonly Point[]
  /** Signs of what sits in it, each at its middle. */
  readonly signs: readonly (InLine & { readonly at: Point })[]
}

/** A note on a bundle of wires: their names, gauge and length. */
export interface DrawnLabel {
  readonly text: string
  readonly at: Point
  readonly wires: readonly string[]
}

/** The whole picture, in its own px; 1 px is 0.25 mm on paper at least. */
export interface Diagram {
  readonly width: number
  readonly height: number
  /** Set close: thin wires, names in the strips. */
  readonly isClose: boolean
  readonly blocks: readonly DrawnBlock[]
  readonly wires: readonly DrawnWire[]
  readonly labels: readonly DrawnLabel[]
  readonly capacitors: readonly {
    readonly at: Point
    readonly heightPx: number
    readonly text: string
  }[]
}

/** From one row of terminals to the next: roomy, or close for a plan of many runs. */
const roomy = {
  isClose: false as boolean,
  pitch: 16,
  row: 54,
  gap: 20,
  head: 40,
  title: 20,
  track: 8,
  notes: 212,
  run: 260,
}
const close: typeof roomy = {
  isClose: true,
  pitch: 7,
  row: 24,
  gap: 20,
  head: 36,
  title: 0,
  track: 4,
  notes: 206,
  run: 220,
}
/** Runs from which the drawing is set close. */
const manyRuns = 14
const sourceWidth = 222
const inputTrackPx = 8
const edge = 16
const inputWidth = 144
/** Pieces of a run that are drawn one by one, in a plan of so many runs at most; otherwise their jumpers stand in the list alone. */
const mostPieces = 12
const mostRunsInPieces = 60

/**
 * Lays the wiring out: supplies, junctions, board and what belongs to it at the left, one below the other; runs at the right, in the order of
 * the data, each second one of a lane turned round, so that out lies above in. All wires between them turn in one channel.
 */
export function diagramOf(
  circuit: Circuit,
  cuts: readonly CutStripRun[],
  signal: Pick<Signal, 'lanes'>,
  units: LengthUnits = 'mm',
): Diagram {
  const entries = new Map(cuts.map((entry) => [`run:${entry.run.id}`, entry]))
  const runs = circuit.blocks.filter(({ kind }) => kind === 'run')
  const size = runs.length >= manyRuns ? close : roomy
  const mirrored = new Set(
    size.isClose
      ? []
      : signal.lanes.flatMap(({ runs: own }) =>
          own.filter((_, index) => index % 2 === 1).map(({ entry }) => `run:${entry.run.id}`),
        ),
  )
  const targets = placeRuns(runs, entries, mirrored, circuit, size)
  // In the middle of the runs: half of the leads turn up, half down, and they share their tracks.
  const sources = centred(placeSources(circuit, size), bottomOf(targets.blocks))
  const heads = new Map(sources.map((drawn) => [drawn.block.id, drawn]))
  const right = Math.max(edge + sourceWidth, ...sources.map(({ x, width }) => x + width))
  const ends = new Map(
    [...sources, ...targets.blocks].flatMap(({ terminals }) =>
      terminals.map((terminal) => [terminal.id, terminal]),
    ),
  )

  // What goes through the main channel: bundles that leave a source at its right.
  const throughs = bundlesOf(circuit.wires).flatMap((wires) => {
    const own = wires.filter(
      ({ from }) =>
        ends.get(from)?.side === 'right' &&
        heads.has(blockOf(from)) &&
        heads.get(blockOf(from))?.block.kind !== 'input',
    )
    return own.length === 0 || own.some(({ to }) => isInto(to, 'buffer')) ? [] : [own]
  })
  const heightOf = (wire: PlanWire): number =>
    targets.entryY.get(wire.to) ?? ends.get(wire.to)?.at[1] ?? 0
  const tracks = tracksFor(
    throughs.map((wires) => ({
      left: wires.flatMap(({ from, to }) => [
        ends.get(from)?.at[1] ?? 0,
        ...(heads.has(blockOf(to)) ? [ends.get(to)?.at[1] ?? 0] : []),
      ]),
      right: wires.flatMap((wire) => (heads.has(blockOf(wire.to)) ? [] : [heightOf(wire)])),
    })),
    4,
  )
  const widest = Math.max(0, ...throughs.map((wires) => wires.length))
  const trackCount = Math.max(0, ...tracks) + 1
  const channelLeft = right + (size.isClose ? 30 : 58)
  const channelWidth = throughs.length === 0 ? 0 : trackCount * (widest * size.track + 4)
  const runsX = channelLeft + channelWidth + size.notes
  const moved = shiftRuns(targets, runsX)
  for (const block of moved.blocks)
    for (const terminal of block.terminals) ends.set(terminal.id, terminal)

  const trackOf = new Map<string, number>()
  throughs.forEach((wires, index) => {
    wires.forEach((wire, at) => {
      trackOf.set(
        wire.name,
        channelLeft + (tracks[index] ?? 0) * (widest * size.track + 4) + at * size.track,
      )
    })
  })
  const left = inputTracks(circuit, ends, heads)
  const drawn = circuit.wires.flatMap((wire): DrawnWire[] => {
    const [from, to] = [ends.get(wire.from), ends.get(wire.to)]
    if (from === undefined || to === undefined) return []
    const points = routeOf(wire, from, to, {
      track: trackOf.get(wire.name) ?? left.get(wire.name),
      entryY: moved.entryY.get(wire.to),
      isTarget: !heads.has(blockOf(wire.to)),
    })
    return [{ wire, points, signs: signsOf(wire, points, to.side) }]
  })
  const bottom = Math.max(bottomOf(sources), bottomOf(moved.blocks), 100)
  return {
    width: (runs.length === 0 ? right : runsX + size.run + (size.isClose ? 90 : 0)) + edge + 14,
    height: bottom + edge,
    isClose: size.isClose,
    blocks: [...sources, ...moved.blocks],
    wires: drawn,
    labels: notesOf(drawn, units, runsX, size),
    capacitors: circuit.capacitors.flatMap(({ at, text }) => {
      const key = at.pad === 0 ? '' : ` ${String(at.pad)}`
      const [plus, minus] = ['+', '−'].map((sign) => {
        const id = `run:${at.run}/${sign}${key}`
        const y = moved.entryY.get(id) ?? ends.get(id)?.at[1]
        return y
      })
      return plus === undefined || minus === undefined
        ? []
        : [{ at: [runsX - 38, plus] as const, heightPx: minus - plus, text }]
    }),
  }
}

const bottomOf = (blocks: readonly DrawnBlock[]): number =>
  Math.max(0, ...blocks.map(({ y, height }) => y + height))

/** Blocks moved down so that they stand in the middle of a height. */
function centred(blocks: readonly DrawnBlock[], bottom: number): DrawnBlock[] {
  const down = onGrid(Math.max(0, (bottom - bottomOf(blocks)) / 2))
  return blocks.map((drawn) => ({
    ...drawn,
    y: drawn.y + down,
    terminals: drawn.terminals.map((terminal) => ({
      ...terminal,
      at: [terminal.at[0], terminal.at[1] + down] as const,
    })),
  }))
}

const isInto = (terminal: string, block: string): boolean => blockOf(terminal) === block

/** Rounded up to the grid that sources stand on; runs stand half a step off it, so that no two wires lie on each other. */
const onGrid = (y: number): number => Math.ceil(y / 8) * 8

function placeSources(circuit: Circuit, size: typeof roomy): DrawnBlock[] {
  const order: readonly Block['kind'][] = ['supply', 'junction', 'switch', 'board']
  const inputs = circuit.blocks.filter(({ kind }) => kind === 'input')
  const hasInputs = inputs.length > 0
  const x = edge + (hasInputs ? inputWidth + 36 + inputs.length * 3 * inputTrackPx : 0)
  const buffer = circuit.blocks.find(({ kind }) => kind === 'buffer')
  const columnRight = x + sourceWidth + (buffer === undefined ? 0 : 150)
  const pitch = Math.max(size.pitch, 12)
  const drawn: DrawnBlock[] = []
  // What a source feeds stands in the order of what it feeds, so that leads do not cross.
  const placeIn = new Map(circuit.blocks.map(({ id }, index) => [id, index]))
  const rankOfBlock = (id: string): number =>
    id === 'board' ? circuit.blocks.length : (placeIn.get(id) ?? 0)
  const rank = new Map(circuit.wires.map(({ from, to }) => [from, rankOfBlock(blockOf(to))]))
  let y = 56
  for (const block of order.flatMap((kind) => circuit.blocks.filter((one) => one.kind === kind))) {
    const isBoard = block.kind === 'board'
    const toInputs = new Set(
      circuit.wires.filter(({ from }) => blockOf(from).startsWith('input:')).map(({ to }) => to),
    )
    const atLeft = block.terminals.filter(({ id }) => isBoard && toInputs.has(id))
    const others = block.terminals.filter((terminal) => !atLeft.includes(terminal))
    const atRight = isBoard
      ? boardOrder(others)
      : others.toSorted((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0))
    const blockX = isBoard || buffer === undefined ? x : columnRight - sourceWidth
    const bodyY = onGrid(y + size.head + (block.kind === 'supply' ? 42 : 4))
    const step = onGrid(pitch)
    const terminal =
      (side: 'left' | 'right') =>
      (one: Terminal, index: number): DrawnTerminal => ({
        ...one,
        side,
        at: [side === 'left' ? blockX : blockX + sourceWidth, bodyY + index * step],
      })
    const height = bodyY - y + Math.max(atLeft.length, atRight.length, 1) * step
    drawn.push({
      block,
      x: blockX,
      y,
      width: sourceWidth,
      height,
      terminals: [...atLeft.map(terminal('left')), ...atRight.map(terminal('right'))],
      pieces: [],
      isMirrored: false,
    })
    y += height + 30
  }
  const board = drawn.find(({ block }) => block.kind === 'board')
  if (buffer !== undefined && board !== undefined) {
    drawn.push(placeBuffer(buffer, board, circuit, columnRight))
  }
  // Sensors beside the board, their pins in the order in which they are on it.
  let inputY = board === undefined ? y : board.y
  const heights = new Map(board?.terminals.map(({ id, at }) => [id, at[1]]))
  const pinOf = ({ id }: Block): number =>
    Math.min(
      ...circuit.wires
        .filter(({ from, role }) => blockOf(from) === id && role === 'signal')
        .map(({ to }) => heights.get(to) ?? 0),
    )
  for (const block of inputs.toSorted((a, b) => pinOf(a) - pinOf(b))) {
    const bodyY = onGrid(inputY + size.head) + 4
    const height = bodyY - inputY + block.terminals.length * 16
    drawn.push({
      block,
      x: edge,
      y: inputY,
      width: inputWidth,
      height,
      terminals: block.terminals.map((one, index) => ({
        ...one,
        side: 'right',
        at: [edge + inputWidth, bodyY + index * 16],
      })),
      pieces: [],
      isMirrored: false,
    })
    inputY += height + 20
  }
  return drawn
}

/** What goes to a buffer first, so that it stands beside; then data, the board's own feed, and the rest as they come. */
const boardOrder = (terminals: readonly Terminal[]): Terminal[] => {
  const rank = ({ id, role }: Terminal): number =>
    id.endsWith(' out') ? 0 : role === 'data' || role === 'clock' ? 1 : /\/[+−]$/.test(id) ? 2 : 3
  return terminals.toSorted((a, b) => rank(a) - rank(b))
}

/** The buffer beside the board: what comes from it at the same heights. */
function placeBuffer(
  block: Block,
  board: DrawnBlock,
  { wires }: Circuit,
  columnRight: number,
): DrawnBlock {
  const heights = new Map(board.terminals.map(({ id, at }) => [id, at[1]]))
  const into = new Map(
    wires
      .filter(({ to }) => isInto(to, 'buffer'))
      .map(({ from, to }) => [to, heights.get(from) ?? 0]),
  )
  const x = columnRight - 110
  const lefts = block.terminals.flatMap((one): DrawnTerminal[] => {
    const y = into.get(one.id)
    return y === undefined ? [] : [{ ...one, side: 'left', at: [x, y] }]
  })
  const data = lefts.filter(({ role }) => role === 'data' || role === 'clock')
  const outs = block.terminals
    .filter(({ id }) => !into.has(id))
    .map((one, index): DrawnTerminal => ({
      ...one,
      side: 'right',
      at: [columnRight, data[index]?.at[1] ?? 0],
    }))
  const top = Math.min(...lefts.map(({ at }) => at[1])) - 40
  const bottom = Math.max(...lefts.map(({ at }) => at[1])) + 12
  return {
    block,
    x,
    y: top,
    width: 110,
    height: bottom - top,
    terminals: [...lefts, ...outs],
    pieces: [],
    isMirrored: false,
  }
}

interface PlacedRuns {
  readonly blocks: readonly DrawnBlock[]
  /** At what height a wire to a terminal comes in from the left. */
  readonly entryY: ReadonlyMap<string, number>
}

/** Runs one below the other, from x 0; feeds along the way come in above the strip, the farthest uppermost. */
function placeRuns(
  runs: readonly Block[],
  entries: ReadonlyMap<string, CutStripRun>,
  mirrored: ReadonlySet<string>,
  circuit: Circuit,
  size: typeof roomy,
): PlacedRuns {
  const entryY = new Map<string, number>()
  const chained = new Set(
    circuit.wires
      .filter(({ from }) => blockOf(from).startsWith('run:'))
      .flatMap(({ from, to }) => [from, to]),
  )
  const blocks: DrawnBlock[] = []
  let y = 56
  for (const block of runs) {
    const entry = entries.get(block.id)
    if (entry === undefined) continue
    const isMirrored = mirrored.has(block.id)
    const stripAt = (share: number): number => size.run * (isMirrored ? 1 - share : share)
    const along = block.terminals.flatMap((terminal) => {
      const place = padShare(terminal, entry)
      return place === undefined ? [] : [{ terminal, place }]
    })
    const above = along
      .filter(({ place }) => place > 0 || isMirrored)
      .toSorted(
        (a, b) => stripAt(b.place) - stripAt(a.place) || rankOf(a.terminal) - rankOf(b.terminal),
      )
    const top = y + above.length * 8 + (above.length > 0 ? 20 : 0) + size.title
    const stripY = onGrid(top) + 4
    const terminals: DrawnTerminal[] = []
    above.forEach(({ terminal, place }, index) => {
      const x =
        Math.min(size.run - 10, Math.max(10, stripAt(place))) + (terminal.role === 'plus' ? -4 : 4)
      terminals.push({ ...terminal, side: 'top', at: [x, stripY] })
      entryY.set(terminal.id, onGrid(y + 16) + 4 + index * 8)
    })
    const middle = stripY + size.row / 2
    const starts = isMirrored ? [] : along.filter(({ place }) => place === 0)
    for (const { terminal } of starts) {
      const at =
        terminal.role === 'plus'
          ? middle - size.pitch
          : middle + size.pitch * (1 + channelOf(terminal, entry))
      terminals.push({ ...terminal, side: 'left', at: [0, at] })
      entryY.set(terminal.id, at)
    }
    for (const terminal of block.terminals) {
      const data = /^[DC] (in|out)$/.exec(terminal.id.split('/')[1] ?? '')
      if (data === null) continue
      const isLeft = (data[1] === 'in') !== isMirrored
      const isOut = data[1] === 'out'
      if (isOut && !chained.has(terminal.id)) continue
      const at = middle + (terminal.role === 'clock' ? 8 : 0)
      terminals.push({
        ...terminal,
        side: isLeft ? 'left' : 'right',
        at: [isLeft ? 0 : size.run, at],
      })
      if (isLeft) entryY.set(terminal.id, at)
    }
    // What comes to single lights from the board's pins stands below.
    const signals = block.terminals.filter(({ role }) => role === 'signal')
    const apart = size.isClose ? 8 : 16
    signals.forEach((terminal, index) => {
      const at = stripY + size.row + index * apart
      terminals.push({ ...terminal, side: 'left', at: [0, at] })
      entryY.set(terminal.id, at)
    })
    const height = size.row + signals.length * apart
    const { pieces, joints } = piecesIn(entry, isMirrored, size, runs.length > mostRunsInPieces)
    for (const terminal of block.terminals) {
      const joint = joints.get(terminal.id.split('/')[1] ?? '')
      if (joint === undefined) continue
      terminals.push({
        ...terminal,
        side: 'top',
        at: [joint, middle + { plus: -6, minus: 6, data: 0, clock: 3, signal: 0 }[terminal.role]],
      })
    }
    blocks.push({
      block,
      x: 0,
      y: stripY,
      width: size.run,
      height,
      terminals,
      pieces,
      isMirrored,
    })
    y = stripY + height + size.gap
  }
  return { blocks, entryY }
}

const rankOf = ({ role }: Terminal): number => (role === 'plus' ? 0 : 1)

/** Minus wires of several colours come in one below the other. */
const channelOf = ({ label }: Terminal, { strip }: CutStripRun): number =>
  Math.max(
    0,
    strip.light.channels.findIndex(({ name }) => label === `− ${name}`),
  ) * 0.5

/** Where a feed's terminal lies along the run, 0 to 1; `undefined` for other terminals. */
function padShare({ id }: Terminal, { cuts }: CutStripRun): number | undefined {
  const key = id.split('/')[1] ?? ''
  if (/ (start|end)$/.test(key) || !/^[+−]/.test(key)) return undefined
  const pad = / (\d+)$/.exec(key)?.[1]
  return pad === undefined ? 0 : Number(pad) / cuts
}

/** A run's pieces along its strip, and where their ends are by the terminal's key. */
function piecesIn(
  entry: CutStripRun,
  isMirrored: boolean,
  size: typeof roomy,
  isWhole: boolean,
): { pieces: DrawnBlock['pieces']; joints: Map<string, number> } {
  const placed = entry.pieces.filter(({ cuts }) => cuts > 0)
  const joints = new Map<string, number>()
  if (isWhole || placed.length > mostPieces || placed.length === 0)
    return { pieces: [{ x: 0, width: size.run, name: '' }], joints }
  const wired = new Set(
    jumpersOf(entry)
      .filter(({ from, to }) => from.part !== to.part)
      .map(({ to }) => to.name),
  )
  const between = 14
  const gaps = placed.slice(1).filter(({ name }) => wired.has(name)).length
  const scale = (size.run - gaps * between) / placed.reduce((sum, piece) => sum + piece.placedMm, 0)
  let x = 0
  const pieces = placed.map((piece, index) => {
    if (index > 0 && wired.has(piece.name)) x += between
    const width = piece.placedMm * scale
    const at = isMirrored ? size.run - x - width : x
    for (const sign of [
      '+',
      '−',
      'D',
      'C',
      ...entry.strip.light.channels.map(({ name }) => `− ${name}`),
    ]) {
      joints.set(`${piece.name} ${sign} start`, isMirrored ? at + width : at)
      joints.set(`${piece.name} ${sign} end`, isMirrored ? at : at + width)
    }
    x += width
    return { x: at, width, name: piece.name }
  })
  return { pieces, joints }
}

const shiftRuns = ({ blocks, entryY }: PlacedRuns, dx: number): PlacedRuns => ({
  entryY,
  blocks: blocks.map((drawn) => ({
    ...drawn,
    x: drawn.x + dx,
    pieces: drawn.pieces.map((piece) => ({ ...piece, x: piece.x + dx })),
    terminals: drawn.terminals.map((terminal) => ({
      ...terminal,
      at: [terminal.at[0] + dx, terminal.at[1]] as const,
    })),
  })),
})

/** Where wires from sensors to the board turn. */
function inputTracks(
  { wires }: Circuit,
  ends: ReadonlyMap<string, DrawnTerminal>,
  heads: ReadonlyMap<string, DrawnBlock>,
): Map<string, number> {
  const own = wires.filter(({ from }) => blockOf(from).startsWith('input:'))
  const tracks = tracksFor(
    own.map(({ from, to }) => ({
      left: [ends.get(from)?.at[1] ?? 0],
      right: [ends.get(to)?.at[1] ?? 0],
    })),
  )
  const start =
    Math.max(0, ...own.map(({ from }) => (heads.get(blockOf(from))?.x ?? 0) + inputWidth)) + 20
  return new Map(own.map(({ name }, index) => [name, start + (tracks[index] ?? 0) * inputTrackPx]))
}

interface RouteGiven {
  readonly track: number | undefined
  readonly entryY: number | undefined
  readonly isTarget: boolean
}

/** The way of a wire: straight, by its track in a channel, or from run to run beside the strips. */
function routeOf(
  wire: PlanWire,
  from: DrawnTerminal,
  to: DrawnTerminal,
  { track, entryY, isTarget }: RouteGiven,
): Point[] {
  const [start, end] = [from.at, to.at]
  if (track !== undefined) {
    const turn: Point[] = [start, [track, start[1]]]
    if (isTarget && to.side === 'top' && entryY !== undefined)
      return [...turn, [track, entryY], [end[0], entryY], end]
    return [...turn, [track, end[1]], end]
  }
  // From run to run: out at one side and in below at the same.
  if (isTarget && from.side === to.side && from.side !== 'top') {
    const apart = wire.role === 'clock' ? 20 : 12
    const beside = from.side === 'right' ? apart : -apart
    const x = (from.side === 'right' ? Math.max : Math.min)(start[0], end[0]) + beside
    return [start, [x, start[1]], [x, end[1]], end]
  }
  if (
    from.side === 'right' &&
    to.side === 'left' &&
    wire.role !== 'plus' &&
    isTarget &&
    start[0] > end[0]
  ) {
    const below = start[1] + (end[1] - start[1]) * 0.42
    return [
      start,
      [start[0] + 12, start[1]],
      [start[0] + 12, below],
      [end[0] - 12, below],
      [end[0] - 12, end[1]],
      end,
    ]
  }
  return start[1] === end[1] ? [start, end] : [start, [end[0], start[1]], end]
}

/** Fuses stand at the source, resistors and diodes before the pixel. */
function signsOf(
  { inLine }: PlanWire,
  points: readonly Point[],
  side: DrawnTerminal['side'],
): DrawnWire['signs'] {
  const before = side === 'right' ? 1 : -1
  const [first = [0, 0]] = points
  const last = points.at(-1) ?? first
  return inLine.map(({ kind, text }, index) => ({
    kind,
    text,
    at:
      kind === 'fuse' ? [first[0] + 14, first[1]] : [last[0] + before * (20 + index * 16), last[1]],
  }))
}

const shortNote = (wires: readonly PlanWire[], units: LengthUnits): string =>
  `${wires.map(({ name }) => name).join(' ')} · ${formatLength(wires[0]?.lengthMm ?? 0, units)}`

/** Notes beside the bundles where they come in: names, what sits in them, gauge and length. */
function notesOf(
  drawn: readonly DrawnWire[],
  units: LengthUnits,
  runsX: number,
  size: typeof roomy,
): DrawnLabel[] {
  const routes = new Map(drawn.map(({ wire, points }) => [wire.name, points]))
  return bundlesOf(drawn.map(({ wire }) => wire)).flatMap((wires): DrawnLabel[] => {
    const [first] = wires
    const points = first && routes.get(first.name)
    // Jumpers, and wires beside each other in one box, say it in the list alone.
    if (first === undefined || points === undefined || points.length < 3) return []
    const last = points.at(-1) ?? [0, 0]
    const inLine = wires
      .flatMap((wire) => wire.inLine)
      .filter(({ kind }) => kind !== 'fuse')
      .map(({ text, kind }) => (kind === 'diode' ? 'diode' : text))
    const text = [
      wires.length > 2
        ? `${first.name}–${wires.at(-1)?.name ?? ''}`
        : wires.map(({ name }) => name).join(' '),
      ...inLine,
      first.gauge.name,
      formatLength(first.lengthMm, units),
    ].join(' · ')
    const isIntoRun = blockOf(first.to).startsWith('run:')
    const isFromRun = blockOf(first.from).startsWith('run:')
    const names = wires.map(({ name }) => name)
    if (isFromRun) {
      const [, second = [0, 0], third = [0, 0]] = points
      // Beside the way from run to run: at its right, or at its left.
      const isRight = second[0] > runsX + size.run / 2
      if (size.isClose)
        return [
          {
            text: shortNote(wires, units),
            at: [runsX + size.run + 18, second[1] + 3],
            wires: names,
          },
        ]
      return [
        {
          text,
          at: [
            isRight ? second[0] - 8 - text.length * 5.7 : second[0] + 8,
            Math.min(second[1], third[1]) + size.row / 2 + 13,
          ],
          wires: names,
        },
      ]
    }
    if (!isIntoRun) {
      const isInput = blockOf(first.from).startsWith('input:')
      return isInput
        ? []
        : [
            {
              text,
              at: [
                points[0]?.[0] === undefined ? 0 : points[0][0] - sourceWidth + 10,
                (points[0]?.[1] ?? 0) + 12,
              ],
              wires: names,
            },
          ]
    }
    const isData = first.role === 'data' || first.role === 'clock'
    const y = Math.min(...wires.map(({ name }) => routes.get(name)?.at(-2)?.[1] ?? last[1]))
    return [
      {
        text,
        at: [runsX - size.notes + 6, isData ? y + (size.isClose ? size.pitch + 11 : -4) : y - 4],
        wires: names,
      },
    ]
  })
}
