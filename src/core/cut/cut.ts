import { Kept } from '../quantity/kept'
import { distance, type Point } from '../measure/geometry'
import type { MeasuredRun } from '../measure/measure'
import type { Parts } from '../parts/find'
import { stripOf } from '../parts/find-strips'
import type { Strip } from '../plan/parts'
import type { GapPlace } from '../plan/choices'
import type { Line, Plan } from '../plan/plan'
import { tagsOf } from '../plan/tags'
import { cutRun, type CutRun } from './cut-run'
import { isOnWire, isWithinReach, pixelsInNode, waysBetween } from './on-wire'

/** A stretch that is cut by one rule: what lies between two corners, or several segments where the strip is folded on. */
export interface Part {
  /** Its place along the measured line, from 0; stays when the run is turned round. */
  readonly index: number
  readonly lengthMm: number
  /** Without what is kept free at its ends. */
  readonly usableMm: number
  /** Groups more than the rule gives, by hand. */
  readonly more: number
  readonly groups: number
  readonly gapMm: number
  /** Indices of the run's segments that it lies in, in their order. */
  readonly segments: readonly number[]
}

/** Strip cut in one length: a part, or what lies between two of its splits. */
export interface Piece extends CutRun {
  /** As it is written on the strip: A1, A2 …; A2a, A2b where a part is split. */
  readonly name: string
  /** Index of its part, as in {@link Part}. */
  readonly part: number
  /** Cut groups of the part that lie before it. */
  readonly fromGroup: number
  /** How far its end is cut beyond the last mark, mm; that group is dark. */
  readonly offMm: number
  readonly lengthMm: number
  /** Where it begins along its part, mm: more than 0 where the gap lies at the near end or is shared. */
  readonly startMm: number
  readonly segments: readonly number[]
}

/** A run with the strip that lies in it. Single lights have no pieces, but for pixel nodes on wire: a piece is a string of them. */
export interface CutStripRun {
  readonly run: MeasuredRun
  readonly strip: Strip
  readonly parts: readonly Part[]
  /** In the order of the current, from where the wire enters. */
  readonly pieces: readonly Piece[]
  readonly groups: number
  readonly placedMm: number
  readonly gapMm: number
  readonly pixels: number
}

/** Cuts every run to the marks of its strip by the plan's rules. */
export function cut(plan: Plan, runs: readonly MeasuredRun[], parts: Parts): CutStripRun[] {
  const tags = tagsOf(plan.lines)
  const stripById = new Map<string, Strip>()
  return runs.map((run) => {
    const id = run.line.stripId ?? plan.defaults.stripId
    const strip = stripById.get(id) ?? stripOf(parts, id)
    stripById.set(id, strip)
    const tag = tags.get(run.id) ?? ''
    return keptCuts.get(run, [strip, tag, plan.rules], () => cutOne(run, strip, tag, plan))
  })
}

// A run that did not change is the same object: where strip, letters and rules are the same too, its cut stays the same object.
const keptCuts = new Kept<MeasuredRun, CutStripRun>()

function cutOne(
  run: MeasuredRun,
  strip: Strip,
  tag: string,
  plan: Pick<Plan, 'rules'>,
): CutStripRun {
  const onWire = isOnWire({ run, strip })
  const own = onWire ? [] : stretchesOf(run, plan, strip)
  const pieces = onWire
    ? stringsOf(run, strip, tag)
    : own.flatMap((part) => piecesOf(part, run.line, strip, plan, tag))
  const sum = (of: (piece: Piece) => number): number =>
    pieces.reduce((total, piece) => total + of(piece), 0)
  return {
    run,
    strip,
    parts: own,
    pieces,
    groups: sum((piece) => piece.groups),
    // The wire between nodes is no light.
    placedMm: onWire ? 0 : sum((piece) => piece.placedMm),
    gapMm: sum((piece) => piece.gapMm),
    pixels: sum((piece) => piece.pixels),
  }
}

/** Strings of nodes, full ones first, plugged end to end; parts of them where wire is soldered in between. */
function stringsOf(run: MeasuredRun, strip: Strip, tag: string): Piece[] {
  const { nodesPerString = 1, cutPitchMm, light } = strip
  const inNode = pixelsInNode(run)
  const isLong =
    run.line.isLengthened === true
      ? [false, ...waysBetween(run).map((mm) => !isWithinReach(mm, strip))]
      : []
  const starts: { from: number; part: number }[] = []
  const all = run.lights.length * inNode
  for (let from = 0; from < all; from += 1) {
    const last = starts.at(-1)
    const isWired = from % inNode === 0 && isLong[from / inNode] === true
    if (last === undefined || isWired)
      starts.push({ from, part: last === undefined ? 0 : last.part + 1 })
    else if (from - last.from === nodesPerString) starts.push({ from, part: last.part })
  }
  return starts.map(({ from: fromGroup, part }, index): Piece => {
    const groups = (starts[index + 1]?.from ?? all) - fromGroup
    return {
      name: `${tag}${String(index + 1)}`,
      part,
      fromGroup,
      offMm: 0,
      lengthMm: groups * cutPitchMm,
      startMm: 0,
      segments: [],
      groups,
      placedMm: groups * cutPitchMm,
      gapMm: 0,
      pixels: groups * (light.kind === 'pixels' ? light.perCut : 0),
    }
  })
}

