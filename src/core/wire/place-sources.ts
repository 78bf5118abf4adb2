import { largest, smallest } from '../quantity/extremes'
import type { BlockKind, Terminal } from '../route/circuit'
import { blockId } from '../route/harness'
import {
  edge,
  inputTrackPx,
  inputWidth,
  onGrid,
  sourceWidth,
  type DiagramSize,
  type DrawnBlock,
  type DrawnTerminal,
} from './diagram-parts'
import type { PlanBlock, PlanWire, Wiring } from './wires'

/** Supplies, junctions, switches, the board with its buffer, and sensors: at the left, one below the other. */
export function placeSources(
  circuit: Pick<Wiring, 'blocks' | 'wires'>,
  size: DiagramSize,
): DrawnBlock[] {
  const order: readonly BlockKind[] = [
    'supply',
    'power-switch',
    'junction',
    'switch',
    'hub',
    'board',
  ]
  const inputs = circuit.blocks.filter(({ of }) => of.kind === 'input')
  const hasInputs = inputs.length > 0
  const x = edge + (hasInputs ? inputWidth + 36 + inputs.length * 3 * inputTrackPx : 0)
  const buffer = circuit.blocks.find(({ of }) => of.kind === 'buffer')
  const columnRight = x + sourceWidth + (buffer === undefined ? 0 : 150)
  const pitch = Math.max(size.pitch, 12)
  const drawn: DrawnBlock[] = []
  // What a source feeds stands in the order of what it feeds, so that leads do not cross.
  const placeIn = new Map(circuit.blocks.map(({ id }, index) => [id, index]))
  const rankOfBlock = (id: string): number =>
    id === blockId.board ? circuit.blocks.length : (placeIn.get(id) ?? 0)
  const rank = new Map(circuit.wires.map(({ from, to }) => [from.id, rankOfBlock(to.block)]))
  const toInputs = new Set(
    circuit.wires
      .filter(({ from }) => inputs.some(({ id }) => id === from.block))
      .map(({ to }) => to.id),
  )
  let y = 56
  for (const block of order.flatMap((kind) =>
    circuit.blocks.filter(({ of }) => of.kind === kind),
  )) {
    const isBoard = block.of.kind === 'board'
    const atLeft = block.terminals.filter(({ id }) => isBoard && toInputs.has(id))
    const others = block.terminals.filter((terminal) => !atLeft.includes(terminal))
    const atRight = isBoard
      ? boardOrder(others)
      : others.toSorted((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0))
    const blockX = isBoard || buffer === undefined ? x : columnRight - sourceWidth
    const bodyY = onGrid(y + size.head + (block.of.kind === 'supply' ? 42 : 4))
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
  const board = drawn.find(({ block }) => block.of.kind === 'board')
  if (buffer !== undefined && board !== undefined) {
    drawn.push(placeBuffer(buffer, board, circuit, columnRight))
  }
  // Sensors beside the board, their pins in the order in which they are on it.
  let inputY = board === undefined ? y : board.y
  const heights = new Map(board?.terminals.map(({ id, at }) => [id, at[1]]))
  const pinOf = ({ id }: PlanBlock): number =>
    Math.min(
      ...circuit.wires
        .filter(({ from, role }) => from.block === id && role === 'signal')
        .map(({ to }) => heights.get(to.id) ?? 0),
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
  const rank = ({ spot, role }: Terminal): number =>
    spot.kind === 'output' && spot.to === 'buffer'
      ? 0
      : role === 'data' || role === 'clock'
        ? 1
        : spot.kind === 'power'
          ? 2
          : 3
  return terminals.toSorted((a, b) => rank(a) - rank(b))
}

/** The buffer beside the board: what comes from it at the same heights. */
function placeBuffer(
  block: PlanBlock,
  board: DrawnBlock,
  { wires }: { readonly wires: readonly PlanWire[] },
  columnRight: number,
): DrawnBlock {
  const heights = new Map(board.terminals.map(({ id, at }) => [id, at[1]]))
  const into = new Map(
    wires
      .filter(({ to }) => to.block === block.id)
      .map(({ from, to }) => [to.id, heights.get(from.id) ?? 0]),
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
  const top = smallest(lefts.map(({ at }) => at[1])) - 40
  const bottom = largest(lefts.map(({ at }) => at[1])) + 12
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
