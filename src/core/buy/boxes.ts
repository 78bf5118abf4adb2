import type { FedSupply } from '../feed/supplies'
import type { FedPlan } from '../feed/fed-plan'
import { leadFuse } from '../feed/lead-fuse'
import {
  boardSize,
  boxParts,
  coolAirMm,
  smallSizes,
  supplyAirMm,
  supplySize,
  warmAirMm,
  type BoxPart,
  type Size,
} from '../parts/sizes'
import { bundleThicknessMm, glandHoleMm } from '../parts/sold'
import { entryOf } from '../cut/entry-of'
import type { Point } from '../measure/geometry'
import { placer, placesOf } from '../measure/layout'
import type { PlanBox } from '../plan/plan'
import type { Block } from '../route/circuit'
import { bundlesOf } from '../wire/joints'
import type { WiredPlan } from '../wire/wired-plan'
import { laidOn } from '../measure/rects'

/** Something that hides in a box. */
export interface BoxItem extends Size {
  /** `board`, or the id of a supply or junction; what comes with one of them has its id too. */
  readonly of: string
  readonly name: string
  /** Kept free all round, mm. */
  readonly airMm: number
}

/** An item as it stands on the floor of its box, mm from the corner, its air not counted. */
export interface PlacedItem extends BoxItem {
  readonly x: number
  readonly y: number
  readonly isTurned: boolean
}

export interface PackedBox {
  readonly box: PlanBox
  readonly placed: readonly PlacedItem[]
  /** What finds no room: too tall, or no place left on the floor. */
  readonly lacking: readonly BoxItem[]
  /** The smallest box as sold that holds all; `undefined` where none does. */
  readonly fitting: BoxPart | undefined
}

type BoxGiven = Pick<FedPlan, 'plan' | 'fit' | 'full'> & {
  readonly supplies: readonly Pick<FedSupply, 'slot' | 'part'>[]
}

/** All that can hide in a box, with what comes with it. */
export function boxItems({ plan, fit, full, supplies }: BoxGiven): BoxItem[] {
  const items: BoxItem[] = []
  if (fit !== undefined) {
    const { board } = fit
    items.push({ of: 'board', name: board.name, airMm: coolAirMm, ...boardSize(board) })
    if (plan.signal.fix === 'buffer')
      items.push({ of: 'board', name: 'buffer', airMm: coolAirMm, ...smallSizes.buffer })
  }
  for (const { slot, part } of supplies) {
    if (part === undefined) continue
    const own = supplySize(part)
    if (own === undefined) continue
    items.push({ of: slot.id, name: slot.name, airMm: supplyAirMm(part), ...own })
    if (part.kind === 'brick')
      items.push({
        of: slot.id,
        name: `plug of ${slot.name}`,
        airMm: coolAirMm,
        ...smallSizes.plug,
      })
    const fuses = full.leads.filter(
      (fed) => fed.lead.from === slot.id && typeof leadFuse(fed) === 'number',
    )
    for (const number of fuses.keys())
      items.push({
        of: slot.id,
        name: `fuse holder ${String(number + 1)} of ${slot.name}`,
        airMm: 1,
        ...smallSizes.fuse,
      })
  }
  for (const { id, name } of plan.junctions)
    items.push({ of: id, name, airMm: coolAirMm, ...smallSizes.junction })
  return items
}

/** Which boxes hold what is to hide in them: everything stands flat on the floor, with its air (handbook 10). */
export function boxesOf(given: BoxGiven): PackedBox[] {
  const items = boxItems(given)
  return (given.plan.buy.boxes ?? []).map((box) => {
    const own = items.filter(({ of }) => box.holds.includes(of))
    const { placed, lacking } = packed(box, own)
    return {
      box,
      placed,
      lacking,
      fitting: boxParts.find((part) => packed(part, own).lacking.length === 0),
    }
  })
}

/** What an item takes of the floor, its air too, mm: long and wide. */
const footprint = ({ lengthMm, widthMm, airMm }: BoxItem): readonly [number, number] => [
  lengthMm + 2 * airMm,
  widthMm + 2 * airMm,
]

interface Laid {
  width: number
  height: number
  x: number
  y: number
  readonly of: BoxItem
  readonly isTurned: boolean
}

function packed(
  { lengthMm, widthMm, tallMm }: Size,
  items: readonly BoxItem[],
): Pick<PackedBox, 'placed' | 'lacking'> {
  const fitsBy = (long: number, wide: number): boolean => long <= lengthMm && wide <= widthMm
  const lowered = items.filter((one) => {
    const [long, wide] = footprint(one)
    return one.tallMm + one.airMm <= tallMm + 1e-9 && (fitsBy(long, wide) || fitsBy(wide, long))
  })
  const lay = (isTurned: (one: BoxItem) => boolean): PlacedItem[] => {
    const bins = laidOn(
      lengthMm,
      widthMm,
      lowered.map((of): Laid => {
        const [long, wide] = footprint(of)
        // What fits one way alone lies that way.
        const turned = fitsBy(long, wide) ? isTurned(of) && fitsBy(wide, long) : true
        return {
          width: turned ? wide : long,
          height: turned ? long : wide,
          x: 0,
          y: 0,
          of,
          isTurned: turned,
        }
      }),
    )
    const [fullest = []] = bins.toSorted((one, other) => floorOf(other) - floorOf(one))
    return fullest.map(({ x, y, of, isTurned: turned }) => ({
      ...of,
      x: x + of.airMm,
      y: y + of.airMm,
      isTurned: turned,
    }))
  }
  const ways = [
    () => false,
    () => true,
    ({ airMm }: BoxItem) => airMm < warmAirMm,
    ({ airMm }: BoxItem) => airMm >= warmAirMm,
  ]
  const placed = ways.map(lay).toSorted((a, b) => taken(b) - taken(a))[0] ?? []
  const isPlaced = (one: BoxItem): boolean =>
    placed.some(({ of, name }) => of === one.of && name === one.name)
  return { placed, lacking: items.filter((one) => !isPlaced(one)) }
}

