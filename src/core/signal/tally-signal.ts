import type { FedPlan } from '../feed/fed-plan'
import type { Board } from '../plan/parts'
import { dataHighV } from '../lanes/boards'
import type { Lane } from '../lanes/lanes'
import type { LaneLevel, LevelWay } from './levels'
import type { PinUse } from '../lanes/pins'
import { laneTiming, type LaneTiming } from '../lanes/timing'
import type { Levels } from './signal-levels'

/** A run on its lane, by the pixels that the program counts. */
export interface TallyLaneRun {
  readonly id: string
  readonly name: string
  /** Number of its first pixel on the lane, from 0. */
  readonly first: number
  readonly pixels: number
  readonly extra: number
  readonly dark: readonly (readonly [from: number, to: number])[]
  readonly leadMm: number
  readonly isAgainstArrow: boolean
}

export interface TallyLane extends LaneTiming {
  readonly id: string
  readonly name: string
  readonly data: Lane['data']
  readonly bitsPerPixel: number
  readonly pixels: number
  /** Pins of its data and, where there is one, its clock. */
  readonly pins: readonly string[]
  readonly level: LaneLevel | null
  readonly runs: readonly TallyLaneRun[]
}

/** The signal as the tally tells it. */
export interface TallySignal {
  readonly board: Board | null
  readonly dataHighV: number | null
  readonly lanes: readonly TallyLane[]
  readonly pins: readonly PinUse[]
  readonly freePins: readonly string[]
  readonly memory: { readonly needBytes: number; readonly freeBytes: number } | null
  readonly ways: readonly LevelWay[]
}

export function tallySignal(
  { fit, lanes }: Pick<FedPlan, 'fit' | 'lanes'>,
  { levels, ways }: Levels,
): TallySignal {
  const used = new Set(fit?.pins.map(({ pin }) => pin))
  return {
    board: fit?.board ?? null,
    dataHighV: fit === undefined || lanes.length === 0 ? null : dataHighV(fit),
    lanes: lanes.map((lane) => ({
      id: lane.id,
      name: lane.name,
      data: lane.data,
      bitsPerPixel: lane.bitsPerPixel,
      pixels: lane.pixels,
      pins:
        fit?.pins
          .filter(
            ({ need: { of }, pin }) =>
              of.kind === 'lane' && of.lane === lane.id && pin !== undefined,
          )
          .map(({ pin }) => pin?.name ?? '') ?? [],
      level: levels.get(lane.id) ?? null,
      ...laneTiming(lane),
      runs: lane.runs.map(({ entry, first, pixels, extra, dark, leadMm, isAgainstArrow }) => ({
        id: entry.run.id,
        name: entry.run.name,
        first,
        pixels,
        extra,
        dark,
        leadMm,
        isAgainstArrow,
      })),
    })),
    pins: fit?.pins ?? [],
    freePins: fit?.board.pins.filter((pin) => !used.has(pin)).map(({ name }) => name) ?? [],
    memory: fit === undefined ? null : fit.memory,
    ways: ways(),
  }
}
