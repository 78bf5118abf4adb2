import type { CutStripRun } from '../cut/cut'
import { jumpersOf } from '../cut/pads'
import type { Terminal } from '../route/circuit'
import { onGrid, type DiagramSize, type DrawnBlock, type DrawnTerminal } from './diagram-parts'
import type { PlanBlock, PlanWire } from './wires'

/** Pieces of a run that are drawn one by one, in a plan of so many runs at most; otherwise their jumpers stand in the list alone. */
const mostPieces = 12
const mostRunsInPieces = 60

export interface PlacedRuns {
  readonly blocks: readonly DrawnBlock[]
  /** At what height a wire to a terminal comes in from the left. */
  readonly entryY: ReadonlyMap<string, number>
}

/** Runs one below the other, from x 0; feeds along the way come in above the strip, the farthest uppermost. */
export function placeRuns(
  runs: readonly PlanBlock[],
  entries: ReadonlyMap<string, CutStripRun>,
  mirrored: ReadonlySet<string>,
  wires: readonly PlanWire[],
  size: DiagramSize,
): PlacedRuns {
  const entryY = new Map<string, number>()
  const runIds = new Set(runs.map(({ id }) => id))
  const chained = new Set(
    wires.filter(({ from }) => runIds.has(from.block)).flatMap(({ from, to }) => [from.id, to.id]),
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
      if (terminal.spot.kind !== 'data') continue
      const isOut = terminal.spot.side === 'out'
      const isLeft = isOut === isMirrored
      if (isOut && !chained.has(terminal.id)) continue
      const at = middle + (terminal.role === 'clock' ? 8 : 0)
      terminals.push({
        ...terminal,
        side: isLeft ? 'left' : 'right',
        at: [isLeft ? 0 : size.run, at],
      })
      if (isLeft) entryY.set(terminal.id, at)
    }
    // Leads that end in splitters, one below the other.
    const leads = block.terminals.filter(({ spot }) => spot.kind === 'splitter')
    leads.forEach((terminal, index) => {
      const at = middle + size.pitch * (index - 1)
      terminals.push({ ...terminal, side: 'left', at: [0, at] })
      entryY.set(terminal.id, at)
    })
    const body = Math.max(size.row, size.row / 2 + size.pitch * leads.length)
    // What comes to single lights from the board's pins stands below, and clear of what is told of a capacitor.
    const below = body + (entry.groups > 0 ? 16 : 0)
    const signals = block.terminals.filter(({ spot }) => spot.kind === 'light')
    const apart = size.isClose ? 8 : 16
    signals.forEach((terminal, index) => {
      const at = stripY + below + index * apart
      terminals.push({ ...terminal, side: 'left', at: [0, at] })
      entryY.set(terminal.id, at)
    })
    const height = signals.length === 0 ? body : below + signals.length * apart
    const { pieces, joints } = piecesIn(entry, isMirrored, size, runs.length > mostRunsInPieces)
    for (const terminal of block.terminals) {
      const { spot } = terminal
      if (spot.kind !== 'piece') continue
      const joint = joints.get(spot.piece)?.[spot.end]
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

/** Where the two ends of a piece are drawn. */
interface PieceEnds {
  readonly start: number
  readonly end: number
}

const rankOf = ({ role }: Terminal): number => (role === 'plus' ? 0 : 1)

/** Minus wires of several colours come in one below the other. */
const channelOf = ({ spot }: Terminal, { strip }: CutStripRun): number =>
  spot.kind === 'pad'
    ? Math.max(
        0,
        strip.light.channels.findIndex(({ name }) => name === spot.channel),
      ) * 0.5
    : 0

/** Where a feed's terminal lies along the run, 0 to 1; `undefined` for other terminals. */
const padShare = ({ spot }: Terminal, { groups }: CutStripRun): number | undefined =>
  spot.kind === 'pad' ? (spot.pad === 0 ? 0 : spot.pad / groups) : undefined

/** A run's pieces along its strip, and where their ends are. */
function piecesIn(
  entry: CutStripRun,
  isMirrored: boolean,
  size: DiagramSize,
  isWhole: boolean,
): { pieces: DrawnBlock['pieces']; joints: Map<string, PieceEnds> } {
  const placed = entry.pieces.filter(({ groups }) => groups > 0)
  const joints = new Map<string, PieceEnds>()
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
    const ends = [at, at + width] as const
    joints.set(piece.name, {
      start: isMirrored ? ends[1] : ends[0],
      end: isMirrored ? ends[0] : ends[1],
    })
    x += width
    return { x: at, width, name: piece.name }
  })
  return { pieces, joints }
}

/** Runs moved to where they stand. */
export const shiftRuns = ({ blocks, entryY }: PlacedRuns, dx: number): PlacedRuns => ({
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
