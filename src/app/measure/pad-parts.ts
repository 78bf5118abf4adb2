import type { Line } from '../../core/plan/plan'

/** Lines that stand together where they are far from view. */
const blockLines = 32

/** Lines that are far from view. */
export interface PadBlock {
  /** Index of the first of them. */
  readonly at: number
  readonly lines: readonly Line[]
}

/** A pad's lines in their order: those in view or nearly so one by one, those above and below by the block. */
export interface PadParts {
  readonly above: readonly PadBlock[]
  readonly near: readonly { readonly line: Line; readonly at: number }[]
  readonly below: readonly PadBlock[]
}

/**
 * Parts a pad's lines: a browser goes through all that stands in a list at every frame, even what it need not draw.
 *
 * @param isNear whether any line from one index up to, not including, another is; they are one stretch
 * @param before the parts of the state before: a block of the same lines stays the same object
 */
export function padParts(
  lines: readonly Line[],
  isNear: (from: number, upTo: number) => boolean,
  before?: PadParts,
): PadParts {
  const known = new Map(
    [...(before?.above ?? []), ...(before?.below ?? [])].map((block) => [block.at, block]),
  )
  const above: PadBlock[] = []
  const near: PadParts['near'][number][] = []
  const below: PadBlock[] = []
  for (let at = 0; at < lines.length; at += blockLines) {
    const own = lines.slice(at, at + blockLines)
    if (isNear(at, at + own.length)) {
      near.push(...own.map((line, index) => ({ line, at: at + index })))
      continue
    }
    const last = known.get(at)
    const isSame =
      last?.lines.length === own.length && own.every((line, index) => line === last.lines[index])
    const list = near.length === 0 ? above : below
    list.push(isSame ? last : { at, lines: own })
  }
  return { above, near, below }
}
