import type { LengthUnits } from '../quantity/format'
import { areaOfAwg, ohmPerMetre } from './copper'

/** A gauge of stranded copper wire. */
export interface Wire {
  readonly id: string
  /** As it is written on the reel: `0.75 mm²`, `AWG 18`. */
  readonly name: string
  /** Told by square millimetres, or by American gauge. */
  readonly system: 'mm2' | 'awg'
  readonly areaMm2: number
  readonly ohmPerM: number
  /** *Typical* limit, A, short open low-voltage wiring (handbook 3, fuse). */
  readonly limitA: number
  /** *Typical*, a metre of the pair. */
  readonly pricePerM: number
}

/** Limits of handbook 3, fuse. Local codes win. */
const limitsByMm2: readonly (readonly [mm2: number, limitA: number])[] = [
  [0.14, 1.3],
  [0.22, 2.1],
  [0.34, 3],
  [0.5, 4.5],
  [0.75, 6.5],
  [1, 8],
  [1.5, 12],
  [2.5, 18],
  [4, 26],
]
const limitsByAwg: readonly (readonly [awg: number, limitA: number])[] = [
  [30, 0.5],
  [28, 0.8],
  [26, 1.3],
  [24, 2.1],
  [22, 3],
  [20, 5],
  [18, 7],
  [16, 10],
  [14, 15],
  [12, 20],
  [10, 30],
]

const wire = (
  system: Wire['system'],
  size: number,
  name: string,
  areaMm2: number,
  limitA: number,
): Wire => ({
  id: `${system}-${String(size)}`.replace('.', '_'),
  system,
  name,
  areaMm2,
  ohmPerM: ohmPerMetre(areaMm2),
  limitA,
  pricePerM: Math.round((0.25 + 0.75 * areaMm2) * 100) / 100,
})

/** The gauges there are, by square millimetres and by American gauge, each thinnest first. */
export const wires: readonly Wire[] = [
  ...limitsByMm2.map(([mm2, limitA]) => wire('mm2', mm2, `${String(mm2)} mm²`, mm2, limitA)),
  ...limitsByAwg.map(([awg, limitA]) =>
    wire('awg', awg, `AWG ${String(awg)}`, areaOfAwg(awg), limitA),
  ),
]

/** All gauges, those first that are told as people who think in these units tell them. */
export const gaugesFor = (units: LengthUnits): Wire[] =>
  units === 'ft-in'
    ? wires.toSorted((a, b) => Number(b.system === 'awg') - Number(a.system === 'awg'))
    : [...wires]

/** Gauges told in the way that this one is, by square millimetres or by American gauge, thinnest first. */
export function gaugesLike({ id }: Pick<Wire, 'id'>): Wire[] {
  const { system } = wireOf(id)
  return wires.filter((other) => other.system === system).toSorted((a, b) => a.areaMm2 - b.areaMm2)
}

/**
 * The wire of that id.
 *
 * @throws RangeError where there is none; a plan is checked for that when it is read
 */
export function wireOf(id: string): Wire {
  const found = wires.find((candidate) => candidate.id === id)
  if (found === undefined) throw new RangeError(`no wire has the id ${id}`)
  return found
}
