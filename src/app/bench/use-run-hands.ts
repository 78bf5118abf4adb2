import { shallowRef, type ShallowRef } from 'vue'
import { turned, type Point } from '../../core/measure/geometry'
import type { Place } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import { furnitureBox, type DrawnRun } from './run-drawing'
import { snapMove, type Guide } from './snap'
import { useDrag } from './use-drag'
import { rulerStep, type View } from './view'

/** What the hands need to know of the drawing that they are on. */
export interface Bench {
  readonly view: () => View
  readonly drawn: () => readonly DrawnRun[]
  /** Where the drawing lies on the page. */
  readonly bounds: () => DOMRect | undefined
  readonly guides: ShallowRef<readonly Guide[]>
  readonly pick: (run: string | undefined) => void
}

/** How far something goes with an arrow key, in units of a step. */
export const arrows: Readonly<Record<string, Point>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** mm that an arrow key moves something by. */
export const nudgeMm = (event: KeyboardEvent): number => (event.shiftKey ? 100 : 10)

/** A round measure about ten pixels long: things move and grow by it. */
export const roundStep = ({ scale }: View): number => rulerStep(scale, 12)

/** Nearer than this, px, edges snap to each other. */
export const snapPx = 6

/** Every drag is a step of its own in the history, however slow. */
export function useDragKeys(): (name: string) => string {
  const count = shallowRef(0)
  return (name) => {
    count.value += 1
    return `${name}.${String(count.value)}`
  }
}

/** Puts a run where a hand has it. The first time that a hand places one, the others stay where they are. */
export function usePutRun(): (
  entry: DrawnRun,
  place: Place,
  key: string,
  isDrag?: boolean,
) => void {
  const store = usePlanStore()
  return ({ run }, place, key, isDrag = false) => {
    const places = new Map(
      store.layout.placed.map((entry) => [entry.id, entry.id === run.id ? place : entry.place]),
    )
    store.commit([{ do: 'place-lines', places }], { label: `move ${run.name}`, key, isDrag })
  }
}

/** Moving runs by pointer and by keys, turning them by keys. */
export function useRunHands({ view, drawn, guides, pick }: Bench): {
  dragRun: (event: PointerEvent, entry: DrawnRun) => void
  runKey: (event: KeyboardEvent, entry: DrawnRun) => void
  /** Whether it takes the light: it may only belong to a run that is dragged as a whole. */
  dragSpot: (event: PointerEvent, entry: DrawnRun, index: number) => boolean
} {
  const store = usePlanStore()
  const spotlight = useSpotlight()
  const startDrag = useDrag()
  const dragKey = useDragKeys()
  const putRun = usePutRun()

  function dragRun(event: PointerEvent, entry: DrawnRun): void {
    const { run, place, box } = entry
    const key = dragKey('place')
    const others = [
      ...drawn()
        .filter((other) => other.run.id !== run.id)
        .map((other) => other.box),
      ...(store.plan?.bench.furniture ?? []).map(furnitureBox),
    ]
    const { scale } = view()
    event.stopPropagation()
    startDrag(event, {
      move: (dx, dy, { altKey }) => {
        const to = altKey
          ? { dx: dx / scale, dy: dy / scale, guides: [] }
          : snapMove(box, [dx / scale, dy / scale], others, {
              near: snapPx / scale,
              step: roundStep(view()),
            })
        guides.value = to.guides
        putRun(entry, { ...place, x: place.x + to.dx, y: place.y + to.dy }, key, true)
      },
      end: (isClick) => {
        guides.value = []
        if (isClick) spotlight.goTo(run.id)
        else pick(run.id)
      },
    })
  }

  function runKey(event: KeyboardEvent, entry: DrawnRun): void {
    const { run, place } = entry
    const arrow = arrows[event.key]
    if (arrow !== undefined) {
      event.preventDefault()
      const mm = nudgeMm(event)
      const [x, y] = [place.x + arrow[0] * mm, place.y + arrow[1] * mm]
      putRun(entry, { ...place, x, y }, `nudge.${run.id}`)
    } else if (event.key === 'r' || event.key === 'R') {
      event.preventDefault()
      const degrees = (place.degrees + (event.key === 'R' ? -15 : 15)) % 360
      putRun(entry, { ...place, degrees }, `turn.${run.id}`)
    } else if (event.key === 'Enter') spotlight.goTo(run.id)
  }

  /** Single lights that are placed by hand. */
  function dragSpot(event: PointerEvent, entry: DrawnRun, index: number): boolean {
    const { run, place } = entry
    if (run.shape !== 'scatter' || spotlight.chosen !== run.id) return false
    const { scale } = view()
    const start = run.lights[index] ?? [0, 0]
    // Places by hand are kept in the order in which the lights were jotted.
    const jotted = run.line.isTurned === true ? run.lights.length - 1 - index : index
    const key = dragKey('spot')
    event.stopPropagation()
    startDrag(event, {
      move: (dx, dy) => {
        const [wx, wy] = turned([dx / scale, dy / scale], [0, 0], -place.degrees)
        const step = roundStep(view())
        const spots = run.lights.map((_, at): [number, number] | null => {
          if (at === jotted)
            return [
              Math.round((start[0] + wx) / step) * step,
              Math.round((start[1] + wy) / step) * step,
            ]
          const known = run.line.spots?.[at]
          return known === undefined || known === null ? null : [...known]
        })
        store.commit([{ do: 'set-lines', lines: [run.id], set: { spots } }], {
          label: `a light of ${run.name}`,
          key,
          isDrag: true,
        })
      },
    })
    return true
  }

  return { dragRun, runKey, dragSpot }
}
