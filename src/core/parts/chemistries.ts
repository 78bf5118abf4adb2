/** A cell, or a block of cells, by its chemistry; *typical* figures (handbook 3, battery). */
export interface Chemistry {
  /** Open-circuit volts at depths of discharge, 0 to 1. */
  readonly ocv: readonly (readonly [depth: number, volts: number])[]
  readonly ampereHours: number
  /** The current at which it holds that, A. */
  readonly refA: number
  /** How much capacity goes at higher currents. */
  readonly k: number
  readonly ohm: number
  /** How much its resistance has grown when it is empty, as a share. */
  readonly growth: number
}

const alkaline: Chemistry['ocv'] = [
  [0, 1.58],
  [0.1, 1.47],
  [0.2, 1.4],
  [0.4, 1.3],
  [0.6, 1.22],
  [0.8, 1.13],
  [0.9, 1.05],
  [1, 0.85],
]

export const chemistryNames = [
  'alkaline-aa',
  'alkaline-9v',
  'nimh-aa',
  'li-ion',
  'lifepo4',
  'lead-acid-12v',
] as const
export type ChemistryName = (typeof chemistryNames)[number]

export const isChemistry = (name: string): name is ChemistryName =>
  (chemistryNames as readonly string[]).includes(name)

export const chemistries: Readonly<Record<ChemistryName, Chemistry>> = {
  'alkaline-aa': { ocv: alkaline, ampereHours: 2.5, refA: 0.05, k: 1.25, ohm: 0.15, growth: 2 },
  'alkaline-9v': {
    ocv: alkaline.map(([depth, volts]) => [depth, 6 * volts] as const),
    ampereHours: 0.5,
    refA: 0.02,
    k: 1.3,
    ohm: 1.7,
    growth: 2,
  },
  'nimh-aa': {
    ocv: [
      [0, 1.4],
      [0.1, 1.33],
      [0.5, 1.27],
      [0.9, 1.18],
      [1, 1],
    ],
    ampereHours: 2,
    refA: 0.4,
    k: 1.05,
    ohm: 0.03,
    growth: 1,
  },
  'li-ion': {
    ocv: [
      [0, 4.15],
      [0.1, 4.02],
      [0.3, 3.85],
      [0.5, 3.72],
      [0.7, 3.62],
      [0.9, 3.45],
      [1, 3],
    ],
    ampereHours: 2.5,
    refA: 0.5,
    k: 1.03,
    ohm: 0.06,
    growth: 0.5,
  },
  lifepo4: {
    ocv: [
      [0, 3.4],
      [0.1, 3.32],
      [0.5, 3.28],
      [0.9, 3.18],
      [1, 2.6],
    ],
    ampereHours: 6,
    refA: 1.2,
    k: 1.02,
    ohm: 0.01,
    growth: 0.5,
  },
  'lead-acid-12v': {
    ocv: [
      [0, 12.75],
      [0.2, 12.5],
      [0.5, 12.15],
      [0.8, 11.75],
      [1, 11.3],
    ],
    ampereHours: 7,
    refA: 0.35,
    k: 1.2,
    ohm: 0.03,
    growth: 1,
  },
}
