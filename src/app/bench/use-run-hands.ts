import { shallowRef, type ShallowRef } from 'vue'
import { turned, type Point } from '../../core/measure/geometry'
import type { JottedRun } from '../../core/measure/jot'
import { placer } from '../../core/measure/layout'
import { measure } from '../../core/measure/measure'
import { withDimension } from '../../core/measure/rewrite'
import type { Command } from '../../core/plan/commands'
import type { Place, Plan } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import { useSpotlight } from '../stores/spotlight'
import { furnitureBox, type DrawnRun } from './drawn'
import { draggedTo, type Handle } from './handles'
import { snapLength, snapMove, type Guide } from './snap'
import { useDrag } from './use-drag'
import { rulerStep, toScreen, type View } from './view'

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

const firstOf = ({ segments, lights }: Pick<JottedRun, 'segments' | 'lights'>): Point =>
  segments[0]?.points[0] ?? lights[0] ?? [0, 0]

/** Where a run that is turned has to be so that its first place stays although its size, and with it its middle, changes. */
function keptAtStart(
  plan: Plan | undefined,
  { run, place }: DrawnRun,
  text: string,
): Place | undefined {
  const [after] = measure({ ...plan, lines: [{ ...run.line, text }] }).runs
  if (after === undefined) return undefined
  const [x, y] = placer(run, place)(firstOf(run))
  const [movedX, movedY] = placer(after, place)(firstOf(after))
  return { ...place, x: place.x + x - movedX, y: place.y + y - movedY }
}

/** Moving, turning and sizing runs by pointer and by keys. */
export function useRunHands({ view, drawn, bounds, guides, pick }: Bench): {
  dragRun: (event: PointerEvent, entry: DrawnRun) => void
  runKey: (event: KeyboardEvent, entry: DrawnRun) => void
  dragTurn: (event: PointerEvent, entry: DrawnRun) => void
  dragHandle: (event: PointerEvent, entry: DrawnRun, handle: Handle) => void
  handleKey: (event: KeyboardEvent, entry: DrawnRun, handle: Handle) => void
  dragSpot: (event: PointerEvent, entry: DrawnRun, index: number) => void
} {
  const store = usePlanStore()
  const spotlight = useSpotlight()
  const startDrag = useDrag()
  const dragKey = useDragKeys()

  /** The first time that a hand places a run, the others stay where they are. */
  function putRun({ run }: DrawnRun, place: Place, key: string, isDrag = false): void {
    const places = new Map(
      store.layout.placed.map((entry) => [entry.id, entry.id === run.id ? place : entry.place]),
    )
    store.commit([{ do: 'place-lines', places }], { label: `move ${run.name}`, key, isDrag })
  }

  function size(
    entry: DrawnRun,
    dimension: number,
    text: string,
    mm: number,
    key: string,
    isDrag: boolean,
  ): void {
    const { run, place } = entry
    if (run.dimensions[dimension] === undefined) return
    const changed = withDimension(text, run.dimensions, dimension, mm)
    const commands: Command[] = [{ do: 'set-text', line: run.id, text: changed }]
    const kept = place.degrees === 0 ? undefined : keptAtStart(store.plan, entry, changed)
    if (kept !== undefined) commands.push({ do: 'place-lines', places: new Map([[run.id, kept]]) })
    store.commit(commands, { label: `size of ${run.name}`, key, isDrag })
  }

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

  function dragTurn(event: PointerEvent, entry: DrawnRun): void {
    const { box } = entry
    const centre = toScreen(view(), [box.x + box.width / 2, box.y + box.height / 2])
    const { left = 0, top = 0 } = bounds() ?? {}
    const key = dragKey('turn')
    event.stopPropagation()
    startDrag(event, {
      move: (_dx, _dy, { clientX, clientY, altKey }) => {
        const [x, y] = [clientX - left, clientY - top]
        const raw = (Math.atan2(y - centre[1], x - centre[0]) * 180) / Math.PI + 90
        const degrees = altKey ? Math.round(raw) : Math.round(raw / 15) * 15
        putRun(entry, { ...entry.place, degrees }, key, true)
      },
    })
  }

  function dragHandle(event: PointerEvent, entry: DrawnRun, handle: Handle): void {
    const dimension = entry.run.dimensions[handle.dimension]
    if (dimension === undefined) return
    const { text } = entry.run.line
    const { scale } = view()
    const key = dragKey('size')
    event.stopPropagation()
    startDrag(event, {
      move: (dx, dy, { altKey }) => {
        const way = turned([dx / scale, dy / scale], [0, 0], -entry.place.degrees)
        const mm = snapLength(
          draggedTo(handle, dimension.value, way),
          altKey ? 1 : roundStep(view()),
        )
        size(entry, handle.dimension, text, mm, key, true)
      },
    })
  }

  function handleKey(event: KeyboardEvent, entry: DrawnRun, { dimension }: Handle): void {
    const sized = entry.run.dimensions[dimension]
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key]
    if (sized === undefined || by === undefined) return
    event.preventDefault()
    const mm = Math.max(1, Math.round(sized.value + by * (event.shiftKey ? 10 : 1)))
    size(entry, dimension, entry.run.line.text, mm, `size.${entry.run.id}`, false)
  }

  /** Single lights that are placed by hand. */
  function dragSpot(event: PointerEvent, entry: DrawnRun, index: number): void {
    const { run, place } = entry
    if (run.shape !== 'scatter' || spotlight.chosen !== run.id) return
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
  }

  return { dragRun, runKey, dragTurn, dragHandle, handleKey, dragSpot }
}
