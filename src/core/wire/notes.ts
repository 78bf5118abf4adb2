import { smallest } from '../quantity/extremes'
import { formatLength, type LengthUnits } from '../quantity/format'
import type { BlockKind } from '../route/circuit'
import {
  sourceWidth,
  type DiagramSize,
  type DrawnBlock,
  type DrawnLabel,
  type DrawnWire,
} from './diagram-parts'
import { bundlesOf } from './joints'
import type { PlanWire } from './wires'

const shortNote = (wires: readonly PlanWire[], units: LengthUnits): string =>
  `${wires.map(({ name }) => name).join(' ')} · ${formatLength(wires[0]?.lengthMm ?? 0, units)}`

/** Notes beside the bundles where they come in: names, what sits in them, gauge and length. */
export function notesOf(
  drawn: readonly DrawnWire[],
  units: LengthUnits,
  blocks: readonly DrawnBlock[],
  runsX: number,
  size: DiagramSize,
): DrawnLabel[] {
  const idsOf = (kind: BlockKind): ReadonlySet<string> =>
    new Set(blocks.filter(({ block }) => block.of.kind === kind).map(({ block }) => block.id))
  const [runs, inputs] = [idsOf('run'), idsOf('input')]
  const routes = new Map(drawn.map(({ wire, points }) => [wire.name, points]))
  const namesOf = new Map(drawn.map(({ wire, names }) => [wire.name, names]))
  const notes = bundlesOf(drawn.map(({ wire }) => wire)).flatMap((wires): DrawnLabel[] => {
    const [first] = wires
    const points = first && routes.get(first.name)
    // Jumpers, and wires beside each other in one box, say it in the list alone.
    if (first === undefined || points === undefined || points.length < 3) return []
    const last = points.at(-1) ?? [0, 0]
    const inLine = wires
      .flatMap((wire) => wire.inLine)
      .filter(({ kind }) => kind !== 'fuse')
      .map(({ text }) => text)
    if (first.hasDiode === true) {
      const [, turn = [0, 0]] = points
      const text = `${first.name} diode`
      const isRight = turn[0] > last[0]
      return [
        {
          text,
          at: [isRight ? turn[0] + 8 : turn[0] - 6 - text.length * letterPx, last[1] + 4],
          wires: [first.name],
        },
      ]
    }
    const names = wires.flatMap(({ name }) => namesOf.get(name) ?? [name])
    const span = names.length > 2 ? `${names[0] ?? ''}–${names.at(-1) ?? ''}` : names.join(' ')
    const text =
      names.length > wires.length
        ? `${String(names.length)} wires, ${span}`
        : [span, ...inLine, first.gauge.name, formatLength(first.lengthMm, units)].join(' · ')
    const [isFromRun, isIntoRun] = [first.from, first.to].map(({ block }) => runs.has(block))
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
            isRight ? second[0] - 8 - text.length * letterPx : second[0] + 8,
            Math.min(second[1], third[1]) + size.row / 2 + 13,
          ],
          wires: names,
        },
      ]
    }
    if (!isIntoRun) {
      const isInput = inputs.has(first.from.block)
      return isInput
        ? []
        : [
            {
              text,
              at: [
                points[0]?.[0] === undefined ? 0 : points[0][0] - sourceWidth + 10,
                // Beside the minus, whose own label is short.
                (routes.get(wires[1]?.name ?? '')?.[0]?.[1] ?? (points[0]?.[1] ?? 0) + 8) + 4,
              ],
              wires: names,
            },
          ]
    }
    const isData = first.role === 'data' || first.role === 'clock'
    const y = smallest(wires.map(({ name }) => routes.get(name)?.at(-2)?.[1] ?? last[1]))
    return [
      {
        text,
        at: [runsX - size.notes + 6, isData ? y + (size.isClose ? size.pitch + 11 : -4) : y - 4],
        wires: names,
      },
    ]
  })
  return apart(notes)
}

/** How wide a letter is, and how high a line of them, px. */
const [letterPx, linePx] = [5.7, 11]
/** Lines by which a note is moved until it is free, the nearest first. */
const moves = [0, -1, 1, -2, 2, -3, 3]

/** Notes beside each other: one that would lie on another goes to the nearest line that is free. */
function apart(notes: readonly DrawnLabel[]): DrawnLabel[] {
  const placed: DrawnLabel[] = []
  for (const note of notes) {
    const [x, y] = note.at
    const isFree = (move: number): boolean =>
      placed.every(
        ({ text, at: [left, top] }) =>
          x >= left + text.length * letterPx ||
          left >= x + note.text.length * letterPx ||
          Math.abs(y + move * linePx - top) >= linePx,
      )
    const at: DrawnLabel['at'] = [x, y + (moves.find(isFree) ?? 0) * linePx]
    placed.push({ ...note, at })
  }
  return placed
}
