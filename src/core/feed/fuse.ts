import { isAtLeast } from '../quantity/round'

/** Fuses that are to be had, A (handbook 3, fuse). */
export const fusesA: readonly number[] = [0.5, 1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30]

/** What a fuse and its holder drop at the fuse's rating, V (handbook 3, fuse). */
const fuseDropV = 0.15

/** Resistance of a fuse with its holder, Ω; nothing where there is none. */
export const fuseOhm = (fuseA: number | 'none' | null): number =>
  typeof fuseA === 'number' ? fuseDropV / fuseA : 0

/** The smallest fuse that is at least 1.25 × the load and at most the wire's limit; `null` where there is none. */
export const fuseFor = (loadA: number, wireLimitA: number): number | null =>
  fusesA.find((fuse) => isAtLeast(fuse, 1.25 * loadA) && isAtLeast(wireLimitA, fuse)) ?? null