export type BoxHolesGiven = Pick<WiredPlan, 'plan' | 'wiring' | 'cutRuns' | 'sources' | 'layout'>

/** How much of the floor is taken, mm²: what takes most comes first. */
const floorOf = (rects: readonly Pick<Laid, 'width' | 'height'>[]): number =>
  rects.reduce((sum, { width, height }) => sum + width * height, 0)
const taken = (items: readonly BoxItem[]): number =>
  items.map(footprint).reduce((sum, [long, wide]) => sum + long * wide, 0)

export interface BoxHole {
  readonly diameterMm: number
  /** The hole where a gland is to close it, mm. */
  readonly glandMm: number
  readonly side: 'left' | 'right' | 'top' | 'bottom'
  /** Names of the wires that go through it. */
  readonly wires: readonly string[]
  /** Where they go. */
  readonly to: string
}

/** Sizes of drills, mm. */
const drills = [3, 4, 5, 6, 8, 10, 12, 14, 16, 20, 25] as const
/** A bundle goes through without being pressed, mm. */
const playMm = 1

/** Holes of a box for the wires that leave it, on the side where they go on the drawing. */
export function boxHoles(
  { holds }: PlanBox,
  { plan, wiring, cutRuns, sources, layout }: BoxHolesGiven,
): BoxHole[] {
  const inside = new Set(holds)
  const blocks = new Map(wiring.blocks.map((block) => [block.id, block]))
  const isInside = (id: string): boolean => {
    const of = blocks.get(id)?.of
    switch (of?.kind) {
      case 'board':
      case 'buffer':
      case 'switch':
        return inside.has('board')
      case 'supply':
      case 'power-switch':
        return inside.has(of.supply)
      case 'junction':
        return inside.has(of.junction)
      default:
        return false
    }
  }
  const sourceAt = (id: string): Point | undefined =>
    id === 'board' ? sources.controller : (sources.supplies.get(id) ?? sources.junctions.get(id))
  const middle = middleOf(holds.map(sourceAt).filter((point) => point !== undefined))
  const runPlaces = placesOf(layout)
  const placeOf = (block: Block | undefined): Point | undefined => {
    if (block === undefined) return undefined
    const [about = ''] = block.about
    const entry = entryOf(cutRuns, about)
    const place = runPlaces.get(about)
    if (entry !== undefined && place !== undefined) {
      const { x, y, width, height } = entry.run.box
      return placer(entry.run, place)([x + width / 2, y + height / 2])
    }
    return (
      sourceAt(block.of.kind === 'board' ? 'board' : about) ??
      plan.signal.inputs.find(({ name }) => block.of.kind === 'input' && block.name === name)?.at
    )
  }
  return bundlesOf(wiring.wires).flatMap((bundle): BoxHole[] => {
    const leaving = bundle.filter(({ from, to }) => isInside(from.block) !== isInside(to.block))
    const [first] = leaving
    if (first === undefined) return []
    const outer = blocks.get(isInside(first.from.block) ? first.to.block : first.from.block)
    const thickMm = bundleThicknessMm(leaving.length, first.gauge)
    return [
      {
        diameterMm: drills.find((mm) => mm >= thickMm + playMm) ?? Math.ceil(thickMm + playMm),
        glandMm: glandHoleMm(thickMm),
        side: sideOf(middle, placeOf(outer)),
        wires: leaving.map(({ name }) => name),
        to: outer?.name ?? '',
      },
    ]
  })
}

function middleOf(points: readonly Point[]): Point {
  const count = Math.max(1, points.length)
  return [
    points.reduce((sum, [x]) => sum + x, 0) / count,
    points.reduce((sum, [, y]) => sum + y, 0) / count,
  ]
}

function sideOf(from: Point, to: Point | undefined): BoxHole['side'] {
  const [dx, dy] = to === undefined ? [0, 1] : [to[0] - from[0], to[1] - from[1]]
  if (Math.abs(dx) > Math.abs(dy)) return dx > 0 ? 'right' : 'left'
  return dy > 0 ? 'bottom' : 'top'
}

export interface PlanBoxes {
  readonly items: readonly BoxItem[]
  readonly boxes: readonly (PackedBox & { readonly holes: readonly BoxHole[] })[]
}

/** All of it for the page. */
export const planBoxes = (given: BoxHolesGiven & BoxGiven): PlanBoxes => ({
  items: boxItems(given),
  boxes: boxesOf(given).map((one) => ({ ...one, holes: boxHoles(one.box, given) })),
})
