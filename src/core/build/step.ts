import type { StepKind } from '../plan/build-choices'

/** What is in the hand during a step. */
export type Tool =
  | 'tape measure'
  | 'cutters'
  | 'saw'
  | 'pen'
  | 'iron'
  | 'screwdriver'
  | 'hands'
  | 'meter'
  | 'bench supply'
  | 'heat gun'
  | 'cloth'
  | 'glue'

/** One thing to do, with all that is needed to do it right. */
export interface Step {
  /** From what it is about: the same in both schools, and kept by edits that leave it alone. */
  readonly id: string
  readonly kind: StepKind
  /** What is done, as it is said at the bench. */
  readonly title: string
  /** How, a sentence each. */
  readonly how: readonly string[]
  /** Ids of runs, supplies, junctions; names of pieces and wires. */
  readonly about: readonly string[]
  /** Ids of the steps that have to be done before. */
  readonly needs: readonly string[]
  /** Hands on. */
  readonly minutes: number
  /** What the typical minutes were multiplied by to reckon with those, where anything is known of how long it takes here. */
  readonly pace?: number
  /** Until it has dried, cured or run long enough. */
  readonly waitMin: number
  /** Ids of the joints that are made in it. */
  readonly joints: readonly string[]
  /** What must be on the wires before. */
  readonly threads: readonly string[]
  readonly undoable: boolean
  readonly cautions: readonly string[]
  readonly tool: Tool
  /** The run, board, sensor or supply that it belongs to: what is finished before the next begins. */
  readonly place: string
  /** The stretch of work in which it is due, from 0: what is done in one go in batches. */
  readonly phase: Phase
  /** The like of which one was made before, as a sample: the sample's minutes, once timed, so many times. */
  readonly like?: { readonly sample: string; readonly times: number }
  /** Of steps of one phase at a place: which goes first. */
  readonly turn: number
}

/** Stretches of the work in their order. */
export const phases = [
  'measure',
  'dry-fit',
  'reel',
  'cut',
  'cut-wire',
  'label',
  'tin',
  'within',
  'test-piece',
  'frame',
  'thread',
  'in-line',
  'joint',
  'check',
  'test',
  'clean',
  'mount',
  'corner',
  'fix',
  'relief',
  'insulate',
  'cover',
  'supply',
  'supply-joint',
  'supply-check',
  'card',
  'power',
  'soak',
  'book',
] as const
export type Phase = (typeof phases)[number]

/** *Typical* starting minutes (handbook 7 and 11). */
export const typicalMinutes = {
  measure: 2,
  dryFit: 2,
  reelTest: 2,
  cutPiece: 1,
  sawBar: 4,
  cutSheet: 6,
  cutWire: 0.75,
  label: 0.5,
  tinPad: 1,
  tinEnd: 0.3,
  threadBundle: 1,
  threadThing: 0.5,
  slidePiece: 3,
  check: 1,
  test: 2,
  testBoard: 10,
  clean: 2,
  mountPerM: 3,
  mountPart: 5,
  hangLight: 1,
  relief: 1.5,
  insulate: 1,
  insulateSleeve: 0.4,
  cover: 1,
  coverPerM: 1,
  card: 3,
  power: 2,
  soak: 10,
  book: 5,
} as const

/** Minutes to lay one tool down and have the next one ready; an iron has to heat up. *Typical.* */
export const changeMinutes: Readonly<Record<Tool, number>> = {
  'tape measure': 0.5,
  cutters: 0.5,
  saw: 2,
  pen: 0.2,
  iron: 2,
  screwdriver: 0.3,
  hands: 0.2,
  meter: 0.3,
  'bench supply': 1,
  'heat gun': 1.5,
  cloth: 0.5,
  glue: 1,
}

/** What has to dry, cure or run, minutes (handbook 11). */
export const waitMinutes = {
  solvent: 5,
  /** Of what holds a strip until the next thing may be done to it. */
  fixing: { backing: 20, tape: 20, clips: 0, glue: 1, magnets: 0 },
  /** A seal of 3 mm of neutral silicone. */
  seal: 24 * 60,
  soak: 30,
  soakInBox: 60,
} as const

/** Cautions where they belong (handbook 0 and 11). */
export const cautions = {
  iron: 'Iron at 350 °C for lead-free solder, 330 °C for leaded; at most 3 s a pad. Keep it in its stand, and the fumes out of your face.',
  strip: 'Static kills strips: wrist strap on, or touch earth first.',
  sleeveAway: 'Keep sleeves at least 30 mm from the iron until they are due.',
  heat: 'A sleeve shrinks at 100 to 120 °C: keep the heat gun off strip, glue and your fingers.',
  bench:
    'On a current-limited or fused supply only. Minus first, then plus, data last; never data into an unpowered strip.',
  unpowered: 'Nothing is powered: supply and board are apart.',
  tape: 'Tape needs a surface above 15 °C, free of dust and grease. Pads on bare metal need insulation below.',
  glue: 'Hot glue lets go above 60 °C and on oily metal; superglue fogs acrylic and hardens cable.',
  seal: 'Neutral silicone only: the kind that smells of vinegar eats copper.',
  ladder: 'On a ladder have somebody hold it. Near mains fittings the mains is off first.',
  supply:
    'A certified, enclosed supply. Fixed mains wiring is for a licensed electrician; local codes decide.',
  fuse: 'Low voltage still starts fires: every fuse of the plan is in before power.',
  cells:
    'Protected lithium cells only; never charge or crush them in a sealed box. Coin cells out of reach of children.',
  soak: 'Stay with it. Nothing that is touched above 48 °C, nothing that is worn above 43 °C.',
  flash:
    'Flashing between 3 and 30 Hz can trigger seizures: check the programs before you hand it over.',
} as const
