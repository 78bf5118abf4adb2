import { isAtLeast } from '../quantity/round'

/** Fuses that are to be had, A (handbook 3, fuse). */
export const fusesA: readonly number[] = [0.5, 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30]

/** The smallest fuse that is at least 1.25 × the load and at most the wire's limit; `null` where there is none. */
export const fuseFor = (loadA: number, wireLimitA: number): number | null =>
  fusesA.find((fuse) => isAtLeast(fuse, 1.25 * loadA) && isAtLeast(wireLimitA, fuse)) ?? null
