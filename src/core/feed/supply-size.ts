import { isAtLeast } from '../quantity/round'

export interface SupplySizeGiven {
  readonly loadA: number
  /** Share of the supply kept free, 0 up to (not including) 1. */
  readonly headroom: number
  /** What can be had, A, in any order. */
  readonly sizesA: readonly number[]
}

export interface SupplySize {
  readonly needA: number
  /** `null` where none is large enough. */
  readonly pickA: number | null
}

/** need = load / (1 − headroom); the smallest size that is at least that (handbook 3, supply-size). */
export function supplySize({ loadA, headroom, sizesA }: SupplySizeGiven): SupplySize {
  const needA = loadA / (1 - headroom)
  const enough = sizesA.filter((size) => isAtLeast(size, needA))
  return { needA, pickA: enough.length === 0 ? null : Math.min(...enough) }
}
