import { largest } from '../quantity/extremes'
import type { CutStripRun } from '../cut/cut'
import type { LengthUnits } from '../quantity/format'
import type { Lane } from '../lanes/lanes'
import { blockId } from '../route/harness'
import {
  bottomOf,
  close,
  edge,
  manyRuns,
  onGrid,
  roomy,
  sourceWidth,
  type Diagram,
  type DrawnBlock,
  type DrawnWire,
} from './diagram-parts'
import { mergedHome } from './merged-home'
import { bundlesOf } from './joints'
import { notesOf } from './notes'
import { placeRuns, shiftRuns } from './place-runs'
import { placeSources } from './place-sources'
import { inputTracks, routeOf, signsOf } from './tracks'
import { tracksFor } from './track-order'
import type { PlanWire, Wiring } from './wires'

/**
 * Lays the wiring out: supplies, junctions, board and what belongs to it at the left, one below the other; runs at the right, in the order of
 * the data, each second one of a lane turned round, so that out lies above in. All wires between them turn in one channel.
 */
export function diagramOf(
  wiring: Wiring,
  { cutRuns, lanes }: { readonly cutRuns: readonly CutStripRun[]; readonly lanes: readonly Lane[] },
  units: LengthUnits,
): Diagram {
  const circuit = mergedHome(wiring)
  const entries = new Map(cutRuns.map((entry) => [blockId.run(entry.run.id), entry]))
  const runs = circuit.blocks.filter(({ of }) => of.kind === 'run')
  const size = runs.length >= manyRuns ? close : roomy
  const mirrored = new Set(
    size.isClose
      ? []
      : lanes.flatMap(({ runs: own }) =>
          own.filter((_, index) => index % 2 === 1).map(({ entry }) => blockId.run(entry.run.id)),
        ),
  )
  const targets = placeRuns(runs, entries, mirrored, circuit.wires, size)
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
        ends.get(from.id)?.side === 'right' &&
        heads.has(from.block) &&
        heads.get(from.block)?.block.of.kind !== 'input',
    )
    return own.length === 0 || own.some(({ to }) => to.block === blockId.buffer) ? [] : [own]
  })
  const heightOf = (wire: PlanWire): number =>
    targets.entryY.get(wire.to.id) ?? ends.get(wire.to.id)?.at[1] ?? 0
  const tracks = tracksFor(
    throughs.map((wires) => ({
      left: wires.flatMap(({ from, to }) => [
        ends.get(from.id)?.at[1] ?? 0,
        ...(heads.has(to.block) ? [ends.get(to.id)?.at[1] ?? 0] : []),
      ]),
      right: wires.flatMap((wire) => (heads.has(wire.to.block) ? [] : [heightOf(wire)])),
    })),
    4,
  )
  const widest = largest(
    throughs.map((wires) => wires.length),
    0,
  )
  const trackCount = largest(tracks, 0) + 1
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
  const left = inputTracks(circuit.wires, ends, heads)
  const drawn = circuit.wires.flatMap((wire): DrawnWire[] => {
    const [from, to] = [ends.get(wire.from.id), ends.get(wire.to.id)]
    if (from === undefined || to === undefined) return []
    const points = routeOf(wire, from, to, {
      track: trackOf.get(wire.name) ?? left.get(wire.name),
      entryY: moved.entryY.get(wire.to.id),
      isTarget: !heads.has(wire.to.block),
    })
    const names = circuit.namesOf.get(wire.name) ?? [wire.name]
    return [{ wire, names, points, signs: signsOf(wire, points, to.side) }]
  })
  const bottom = Math.max(bottomOf(sources), bottomOf(moved.blocks), 100)
  return {
    width: (runs.length === 0 ? right : runsX + size.run + (size.isClose ? 90 : 0)) + edge + 14,
    height: bottom + edge,
    isClose: size.isClose,
    blocks: [...sources, ...moved.blocks],
    wires: drawn,
    labels: notesOf(drawn, units, [...sources, ...moved.blocks], runsX, size),
    capacitors: circuit.capacitors.flatMap(({ at, text }) => {
      const pads = moved.blocks
        .find(({ block }) => block.id === blockId.run(at.run))
        ?.terminals.filter(({ spot }) => spot.kind === 'pad' && spot.pad === at.pad)
      const [plus, minus] = (['plus', 'minus'] as const).map((role) => {
        const pad = pads?.find((terminal) => terminal.role === role)
        return pad && (moved.entryY.get(pad.id) ?? pad.at[1])
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
