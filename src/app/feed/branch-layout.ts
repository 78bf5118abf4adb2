import type { Branch } from '../../core/feed/branches'

/** A branch where it is drawn, and the place of what it hangs on; px. */
export interface PlacedBranch {
  readonly branch: Branch
  readonly x: number
  readonly y: number
  readonly from: { readonly x: number; readonly y: number } | undefined
}

export interface BranchDrawing {
  readonly placed: readonly PlacedBranch[]
  /** Width of a column. */
  readonly column: number
  readonly width: number
  readonly height: number
  /** Ends that are left out since nobody reads so many. */
  readonly left: number
}

/** Height of a row, and of a column the least and the most width, px. */
const rowPx = 50
const columnPx = { least: 148, most: 236 } as const

const depthOf = ({ branches }: Branch): number =>
  branches.reduce((deepest, one) => Math.max(deepest, depthOf(one)), 0) + 1

/** Sets trees out from left to right in a width: an end a row, each branch in the middle of what hangs on it. */
export function layBranches(
  roots: readonly Branch[],
  mostEnds: number,
  widthPx: number,
): BranchDrawing {
  const columns = Math.max(1, ...roots.map(depthOf))
  const column = Math.min(columnPx.most, Math.max(columnPx.least, widthPx / columns))
  let [ends, left] = [0, 0]
  /** The branch, and then all that hangs on it; nothing where there is no room for any of it. */
  const lay = (branch: Branch, depth: number): PlacedBranch[] => {
    const isEnd = branch.branches.length === 0
    if (isEnd && ends >= mostEnds) {
      left += 1
      return []
    }
    const below = branch.branches.map((one) => lay(one, depth + 1)).filter((one) => one.length > 0)
    const [first, last] = [below[0]?.[0], below.at(-1)?.[0]]
    if (!isEnd && first === undefined) return []
    const y =
      first === undefined || last === undefined ? (ends + 0.5) * rowPx : (first.y + last.y) / 2
    if (isEnd) ends += 1
    const here = { branch, x: depth * column, y, from: undefined }
    return [
      here,
      ...below.flatMap(([own, ...rest]) =>
        own === undefined ? [] : [{ ...own, from: here }, ...rest],
      ),
    ]
  }
  const placed = roots.flatMap((root) => lay(root, 0))
  return {
    placed,
    column,
    width: columns * column,
    height: Math.max(1, ends) * rowPx,
    left,
  }
}
