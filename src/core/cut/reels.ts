import type { Strip } from '../plan/parts'
import type { Offcut } from '../plan/plan'
import { roundDown } from '../quantity/round'
import type { CutStripRun, Piece } from './cut'
import { pack, type PackOptions } from './pack'

/** A piece, or a part of one that is longer than a reel, where it lies on its reel. */
export interface ReelCut {
  readonly piece: string
  readonly runId: string
  /** Which part of the piece, from 1, of how many. */
  readonly part: number
  readonly parts: number
  /** First and last cut group on the reel, from 1. */
  readonly fromGroup: number
  readonly toGroup: number
  readonly lengthMm: number
}

export interface Reel {
  readonly kind: 'reel' | 'offcut'
  readonly lengthMm: number
  readonly price: number
  /** In the order in which they are cut. */
  readonly cuts: readonly ReelCut[]
  readonly leftoverMm: number
}

/** All the reels of one strip. */
export interface StripReels {
  readonly strip: Strip
  readonly reels: readonly Reel[]
  readonly price: number
  /** No way of cutting is cheaper than this. */
  readonly boundPrice: number
  readonly isProved: boolean
  /** Joins inside pieces that are longer than any reel. */
  readonly joins: number
}

interface Part extends Pick<ReelCut, 'piece' | 'runId' | 'part' | 'parts'> {
  readonly groups: number
}

/** Cuts the pieces of a plan from reels and rests at the least price, strip by strip. */
export function cutFromReels(
  cuts: readonly CutStripRun[],
  offcuts: readonly Offcut[],
  options?: PackOptions,
): StripReels[] {
  const strips = [...new Set(cuts.map(({ strip }) => strip))]
  return strips.flatMap((strip) => {
    const runs = cuts.filter((entry) => entry.strip === strip && entry.cuts > 0)
    const own = offcuts.filter(({ stripId }) => stripId === strip.id)
    return runs.length === 0 ? [] : [reelsOf(strip, runs, own, options)]
  })
}

function reelsOf(
  strip: Strip,
  runs: readonly CutStripRun[],
  offcuts: readonly Offcut[],
  options: PackOptions | undefined,
): StripReels {
  // Everything is counted in cut groups: whole numbers, so nothing is lost to rounding.
  const groupsIn = (lengthMm: number): number => roundDown(lengthMm / strip.cutPitchMm)
  const stock = strip.reels.map(({ lengthMm, price }) => ({ length: groupsIn(lengthMm), price }))
  const rests = offcuts.map(({ lengthMm }) => groupsIn(lengthMm))
  const longest = Math.max(...stock.map(({ length }) => length), 1)
  const parts = runs
    .flatMap(({ run, pieces }) => pieces.flatMap((piece) => partsOf(piece, run.id, longest)))
    .toSorted((a, b) => b.groups - a.groups)

  const result = pack({ pieces: parts.map(({ groups }) => groups), stock, offcuts: rests }, options)
  if (!result.ok) throw new RangeError('no part is longer than the longest reel')
  const { bins, price, boundPrice, isProved } = result.packing

  const waiting = new Map<number, Part[]>()
  for (const part of parts) waiting.set(part.groups, [...(waiting.get(part.groups) ?? []), part])
  const fullLength = lengthsByGroups(strip, offcuts, groupsIn)
  const reels = bins.map((bin): Reel => {
    let group = 0
    const cut = bin.pieces.flatMap((groups): ReelCut[] => {
      const part = waiting.get(groups)?.shift()
      if (part === undefined) return []
      const { piece, runId, part: number, parts: all } = part
      const fromGroup = group + 1
      group += groups
      return [
        {
          piece,
          runId,
          part: number,
          parts: all,
          fromGroup,
          toGroup: group,
          lengthMm: groups * strip.cutPitchMm,
        },
      ]
    })
    const lengthMm = fullLength(bin.kind, bin.length)
    return {
      kind: bin.kind,
      lengthMm,
      price: bin.price,
      cuts: cut,
      leftoverMm: lengthMm - group * strip.cutPitchMm,
    }
  })
  const joins = parts.filter(({ part }) => part > 1).length
  return { strip, reels, price, boundPrice, isProved, joins }
}

/** A piece as it is, or in parts of a whole reel each and the rest. */
function partsOf({ name, cuts }: Piece, runId: string, longest: number): Part[] {
  if (cuts === 0) return []
  const parts = Math.ceil(cuts / longest)
  return Array.from({ length: parts }, (_, index) => ({
    piece: name,
    runId,
    part: index + 1,
    parts,
    groups: Math.min(longest, cuts - index * longest),
  }))
}

/** The length as sold or measured of a reel or rest that holds so many groups. */
function lengthsByGroups(
  strip: Strip,
  offcuts: readonly Offcut[],
  groupsIn: (lengthMm: number) => number,
): (kind: Reel['kind'], groups: number) => number {
  return (kind, groups) => {
    const from = kind === 'reel' ? strip.reels : offcuts
    const found = from.find(({ lengthMm }) => groupsIn(lengthMm) === groups)
    return found?.lengthMm ?? groups * strip.cutPitchMm
  }
}
