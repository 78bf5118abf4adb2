import { turned, type Point } from '../../core/measure/geometry'
import type { JottedRun } from '../../core/measure/jot'
import { placer } from '../../core/measure/layout'
import { measure } from '../../core/measure/measure'
import { withDimension } from '../../core/measure/rewrite'
import type { Command } from '../../core/plan/commands'
import type { Place, Plan } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import type { DrawnRun } from './run-drawing'
import { draggedTo, type Handle } from './handles'
import { snapLength } from './snap'
import { useDrag } from './use-drag'
import { roundStep, useDragKeys, usePutRun, type Bench } from './use-run-hands'
import { pointerAt, toScreen } from './view'

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

/** Turning and sizing a run by its handles, by pointer and by keys. */
export function useSizeHands({ view, bounds }: Pick<Bench, 'view' | 'bounds'>): {
  dragTurn: (event: PointerEvent, entry: DrawnRun) => void
  dragHandle: (event: PointerEvent, entry: DrawnRun, handle: Handle) => void
  handleKey: (event: KeyboardEvent, entry: DrawnRun, handle: Handle) => void
} {
  const store = usePlanStore()
  const startDrag = useDrag()
  const dragKey = useDragKeys()
  const putRun = usePutRun()

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

  function dragTurn(event: PointerEvent, entry: DrawnRun): void {
    const { box } = entry
    const centre = toScreen(view(), [box.x + box.width / 2, box.y + box.height / 2])
    const from = bounds()
    const key = dragKey('turn')
    event.stopPropagation()
    startDrag(event, {
      move: (_dx, _dy, moved) => {
        const [x, y] = pointerAt(from, moved)
        const raw = (Math.atan2(y - centre[1], x - centre[0]) * 180) / Math.PI + 90
        const degrees = moved.altKey ? Math.round(raw) : Math.round(raw / 15) * 15
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

  return { dragTurn, dragHandle, handleKey }
}
