import type { ProfileBars } from '../../core/buy/bars'
import type { MeasuredStrip } from '../../core/build/as-measured'
import type { BuildOrder } from '../../core/build/order'
import type { Expected } from '../../core/build/readings'
import type { Template } from '../../core/build/template'
import type { Receipt } from '../../core/buy/receipt'
import type { PlanBoxes } from '../../core/buy/boxes'
import type { MaterialSheets } from '../../core/buy/sheets'
import type { Table } from '../../formats/csv'
import type { LinkPlan } from '../../core/glow/link/lanes'
import type { UpkeepTask } from '../../core/mend/upkeep'
import type { Tally } from '../../core/tally'
import type { Fixes } from '../../core/choose/fixes'
import type { Diagram } from '../../core/wire/diagram-parts'
import type { Issue } from '../../core/quantity/z'
import type { PlanFacts } from './plan-facts'

/** What can wait until the page has all that it shows: counts for the header, and what the shelf keeps of the plan. */
export interface Facts {
  readonly reels: number
  readonly joints: number
  /** Lines of the bill that are not bought yet. */
  readonly toBuy: number
  /** … and all lines of it. */
  readonly billLines: number
  readonly shelf: PlanFacts
}

export interface MeterAt {
  readonly step: string
  readonly expected: Expected
}

export interface HowFar {
  readonly steps: number
  readonly done: number
}

/** What the program needs, as the texts of three files. */
export interface ProgramTexts {
  readonly header: string
  readonly json: string
  readonly pixels: Table
}

/** Everything that a page can ask of the open plan, besides the roll. */
export interface PlanParts extends Omit<Tally, 'roll'> {
  readonly facts: Facts
  readonly diagram: Diagram
  readonly program: ProgramTexts
  /** Lanes and inputs as the bench link speaks of them. */
  readonly link: LinkPlan
  /** Everything to buy, with packs and prices. */
  readonly receipt: Receipt
  readonly bars: readonly ProfileBars[]
  readonly sheets: readonly MaterialSheets[]
  /** What could hide in a box, and each box with what stands in it and the holes of the wires that leave it. */
  readonly boxes: PlanBoxes
  /** The steps of building in their order, and what the other school comes to. */
  readonly build: BuildOrder
  /** What the meter should say after the next step. */
  readonly meter: MeterAt | undefined
  /** Runs at true size, to mark and drill by. */
  readonly templates: readonly Template[]
  /** What readings say of the strips. */
  readonly measured: readonly MeasuredStrip[]
  /** What the finished build asks for later, the soonest due first. */
  readonly upkeep: readonly UpkeepTask[]
  /** How many steps there are, and how many are done. */
  readonly howFar: HowFar
  /** Remedies that were tried on the whole plan and work; a verdict that is missing is still being looked at. */
  readonly fixes: Fixes
  /** Why a file of this plan could not be read again: a form that let something through. */
  readonly unreadable: readonly Issue[]
}
export type PartName = keyof PlanParts
/** Parts that are worked out in one go; fixes are looked for bit by bit. */
export type WholePart = Exclude<PartName, 'fixes'>
