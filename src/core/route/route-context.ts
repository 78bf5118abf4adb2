import type { CutStripRun } from '../cut/cut'
import { entriesById } from '../cut/entry-of'
import { purposeKey, type PinPurpose } from '../lanes/pins'
import type { Point } from '../measure/geometry'
import { placer, placesOf } from '../measure/layout'
import { boardSupply } from '../lanes/boards'
import { isBoardPin, powerSwitchesOf } from '../parts/find'
import type { PowerSwitchPlace } from '../parts/power-switches'
import type { WireRole } from '../plan/choices'
import type { Terminal } from './circuit'
import { blockId, Harness } from './harness'
import type { RoutedPlan } from './routed-plan'

/** What wires are routed from. */
export type RouteGiven = Omit<
  RoutedPlan,
  'circuit' | 'parts' | 'measured' | 'prices' | 'reels' | 'prewired' | 'loads' | 'needs'
>

/** What is looked up again and again while wires are routed. */
export interface RouteContext extends RouteGiven {
  readonly harness: Harness
  readonly entryOf: ReadonlyMap<string, CutStripRun>
  readonly litOf: ReadonlyMap<string, RouteGiven['lit'][number]>
  /** Where each supply has a switch by hand; supplies without one are left out. */
  readonly powerSwitches: ReadonlyMap<string, PowerSwitchPlace>
  /** The supply that is the board's own 5 V pin, where there is one: its source feeds the board's raw input. */
  readonly pinSupply: string | undefined
  /** The pad at which a plus meets a run: behind the first pixel where that has a diode in its plus. */
  readonly plusPad: (run: string, pad: number) => number
  /** Where a light of a run is on the drawing. */
  readonly lightAt: (run: string, light: number) => Point
  /** The board's terminal for something that needs a pin. */
  readonly pinFor: (purpose: PinPurpose, fallback: string, role: WireRole) => Terminal
}

/** At which pad a plus meets a run: behind the first pixel of each lane where that has a diode in its plus. */
export function plusPads({
  plan,
  lanes,
}: Pick<RoutedPlan, 'plan' | 'lanes'>): RouteContext['plusPad'] {
  const behindDiode = new Set(
    plan.signal.fix === 'diode'
      ? lanes.flatMap(({ runs }) => runs.slice(0, 1).map(({ entry }) => entry.run.id))
      : [],
  )
  return (run, pad) => (pad === 0 && behindDiode.has(run) ? 1 : pad)
}

/** Indexes what is looked up while wires are routed. */
export function contextOf(given: RouteGiven): RouteContext {
  const harness = new Harness()
  const boardOn = boardSupply(given.plan, given.fit, given.lanes)
  const entryOf = entriesById(given.cutRuns)
  const places = placesOf(given.layout)
  const pinOf = new Map((given.fit?.pins ?? []).map(({ need, pin }) => [purposeKey(need.of), pin]))
  return {
    ...given,
    harness,
    entryOf,
    litOf: new Map(given.lit.map((run) => [run.id, run])),
    powerSwitches: powerSwitchesOf(given.plan),
    pinSupply: boardOn !== undefined && isBoardPin(given.plan, boardOn) ? boardOn : undefined,
    plusPad: plusPads(given),
    lightAt: (run, light) => {
      const [entry, place] = [entryOf.get(run), places.get(run)]
      const point = entry?.run.lights[light]
      return entry === undefined || place === undefined || point === undefined
        ? given.sources.controller
        : placer(entry.run, place)(point)
    },
    pinFor: (purpose, fallback, role) => {
      const pin = pinOf.get(purposeKey(purpose))
      // Without a pin of its own it still is a wire of its own: never one with another that lacks a pin.
      const key = pin?.name ?? harness.freeKey(blockId.board, fallback)
      return harness.at(blockId.board, key, role, { kind: 'pin' }, pin?.name ?? fallback)
    },
  }
}
