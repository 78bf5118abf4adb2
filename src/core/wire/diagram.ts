import type { CutStripRun } from '../cut/cut'
import type { LengthUnits } from '../quantity/format'
import type { Signal } from '../signal/signal'
import { blockOf, type Circuit, type PlanWire } from './circuit'
import {
  bottomOf,
  close,
  edge,
  isInto,
  manyRuns,
  onGrid,
  roomy,
  sourceWidth,
  type Diagram,
  type DrawnBlock,
  type DrawnWire,
} from './drawn'
import { bundlesOf } from './lists'
import { notesOf } from './notes'
import { placeRuns, shiftRuns } from './place-runs'
import { placeSources } from './place-sources'
import { inputTracks, routeOf, signsOf } from './route'
import { tracksFor } from './track-order'

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
