import type { Point } from '../../core/measure/geometry'
import type { SourcePlaces } from '../../core/measure/source-places'
import type { Plan } from '../../core/plan/plan'
import type { TallySupply } from '../../core/tally-parts'
import type { DrawnRun } from './run-drawing'

/** Room that something takes on the drawing, px from where the bench begins. */
export interface Room {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

export const meet = (a: Room, b: Room): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom

export const roomAround = (x: number, y: number, width: number, height: number): Room => ({
  left: x - width / 2,
  right: x + width / 2,
  top: y - height / 2,
  bottom: y + height / 2,
})

/** A letter of a name, px, about. */
const letterPx = 7
/** The lower edge of a run's name lies so far above what it names, px. */
export const nameAbove = 15

export const nameRoom = ({ run, box }: DrawnRun, scale: number): Room => ({
  left: box.x * scale,
  right: box.x * scale + letterPx * run.name.length,
  top: box.y * scale - nameAbove - 10,
  bottom: box.y * scale - nameAbove + 3,
})

/** A supply, a junction or the board: where it is, mm, and where its box stands, px from where the bench begins. */
export interface SourceBox {
  readonly id: string
  readonly name: string
  readonly label: string
  readonly at: Point
  readonly room: Room
}

/** Height of a source's box, a letter of its label, and what the box is wider than that, px. */
const [boxHeight, boxLetter, boxBorder] = [31, 5.5, 21]
const between = 1

/** Boxes of all sources; one that would lie on another stands beside it. */
export function sourceBoxes(
  { supplies, junctions }: Pick<Plan, 'supplies' | 'junctions'>,
  places: SourcePlaces,
  tallied: readonly Pick<TallySupply, 'id' | 'volts' | 'ratedA'>[],
  scale: number,
): SourceBox[] {
  const boxes: SourceBox[] = []
  const put = (id: string, name: string, label: string, at: Point): void => {
    const width = boxLetter * label.length + boxBorder
    const [wantedX, y] = [at[0] * scale, at[1] * scale]
    let room = roomAround(wantedX, y, width, boxHeight)
    let side = 0
    for (let other; (other = boxes.find((box) => meet(box.room, room))) !== undefined;) {
      const { left, right } = other.room
      side ||= wantedX < (left + right) / 2 ? -1 : 1
      const x = side < 0 ? left - between - width / 2 : right + between + width / 2
      room = roomAround(x, y, width, boxHeight)
    }
    boxes.push({ id, name, label, at, room })
  }
  for (const { id, name } of supplies) {
    const { volts = 0, ratedA = null } = tallied.find((supply) => supply.id === id) ?? {}
    const label = ratedA === null ? name : `${String(volts)} V ${String(ratedA)} A`
    put(id, name, label, places.supplies.get(id) ?? [0, 0])
  }
  for (const { id, name } of junctions) put(id, name, name, places.junctions.get(id) ?? [0, 0])
  put('controller', 'Controller', 'controller', places.controller)
  return boxes
}
