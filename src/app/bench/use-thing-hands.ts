import { computed, shallowRef, type ComputedRef, type ShallowRef } from 'vue'
import type { Point } from '../../core/measure/geometry'
import type { Furniture } from '../../core/plan/plan'
import { usePlanStore } from '../stores/plan'
import { furnitureBox } from './run-drawing'
import { snapLength, snapMove } from './snap'
import { useDrag } from './use-drag'
import { arrows, nudgeMm, roundStep, snapPx, useDragKeys, type Bench } from './use-run-hands'

/** Size of a new piece of furniture, mm. */
const newSizes: Readonly<Record<Furniture['kind'], readonly [width: number, height: number]>> = {
  box: [800, 500],
  circle: [400, 400],
  wall: [2000, 100],
}

/** Furniture put into the drawing, moved, sized and taken away. */
export function useThingHands({ view, drawn, guides, pick }: Bench): {
  picked: ShallowRef<string | undefined>
  thing: ComputedRef<Furniture | undefined>
  drag: (event: PointerEvent, id: string, isSize: boolean) => void
  key: (event: KeyboardEvent, id: string) => void
  add: (kind: Furniture['kind'], id: string, at: Point) => void
} {
  const store = usePlanStore()
  const startDrag = useDrag()
  const dragKey = useDragKeys()
  const picked = shallowRef<string>()

  const find = (id: string | undefined): Furniture | undefined =>
    store.plan?.bench.furniture.find((candidate) => candidate.id === id)
  const thing = computed(() => find(picked.value))

  function put(furniture: Furniture, label: string, key: string, isDrag = false): void {
    store.commit([{ do: 'put-furniture', furniture }], { label, key, isDrag })
  }

  function drag(event: PointerEvent, id: string, isSize: boolean): void {
    const start = find(id)
    if (start === undefined) return
    const { scale } = view()
    const others = [
      ...drawn().map(({ box }) => box),
      ...(store.plan?.bench.furniture ?? []).filter((other) => other.id !== id).map(furnitureBox),
    ]
    const key = dragKey('thing')
    event.stopPropagation()
    pick(undefined)
    picked.value = id
    startDrag(event, {
      move: (dx, dy) => {
        const [mmX, mmY] = [dx / scale, dy / scale]
        const step = roundStep(view())
        if (isSize) {
          const [widthMm, heightMm] = [start.widthMm + mmX, start.heightMm + mmY]
          put(
            { ...start, widthMm: snapLength(widthMm, step), heightMm: snapLength(heightMm, step) },
            `size of ${start.name}`,
            key,
            true,
          )
          return
        }
        const near = snapPx / scale
        const to = snapMove(furnitureBox(start), [mmX, mmY], others, { near, step })
        guides.value = to.guides
        const place = { ...start.place, x: start.place.x + to.dx, y: start.place.y + to.dy }
        put({ ...start, place }, `move ${start.name}`, key, true)
      },
      end: () => {
        guides.value = []
      },
    })
  }

  function key(event: KeyboardEvent, id: string): void {
    const start = find(id)
    const arrow = arrows[event.key]
    if (start === undefined) return
    if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault()
      store.commit([{ do: 'remove-furniture', furniture: id }], { label: `remove ${start.name}` })
    } else if (arrow !== undefined) {
      event.preventDefault()
      const mm = nudgeMm(event)
      const { x, y } = start.place
      const place = { ...start.place, x: x + arrow[0] * mm, y: y + arrow[1] * mm }
      put({ ...start, place }, `move ${start.name}`, `nudge.${id}`)
    }
  }

  function add(kind: Furniture['kind'], id: string, [x, y]: Point): void {
    const [widthMm, heightMm] = newSizes[kind]
    const round = (mm: number): number => Math.round(mm / 10) * 10
    const place = { x: round(x - widthMm / 2), y: round(y - heightMm / 2), degrees: 0 }
    put({ id, kind, name: kind, place, widthMm, heightMm }, `add a ${kind}`, `add.${id}`)
    picked.value = id
  }

  return { picked, thing, drag, key, add }
}
