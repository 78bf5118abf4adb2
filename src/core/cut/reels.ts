import type { Strip } from '../plan/parts'
import { ownPacks, soldStrip } from '../parts/sold-strip'
import type { Offcut, OwnPrice, Rules } from '../plan/plan'
import { roundDown } from '../quantity/round'
import type { CutStripRun, Piece } from './cut'
import type { PackOptions } from './pack'
import { packJoined, type JoinedPart } from './pack-joined'

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
  /** Where the factory's own splices lie in it, mm from its beginning. */
  readonly splicesMm: readonly number[]
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
  /** Joins inside pieces: those longer than any reel, and where joins are allowed and pay. */
  readonly joins: number
  /** What the joins are worth that were made to save a reel; part of the price. */
  readonly joinsPrice: number
}

interface Part extends Pick<ReelCut, 'piece' | 'runId' | 'part' | 'parts'> {
  readonly groups: number
}

/** By what the packing is weighed: the house rule on joins, and what the user pays for reels. */
type ReelRules = Pick<Rules, 'joins'> & { readonly prices?: readonly OwnPrice[] }

/** Cuts the pieces of a plan from reels and offcuts at the least price, strip by strip. */
export function cutFromReels(
  cutRuns: readonly CutStripRun[],
  offcuts: readonly Offcut[],
  rules: ReelRules,
  options?: PackOptions,
): StripReels[] {
  const strips = [...new Set(cutRuns.map(({ strip }) => strip))]
  return strips.flatMap((strip) => {
    const runs = cutRuns.filter((entry) => entry.strip === strip && entry.groups > 0)
    const own = offcuts.filter(({ stripId }) => stripId === strip.id)
    return runs.length === 0 ? [] : [reelsOf(strip, runs, own, rules, options)]
  })
}

function reelsOf(
  strip: Strip,
  runs: readonly CutStripRun[],
  offcuts: readonly Offcut[],
  { joins: rule, prices = [] }: ReelRules,
  options: PackOptions | undefined,
): StripReels {
  // Everything is counted in cut groups: whole numbers, so nothing is lost to rounding.
  const groupsIn = (lengthMm: number): number => roundDown(lengthMm / strip.cutPitchMm)
  // Reels of the user's own that hold not even a group are of no use.
  const sold = ownPacks(soldStrip(strip), { prices })
    .map(({ size, price }) => ({ lengthMm: size * 1000, price: price ?? 0 }))
    .filter(({ lengthMm }) => groupsIn(lengthMm) > 0)
  const stock = sold.map(({ lengthMm, price }) => ({ length: groupsIn(lengthMm), price }))
  const spare = offcuts.map(({ lengthMm }) => groupsIn(lengthMm))
  const longest = Math.max(...stock.map(({ length }) => length), 1)
  const parts = runs
    .flatMap(({ run, pieces }) => pieces.flatMap((piece) => partsToCut(piece, run.id, longest)))
    .toSorted((a, b) => b.groups - a.groups)

  const packing = packJoined(
    {
      pieces: parts.map(({ groups }) => groups),
      stock,
      offcuts: spare,
      joinPrice: rule.areAllowed ? rule.price : Infinity,
    },
    options,
  )
  if (packing === undefined) throw new RangeError('no part is longer than the longest reel')

  const fullLength = lengthsByGroups(strip, sold, offcuts, groupsIn)
  const reels = packing.bins.map((bin): Reel => {
    let group = 0
    const cuts = bin.pieces.flatMap((joined): ReelCut[] => {
      const part = parts[joined.piece]
      if (part === undefined) return []
      const fromGroup = group + 1
      group += joined.length
      return [
        {
          piece: part.piece,
          runId: part.runId,
          ...numberOf(part, joined),
          fromGroup,
          toGroup: group,
          lengthMm: joined.length * strip.cutPitchMm,
          splicesMm: splicesIn(strip, fromGroup - 1, group),
        },
      ]
    })
    const lengthMm = fullLength(bin.kind, bin.length)
    return {
      kind: bin.kind,
      lengthMm,
      price: bin.price,
      cuts,
      leftoverMm: lengthMm - group * strip.cutPitchMm,
    }
  })
  const { price, boundPrice, isProved } = packing
  return {
    strip,
    reels,
    price,
    boundPrice,
    isProved,
    joins: parts.filter(({ part }) => part > 1).length + packing.joins,
    joinsPrice: packing.joins === 0 ? 0 : packing.joins * rule.price,
  }
}

/** Which part of its piece it is, where a piece that is longer than a reel is in parts and one of these is joined of two. */
function numberOf({ part, parts }: Part, joined: JoinedPart): Pick<ReelCut, 'part' | 'parts'> {
  return parts > 1 && joined.parts === 1
    ? { part, parts }
    : { part: part - 1 + joined.part, parts: parts - 1 + joined.parts }
}

/** Factory splices strictly inside what lies between two marks of a reel, mm from its beginning. */
function splicesIn({ spliceMm, cutPitchMm }: Strip, fromGroup: number, toGroup: number): number[] {
  const [from, to] = [fromGroup * cutPitchMm, toGroup * cutPitchMm]
  const splices: number[] = []
  for (let at = (Math.floor(from / spliceMm) + 1) * spliceMm; at < to - 1e-6; at += spliceMm)
    if (at > from + 1e-6) splices.push(at - from)
  return splices
}

/** A piece as it is, or in parts of a whole reel each and the rest. */
function partsToCut({ name, groups }: Piece, runId: string, longest: number): Part[] {
  if (groups === 0) return []
  const parts = Math.ceil(groups / longest)
  return Array.from({ length: parts }, (_, index) => ({
    piece: name,
    runId,
    part: index + 1,
    parts,
    groups: Math.min(longest, groups - index * longest),
  }))
}

/** The length as sold or measured of a reel or rest that holds so many groups. */
function lengthsByGroups(
  strip: Strip,
  sold: readonly { readonly lengthMm: number }[],
  offcuts: readonly Offcut[],
  groupsIn: (lengthMm: number) => number,
): (kind: Reel['kind'], groups: number) => number {
  return (kind, groups) => {
    const from = kind === 'reel' ? sold : offcuts
    const found = from.find(({ lengthMm }) => groupsIn(lengthMm) === groups)
    return found?.lengthMm ?? groups * strip.cutPitchMm
  }
}
