import { largest } from '../quantity/extremes'
import type { Point } from '../measure/geometry'
import type { Terminal } from '../route/circuit'
import type { InLine, PlanBlock, PlanWire } from './wires'

/** A terminal where it is drawn. */
export interface DrawnTerminal extends Terminal {
  readonly at: Point
  readonly side: 'left' | 'right' | 'top'
}

/** A block where it is drawn. */
export interface DrawnBlock {
  readonly block: PlanBlock
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly terminals: readonly DrawnTerminal[]
  /** Of a run: its pieces, and whether its arrow points to the left. */
  readonly pieces: readonly { readonly x: number; readonly width: number; readonly name: string }[]
  readonly isMirrored: boolean
}

/** A wire where it is drawn. */
export interface DrawnWire {
  readonly wire: PlanWire
  /** Names of all the wires that it stands for, its own first: those of many lights are drawn as one. */
  readonly names: readonly string[]
  readonly points: readonly Point[]
  /** Signs of what sits in it, each at its middle. */
  readonly signs: readonly (Pick<InLine, 'kind' | 'text'> & { readonly at: Point })[]
}

/** A note on a bundle of wires: their names, gauge and length. */
export interface DrawnLabel {
  readonly text: string
  readonly at: Point
  readonly wires: readonly string[]
}

/** The whole picture, in its own px; 1 px is 0.25 mm on paper at least. */
export interface Diagram {
  readonly width: number
  readonly height: number
  /** Set close: thin wires, names in the strips. */
  readonly isClose: boolean
  readonly blocks: readonly DrawnBlock[]
  readonly wires: readonly DrawnWire[]
  readonly labels: readonly DrawnLabel[]
  readonly capacitors: readonly {
    readonly at: Point
    readonly heightPx: number
    readonly text: string
  }[]
}

/** From one row of terminals to the next: roomy, or close for a plan of many runs. */
export const roomy = {
  isClose: false as boolean,
  pitch: 16,
  row: 54,
  gap: 20,
  head: 40,
  title: 20,
  track: 8,
  notes: 268,
  run: 260,
}
export const close: typeof roomy = {
  isClose: true,
  pitch: 7,
  row: 24,
  gap: 20,
  head: 36,
  title: 0,
  track: 4,
  notes: 240,
  run: 220,
}
export type DiagramSize = typeof roomy

/** Runs from which the drawing is set close. */
export const manyRuns = 14
export const sourceWidth = 222
export const inputTrackPx = 8
export const edge = 16
export const inputWidth = 144

/** Where the lowest of them ends. */
export const bottomOf = (blocks: readonly DrawnBlock[]): number =>
  largest(
    blocks.map(({ y, height }) => y + height),
    0,
  )

/** Rounded up to the grid that sources stand on; runs stand half a step off it, so that no two wires lie on each other. */
export const onGrid = (y: number): number => Math.ceil(y / 8) * 8
