/** A diode in the plus of a first pixel. *Typical* figures. */
export interface Diode {
  readonly id: string
  readonly name: string
  /** Across it at the current of a pixel, V. */
  readonly dropV: number
  readonly limitA: number
  readonly price: number
}

export const diodes: readonly Diode[] = [
  { id: 'small-signal', name: 'small signal diode', dropV: 0.75, limitA: 0.15, price: 0.05 },
  { id: 'rectifier', name: 'rectifier diode, 1 A', dropV: 0.7, limitA: 1, price: 0.08 },
  { id: 'schottky', name: 'low-drop diode, 1 A', dropV: 0.35, limitA: 1, price: 0.12 },
]

/**
 * The diode of that id.
 *
 * @throws RangeError where there is none; a plan is checked for that when it is read
 */
export function diodeOf(id: string): Diode {
  const found = diodes.find((candidate) => candidate.id === id)
  if (found === undefined) throw new RangeError(`no diode has the id ${id}`)
  return found
}