function stretchesOf(run: MeasuredRun, { rules }: Pick<Plan, 'rules'>, strip: Strip): Part[] {
  const { endMm = 0, cutting = [], isTurned } = run.line
  const parts = joinedSegments(run, rules.corners === 'fold')
  return parts.map((segments, at): Part => {
    const index = isTurned === true ? parts.length - 1 - at : at
    const lengthMm = segments.reduce((all, one) => all + (run.segments[one]?.lengthMm ?? 0), 0)
    const usableMm = Math.max(0, lengthMm - 2 * endMm)
    const more = cutting.find((hand) => hand.part === index)?.more ?? 0
    const byRule = cutRun({
      lengthMm: usableMm,
      cutPitchMm: strip.cutPitchMm,
      pixelsPerCut: 0,
      fit: rules.rounding,
      endAllowanceMm: 0,
    })
    const groups = Math.max(0, (countedGroups(run, segments, strip) ?? byRule.groups) + more)
    return {
      index,
      lengthMm,
      usableMm,
      more,
      groups,
      gapMm: lengthMm - groups * strip.cutPitchMm,
      segments,
    }
  })
}

/** Groups of a part that was given by its pixels: whole ones, and never fewer pixels than were counted. */
function countedGroups(
  run: MeasuredRun,
  segments: readonly number[],
  { light }: Strip,
): number | undefined {
  const counts = segments.map((index) => run.segments[index]?.pixels)
  if (light.kind !== 'pixels' || counts.includes(undefined)) return undefined
  const pixels = counts.reduce<number>((sum, count = 0) => sum + count, 0)
  return Math.ceil(pixels / light.perCut)
}

/** Share of the gap that lies before the piece. */
const gapBefore: Readonly<Record<GapPlace, number>> = { far: 0, shared: 0.5, near: 1 }

function piecesOf(
  part: Part,
  line: Line,
  strip: Strip,
  { rules }: Pick<Plan, 'rules'>,
  tag: string,
): Piece[] {
  const { cutPitchMm } = strip
  const hand = line.cutting?.find((entry) => entry.part === part.index)
  // Splits are counted along the measured line, whichever end the wire enters.
  const marks = [...new Set(hand?.splits ?? [])]
    .filter((at) => at < part.groups)
    .map((at) => (line.isTurned === true ? part.groups - at : at))
    .toSorted((a, b) => a - b)
  const pixelsPerCut = strip.light.kind === 'pixels' ? strip.light.perCut : 0
  const freeMm = line.endMm ?? 0
  const before = freeMm + (part.gapMm - 2 * freeMm) * gapBefore[rules.gap]
  return [0, ...marks].map((from, at, starts): Piece => {
    const isLast = at === starts.length - 1
    const groups = (starts[at + 1] ?? part.groups) - from
    const placedMm = groups * cutPitchMm
    const startMm = before + from * cutPitchMm
    const lengthMm = (isLast ? part.lengthMm : startMm + placedMm) - (at === 0 ? 0 : startMm)
    return {
      name: `${tag}${String(part.index + 1)}${starts.length > 1 ? letter(at) : ''}`,
      part: part.index,
      fromGroup: from,
      offMm: isLast ? Math.min(hand?.offMm ?? 0, cutPitchMm) : 0,
      lengthMm,
      startMm,
      segments: part.segments,
      groups,
      placedMm,
      gapMm: lengthMm - placedMm,
      pixels: groups * pixelsPerCut,
    }
  })
}

/** a, b … z, then numbers. */
const letter = (at: number): string =>
  at < 26 ? String.fromCharCode(97 + at) : `-${String(at + 1)}`

/** Segments that are cut as one: each on its own, or as far as they follow on from each other. */
function joinedSegments({ segments }: MeasuredRun, isFolded: boolean): number[][] {
  const parts: number[][] = []
  for (const [index, { points }] of segments.entries()) {
    const before = segments[index - 1]?.points.at(-1)
    const [start] = points
    const follows = before !== undefined && start !== undefined && touch(before, start)
    if (isFolded && follows) parts.at(-1)?.push(index)
    else parts.push([index])
  }
  return parts
}

const touch = (a: Point, b: Point): boolean => distance(a, b) < 1e-6

/** What of each segment is lit: from and to, mm along it; in the order of the run's segments. */
export function litSpansOf({ run, pieces }: CutStripRun): [fromMm: number, toMm: number][] {
  const lit = run.segments.map((): [number, number] | undefined => undefined)
  for (const { segments, startMm, placedMm } of pieces) {
    let before = 0
    for (const index of segments) {
      const { lengthMm = 0 } = run.segments[index] ?? {}
      const within = (mm: number): number => Math.min(lengthMm, Math.max(0, mm - before))
      const [from, to] = [within(startMm), within(startMm + placedMm)]
      const known = lit[index]
      // Pieces of a split part follow on from each other.
      if (known === undefined) lit[index] = [from, to]
      else if (to > from) lit[index] = [Math.min(known[0], from), Math.max(known[1], to)]
      before += lengthMm
    }
  }
  return lit.map((range) => range ?? [0, 0])
}
